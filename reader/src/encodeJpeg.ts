import sharp from 'sharp';
import type { Pixels } from './pixels';

const QUALITY = 86;
/** APP2, which holds colour profiles, and what one begins with. */
const SEGMENT = Uint8Array.of(0xff, 0xe2);
const SIGNATURE = new TextEncoder().encode('ICC_PROFILE\0');
/** So much of a profile fits into a segment (ICC.1:2022, annex B.4). */
const LONGEST_PART = 65_519;
const START_OF_IMAGE_LENGTH = 2;

/** @param colourProfile ICC profile of the colours, unless they are sRGB */
export async function encodeJpeg({ data, width, height }: Pixels, colourProfile?: Uint8Array): Promise<Uint8Array> {
  const jpeg = await sharp(data, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: QUALITY, mozjpeg: false })
    .toBuffer();
  return colourProfile ? withColourProfile(jpeg, colourProfile) : jpeg;
}

function withColourProfile(jpeg: Uint8Array, profile: Uint8Array): Uint8Array {
  const count = Math.ceil(profile.length / LONGEST_PART);
  const segments = Array.from({ length: count }, (_, i) => {
    const part = profile.subarray(i * LONGEST_PART, (i + 1) * LONGEST_PART);
    const length = 2 + SIGNATURE.length + 2 + part.length;
    return [SEGMENT, Uint8Array.of(length >> 8, length & 0xff), SIGNATURE, Uint8Array.of(i + 1, count), part];
  });
  const rest = jpeg.subarray(START_OF_IMAGE_LENGTH);
  return Buffer.concat([jpeg.subarray(0, START_OF_IMAGE_LENGTH), ...segments.flat(), rest]);
}
