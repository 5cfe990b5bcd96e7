import { MAX_PHOTO_BYTES, MAX_PHOTO_PIXELS } from '@dossier/core/capture';
import sharp, { type Sharp } from 'sharp';
import { UnreadablePhoto } from './errors';
import { heicDecode } from './heicDecode';
import { plainBytes, type Pixels } from './pixels';
import { sniffPhoto } from './sniffPhoto';

/** A decoded photograph. */
export interface Photo extends Pixels {
  /** ICC profile of its colours, where the file brings one; without one they are sRGB. */
  colourProfile?: Uint8Array;
}

/**
 * Decodes a photograph upright (EXIF orientation applied) to 8-bit RGB on white ground. Colours with a profile are left
 * as they are, which reading does not mind: to convert 12 megapixels takes four times as long as to decode them.
 * @throws UnreadablePhoto when it is not a picture, too large, or damaged
 */
export async function decodePhoto(bytes: Uint8Array): Promise<Photo> {
  if (bytes.byteLength > MAX_PHOTO_BYTES) {
    throw new UnreadablePhoto('too-large', 'This picture is larger than 15 MB. Send a smaller copy of it.');
  }
  const kind = sniffPhoto(bytes);
  if (!kind) {
    throw new UnreadablePhoto(
      'not-a-picture',
      'This file is not a picture that can be read. Use JPEG, PNG, WebP or HEIC.',
    );
  }
  const open = (ignoreIcc: boolean) => sharp(bytes, { limitInputPixels: MAX_PHOTO_PIXELS, ignoreIcc });
  const picture = kind === 'heic' ? await openHeic(bytes) : open(false);
  try {
    const { width = 0, height = 0, space, icc } = await picture.metadata();
    assertPixelCount(width * height);
    const colourProfile = space === 'srgb' ? icc : undefined;
    const { data, info } = await (colourProfile ? open(true) : picture)
      .autoOrient()
      .flatten({ background: '#ffffff' })
      .toColourspace('srgb')
      .removeAlpha()
      .raw({ depth: 'uchar' })
      .toBuffer({ resolveWithObject: true });
    const rgb = info.channels === 3 ? plainBytes(data) : spreadGrey(data, info.channels);
    return { data: rgb, width: info.width, height: info.height, colourProfile };
  } catch (cause) {
    if (cause instanceof UnreadablePhoto) throw cause;
    if (/pixel limit/i.test(String(cause))) assertPixelCount(Infinity);
    throw damaged(cause);
  }
}

function assertPixelCount(count: number): void {
  if (count > MAX_PHOTO_PIXELS) {
    throw new UnreadablePhoto(
      'too-many-pixels',
      'This picture has more than 60 million pixels. Send a smaller copy of it.',
    );
  }
}

const damaged = (cause: unknown) =>
  new UnreadablePhoto('damaged', 'This picture is damaged and cannot be opened. Take it again or send another copy.', {
    cause,
  });

function spreadGrey(data: Uint8Array, channels: number): Uint8Array {
  const out = new Uint8Array((data.length / channels) * 3);
  for (let i = 0, o = 0; i < data.length; i += channels) {
    out[o++] = data[i]!;
    out[o++] = data[i]!;
    out[o++] = data[i]!;
  }
  return out;
}

/** HEVC-coded HEIF goes through libheif (WebAssembly); sharp's own build has no HEVC decoder. */
async function openHeic(bytes: Uint8Array): Promise<Sharp> {
  try {
    const images = await heicDecode().all({ buffer: bytes });
    const first = images[0];
    if (!first) throw new Error('no image inside');
    assertPixelCount(first.width * first.height);
    const { data, width, height } = await first.decode();
    images.dispose();
    return sharp(data, { raw: { width, height, channels: 4 } });
  } catch (cause) {
    if (cause instanceof UnreadablePhoto) throw cause;
    throw damaged(cause);
  }
}
