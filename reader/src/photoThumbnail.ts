import { MAX_PHOTO_PIXELS } from '@dossier/core/capture';
import sharp, { type Sharp } from 'sharp';
import { decodePhoto } from './decodePhoto';
import { sniffPhoto } from './sniffPhoto';

/**
 * A small upright JPEG of a photograph.
 * @param side longest side in pixels
 * @returns undefined when it cannot be opened
 */
export async function photoThumbnail(bytes: Uint8Array, side = 320): Promise<Uint8Array | undefined> {
  try {
    const picture = sniffPhoto(bytes) === 'heic' ? await openDecoded(bytes) : openDirectly(bytes);
    return await picture
      .resize(side, side, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82 })
      .toBuffer();
  } catch {
    return undefined;
  }
}

/** Decoded no further than is needed for the small picture. */
const openDirectly = (bytes: Uint8Array): Sharp =>
  sharp(bytes, { limitInputPixels: MAX_PHOTO_PIXELS, failOn: 'none' }).autoOrient();

async function openDecoded(bytes: Uint8Array): Promise<Sharp> {
  const { data, width, height } = await decodePhoto(bytes);
  return sharp(data, { raw: { width, height, channels: 3 } });
}
