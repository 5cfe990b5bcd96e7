import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { fitOnce } from './fitOnce';
import { readParts, writeWeights } from './fitParts';

/**
 * Fits how far each field can be believed, and writes the weights that ship with the core:
 *
 *     npm run fit:confidence -- [--rounds N] [--again]
 *
 * Draws cards of made-up people in layouts and typefaces that nothing else is judged on, reads them, and fits for each kind of field what
 * speaks for its being right; how often such a score was right is told by other cards, and by the same where weights of the others judge. The same seeds give the same weights. What was read is
 * kept: `--again` reads anew, as after a change of the reader. What a second reading adds is fitted behind it (`fitAgain`).
 */
const { values } = parseArgs({ options: { rounds: { type: 'string', default: '2' }, again: { type: 'boolean', default: false } } }); // prettier-ignore

const { fit, choose } = await readParts(Number(values.rounds), values.again);
writeWeights('confidence/weights.ts', 'WEIGHTS', './models', fitOnce(fit, choose));
// How sure the first reading is counts for both: by the weights that were just written, which only another process reads.
const { status } = spawnSync(process.execPath, [...process.execArgv, join(import.meta.dirname, 'fitAgain.ts'), '--rounds', values.rounds], { stdio: 'inherit' }); // prettier-ignore
process.exitCode = status ?? 1;
