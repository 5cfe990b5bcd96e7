import { writeFilm } from '@dossier/demo/camera-film';
import { CAMERA_FILE } from './playwright.config';

export default (): Promise<void> => writeFilm(CAMERA_FILE);
