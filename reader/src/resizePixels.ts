import sharp from 'sharp';
import { plainBytes, type Pixels } from './pixels';

/** Area-averaging resize to exactly width × height. */
export async function resizePixels(pixels: Pixels, width: number, height: number): Promise<Pixels> {
  if (width === pixels.width && height === pixels.height) return pixels;
  const data = await sharp(pixels.data, {
    raw: { width: pixels.width, height: pixels.height, channels: 3 },
    limitInputPixels: false,
  })
    .resize(width, height, { fit: 'fill', kernel: width < pixels.width ? 'lanczos2' : 'cubic' })
    .raw()
    .toBuffer();
  return { data: plainBytes(data), width, height };
}

/** Cuts out an upright rectangle, clamped to the picture. */
export async function cropPixels(
  pixels: Pixels,
  box: { left: number; top: number; right: number; bottom: number },
): Promise<{ pixels: Pixels; left: number; top: number }> {
  const left = Math.max(0, Math.floor(box.left));
  const top = Math.max(0, Math.floor(box.top));
  const width = Math.max(1, Math.min(pixels.width, Math.ceil(box.right)) - left);
  const height = Math.max(1, Math.min(pixels.height, Math.ceil(box.bottom)) - top);
  const out = new Uint8Array(width * height * 3);
  for (let row = 0; row < height; row++) {
    const from = ((top + row) * pixels.width + left) * 3;
    out.set(pixels.data.subarray(from, from + width * 3), row * width * 3);
  }
  return { pixels: { data: out, width, height }, left, top };
}
