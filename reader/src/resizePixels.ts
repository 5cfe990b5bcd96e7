import sharp from 'sharp';
import { plainBytes, type Pixels } from './pixels';

/** A part of a picture, in pixels of the whole. */
export interface Part {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** The whole pixels within a rectangle, as far as there are some. */
export function partWithin(
  { width, height }: Pixels,
  box: { left: number; top: number; right: number; bottom: number },
): Part {
  const left = Math.max(0, Math.floor(box.left));
  const top = Math.max(0, Math.floor(box.top));
  return {
    left,
    top,
    width: Math.max(1, Math.min(width, Math.ceil(box.right)) - left),
    height: Math.max(1, Math.min(height, Math.ceil(box.bottom)) - top),
  };
}

/** Area-averaging resize of a picture, or of a part of it, to exactly width × height. */
export async function resizePixels(
  { data, ...size }: Pixels,
  width: number,
  height: number,
  part: Part = { left: 0, top: 0, ...size },
): Promise<Pixels> {
  const isWhole = part.width === size.width && part.height === size.height;
  if (isWhole && width === size.width && height === size.height) return { data, ...size };
  const resized = await sharp(data, { raw: { ...size, channels: 3 }, limitInputPixels: false })
    .extract(part)
    .resize(width, height, { fit: 'fill', kernel: width < part.width ? 'lanczos2' : 'cubic' })
    .raw()
    .toBuffer();
  return { data: plainBytes(resized), width, height };
}
