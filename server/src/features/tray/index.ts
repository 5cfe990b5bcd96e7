export { joinBack, takeBackOff } from './backs';
export { SecondLook } from './entities';
export { handOverSecondLooks } from './queries';
export { trayRoutes } from './routes';
export { closeSecondLook, openSecondLooks } from './secondLooks';
