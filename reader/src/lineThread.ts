import { readLane, type SharedLines } from './lineLane';
import { loadRecogniser } from './models';

/** What the second thread runs: see `readLines`. */
export default async function readOnThread(shared: SharedLines) {
  return readLane(await loadRecogniser(), shared);
}
