const { transformSync } = require('esbuild');

/** TypeScript to CommonJS for Jest; `import.meta.url` becomes the file's own address. */
module.exports = {
  process(source, path) {
    const { code } = transformSync(source, {
      loader: path.endsWith('.tsx') ? 'tsx' : path.endsWith('.ts') ? 'ts' : 'js',
      format: 'cjs',
      target: 'node20',
      supported: { 'dynamic-import': false },
      sourcemap: 'inline',
      sourcefile: path,
      define: { 'import.meta.url': '__fileAddress' },
      banner: "const __fileAddress = require('node:url').pathToFileURL(__filename).href;",
      tsconfigRaw: { compilerOptions: { experimentalDecorators: true, useDefineForClassFields: true } },
    });
    return { code };
  },
};
