import { Tensor } from 'onnxruntime-node';
import type { Pixels } from './pixels';

/** Picture to a 1×3×H×W float tensor in blue, green, red order: (value/255 − mean) / deviation. */
export function toBgrTensor(
  { data, width, height }: Pixels,
  mean: readonly [number, number, number],
  deviation: readonly [number, number, number],
  paddedWidth = width,
): Tensor {
  const plane = paddedWidth * height;
  const out = new Float32Array(plane * 3);
  const [blueScale, greenScale, redScale] = deviation.map((d) => 1 / (255 * d)) as [number, number, number];
  const [blueShift, greenShift, redShift] = mean.map((m, i) => m / deviation[i]!) as [number, number, number];
  let i = 0;
  for (let y = 0; y < height; y++) {
    let o = y * paddedWidth;
    for (let x = 0; x < width; x++, o++, i += 3) {
      out[o] = data[i + 2]! * blueScale - blueShift;
      out[o + plane] = data[i + 1]! * greenScale - greenShift;
      out[o + 2 * plane] = data[i]! * redScale - redShift;
    }
  }
  return new Tensor('float32', out, [1, 3, height, paddedWidth]);
}

/** Mean and deviation that map 0…255 to −1…1. */
export const UNIT_RANGE = [0.5, 0.5, 0.5] as const;
