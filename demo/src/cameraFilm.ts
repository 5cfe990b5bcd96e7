import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';

const PHOTO = join(dirname(fileURLToPath(import.meta.url)), '../photos/harrowfield.jpg');

/** Writes a demo photograph as a one-frame YUV4MPEG2 film, which Chromium shows as its camera. */
export async function writeFilm(path: string): Promise<void> {
  const { data, info } = await sharp(PHOTO).raw().toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const luma = Buffer.alloc(width * height);
  const [blue, red] = [Buffer.alloc((width * height) / 4), Buffer.alloc((width * height) / 4)];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 3;
      const [r, g, b] = [data[at]!, data[at + 1]!, data[at + 2]!];
      // ITU-R BT.601, studio range.
      luma[y * width + x] = 16 + 0.257 * r + 0.504 * g + 0.098 * b;
      if (x % 2 || y % 2) continue;
      const half = (y / 2) * (width / 2) + x / 2;
      blue[half] = 128 - 0.148 * r - 0.291 * g + 0.439 * b;
      red[half] = 128 + 0.439 * r - 0.368 * g - 0.071 * b;
    }
  }
  mkdirSync(dirname(path), { recursive: true });
  const head = Buffer.from(`YUV4MPEG2 W${width} H${height} F5:1 Ip A1:1 C420jpeg\nFRAME\n`);
  writeFileSync(path, Buffer.concat([head, luma, blue, red]));
}
