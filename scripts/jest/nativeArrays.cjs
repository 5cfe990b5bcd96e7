const { TestEnvironment } = require('jest-environment-node');

/** Native addons compare typed arrays with those of the outer realm; tests get the same ones. */
module.exports = class extends TestEnvironment {
  constructor(...args) {
    super(...args);
    for (const name of [
      'Float32Array',
      'Uint8Array',
      'Int32Array',
      'BigInt64Array',
      'Uint8ClampedArray',
      'ArrayBuffer',
    ]) {
      this.global[name] = globalThis[name];
    }
  }
};
