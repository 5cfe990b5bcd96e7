export { cardStates, IN_TRAY, openState } from './cardStates';
export { Card, type CardLogo, LearnedFact, LearnedSource } from './entities';
export { expectationsOf } from './expectations';
export { learn, unlearn } from './learning';
export { lockCards, lockTrayCards } from './lockCards';
export { proposing } from './proposing';
export { handOverCards } from './queries';
export { readAreaOf } from './readArea';
export { readingRoutes } from './routes';
