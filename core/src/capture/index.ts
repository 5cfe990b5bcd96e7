export * from './convexHull';
export * from './homography';
export * from './quad';
export * from './rectifiedSize';
export * from './chooseCards';
