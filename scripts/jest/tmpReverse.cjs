const Sequencer = require('@jest/test-sequencer').default;

/** The same order everywhere: a run that goes wrong goes wrong on every machine. */
module.exports = class ByName extends Sequencer {
  sort(tests) {
    return [...tests].sort((a, b) => (a.path < b.path ? 1 : -1));
  }
};
