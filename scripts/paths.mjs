import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
/** Everything the project makes at run time; ignored by git. */
export const dataFolder = join(root, '.data');
export const appFolder = join(root, 'app/dist');
