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
  for (let channel = 0; channel < 3; channel++) {
    const source = 2 - channel;
    const scale = 1 / (255 * deviation[channel]!);
    const shift = mean[channel]! / deviation[channel]!;
    for (let y = 0; y < height; y++) {
      const row = channel * plane + y * paddedWidth;
      for (let x = 0; x < width; x++) out[row + x] = data[(y * width + x) * 3 + source]! * scale - shift;
    }
  }
  return new Tensor('float32', out, [1, 3, height, paddedWidth]);
}

/** Mean and deviation that map 0…255 to −1…1. */
export const UNIT_RANGE = [0.5, 0.5, 0.5] as const;
