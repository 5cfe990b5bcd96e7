import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { fitWords, toldApart, writeWords } from './fitWords';

/**
 * Fits what speaks for a line's being the name, the firm or the title, and writes what ships with the core:
 *
 *     npm run fit:roles
 *
 * First what letters say of words that no table knows, then the weights of the joint choice, on the drawn cards of `npm run fit:confidence`, which
 * is to be run again behind it. The same cards give the same weights.
 */
const words = fitWords();
console.log(`words told apart that were not seen: ${toldApart(words)}`);
writeWords(words.all);
// What letters say counts by the model that was just written, which only another process reads.
const { status } = spawnSync(process.execPath, [...process.execArgv, join(import.meta.dirname, 'fitChoice.ts')], {
  stdio: 'inherit',
});
process.exitCode = status ?? 1;
