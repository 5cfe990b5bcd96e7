import sharp from 'sharp';
import { photoThumbnail } from './photoThumbnail';

/** Long side in pixels of a picture that came with somebody in a file. */
const SIDE = 1600;

export interface KeptPicture {
  /** Upright JPEG without anything beside the picture. */
  picture: Uint8Array;
  thumbnail: Uint8Array;
  width: number;
  height: number;
}

/** A picture of any kind as it is kept: made anew, so that nothing but what is seen comes in. @returns undefined when it cannot be opened */
export async function keptPicture(bytes: Uint8Array): Promise<KeptPicture | undefined> {
  const picture = await photoThumbnail(bytes, SIDE);
  const thumbnail = picture && (await photoThumbnail(picture));
  if (!picture || !thumbnail) return undefined;
  const { width, height } = await sharp(picture).metadata();
  return { picture, thumbnail, width, height };
}
