export { kilometres, type At } from './distance';
export { dotsOf, type Dot, type Spot } from './dots';
export { placeKey, placeOf, type OwnPlace, type Placed, type Town, type Wanted } from './places';
export { roundOf, type Round } from './round';
