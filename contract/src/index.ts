export * from './account';
export * from './capture';
export * from './health';
export * from './people';
export * from './problem';
export * from './proof';
export * from './reading';
export * from './tray';
