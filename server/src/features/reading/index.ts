export { joinBack, takeBackOff } from './backs';
export { changeCards } from './changeCards';
export { Card, IN_TRAY, LearnedFact, SecondLook } from './entities';
export { expectationsOf } from './expectations';
export { learn } from './learning';
export { removePicturesSoon } from './removePictures';
export { readAreaOf } from './readArea';
export { closeSecondLook, openSecondLooks } from './secondLooks';
export { trayRoutes } from './routes';
