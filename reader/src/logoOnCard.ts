import { logoArea, type Area } from '@dossier/core/proof';
import type { Reading } from '@dossier/core/reading/fields';
import sharp from 'sharp';
import { plainBytes } from './pixels';

/** Marks are found on cards of this size: larger ones take longer and show nothing more (measured). */
const SIDE = 320;

export interface CardWithReading {
  /** The rectified card, in any size. */
  picture: Uint8Array;
  reading: Pick<Reading, 'width' | 'height' | 'lines' | 'codes'>;
}

/** See `findLogo`, which has this done where it holds up nobody. */
export async function logoOnCard({ picture, reading }: CardWithReading): Promise<Area | undefined> {
  const { data, info } = await sharp(picture)
    .resize(SIDE, SIDE, { fit: 'inside' })
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return logoArea({ data: plainBytes(data), width: info.width, height: info.height }, reading);
}
