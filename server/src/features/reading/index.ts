export { Card } from './entities';
export { readPhotoTask, keepUnread } from './jobs';
export { trayRoutes } from './routes';
