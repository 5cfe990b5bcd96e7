export { joinBack, takeBackOff } from './backs';
export { SecondLook } from './entities';
export { trayRoutes } from './routes';
export { closeSecondLook, openSecondLooks } from './secondLooks';
