#!/usr/bin/env node
/** Watches a folder for pictures, PDFs and texts: see `src/cardsWatch.ts`. */
import { spawn } from 'node:child_process';
import { requirePackages } from './npmPackages.mjs';
import { tsxArguments } from './programs.mjs';
import { requirePdfPages } from './systemPackages.mjs';

await requirePackages();
await requirePdfPages();
const child = spawn(process.execPath, tsxArguments('scripts/src/cardsWatch.ts', ...process.argv.slice(2)), {
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill(signal));
child.once('close', (code) => process.exit(code ?? 1));
