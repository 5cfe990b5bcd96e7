import sharp from 'sharp';
import type { Pixels } from './pixels';

const QUALITY = 86;

export const encodeJpeg = ({ data, width, height }: Pixels): Promise<Uint8Array> =>
  sharp(data, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: QUALITY, mozjpeg: false })
    .toBuffer();
