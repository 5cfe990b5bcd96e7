import { growLane } from './growOutlines';
import { readLane, type SharedLines } from './lineLane';
import { loadRecogniser } from './models';

/** What the second thread can be asked for, by name: see `secondThread`. */
export const readLines = async (shared: SharedLines) => readLane(await loadRecogniser(), shared);

export const grow = growLane;
