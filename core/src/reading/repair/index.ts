export { lostAccent, lostJoinedLetter } from './lostAccent';
export { misreadTitle } from './misreadTitle';
export { repairAccents, wordsReadTwice } from './repairAccents';
export { repairLine } from './repairText';
export { repairTwins } from './repairTwins';
export { repairWords } from './repairWords';
export { splitMerged } from './mergedLetters';
export { withReading } from './withReading';
