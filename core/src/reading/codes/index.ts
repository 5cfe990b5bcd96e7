export { crossCheck } from './crossCheck';
export { type CodeValue, readCode } from './readCode';
