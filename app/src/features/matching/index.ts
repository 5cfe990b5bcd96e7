export { FileScreen } from './FileScreen';
