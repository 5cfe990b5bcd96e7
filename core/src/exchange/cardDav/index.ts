export { giveCard, type CardGiven } from './giveCard';
export { takeCard, type CardTaken } from './takeCard';
export { meets, type Filter, type PropertyFilter } from './filter';
