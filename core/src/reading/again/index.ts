export { featuresOfBoth, heldAgainst } from './heldAgainst';
export { witnessOf } from './witness';
