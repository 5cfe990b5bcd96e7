export { randomFrom } from '../register/random';
export { drawSeason, type Season, type SeasonLead, type SeasonTeam } from './drawSeason';
export { seasonOccasions } from './occasions';
export { writeSeason, type Query } from './writeSeason';
