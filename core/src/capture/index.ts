export * from './cardOutline';
export * from './convexHull';
export * from './homography';
export * from './photoLimits';
export * from './quad';
export * from './rectifiedSize';
export * from './chooseCards';
export * from './pictureQuality';
