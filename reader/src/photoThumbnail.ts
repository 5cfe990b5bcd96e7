import { MAX_PHOTO_PIXELS } from '@dossier/core/capture';
import sharp from 'sharp';
import { sniffPhoto } from './sniffPhoto';

/**
 * A small upright JPEG of a photograph.
 * @param side longest side in pixels
 * @returns undefined when it cannot be opened this way (HEIC, damaged)
 */
export async function photoThumbnail(bytes: Uint8Array, side = 320): Promise<Uint8Array | undefined> {
  if (sniffPhoto(bytes) === 'heic') return undefined;
  return sharp(bytes, { limitInputPixels: MAX_PHOTO_PIXELS, failOn: 'none' })
    .autoOrient()
    .resize(side, side, { fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 80 })
    .toBuffer()
    .catch(() => undefined);
}
