export { backUpTask, type BackupPlace } from './byItself';
export { BackupRecord } from './entities';
export { backupRoutes } from './routes';
