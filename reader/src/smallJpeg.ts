import { MAX_PHOTO_PIXELS } from '@dossier/core/capture';
import sharp, { type Sharp } from 'sharp';
import { decodePhoto } from './decodePhoto';
import { sniffPhoto } from './sniffPhoto';

/** See `photoThumbnail`, which has this done where it holds up nobody. @returns undefined when the picture cannot be opened */
export async function smallJpeg({ bytes, side }: { bytes: Uint8Array; side: number }): Promise<Uint8Array | undefined> {
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
