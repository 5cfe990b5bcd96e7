/**
 * What the recogniser's backbone makes of drawn lines, for `train.py`:
 *
 *     tsx reader/training/features.mts FOLDER --from 0 --to 64000
 *
 * Works through the parts that `draw.py` writes, waiting for none: a part not yet drawn ends the work.
 * For each line one byte a value: 480×3×(width/4) of the convolutions, then (width/8)×120 of the
 * neck. A value is kept as the square root of its place between the two limits below.
 */
import { existsSync, readFileSync, renameSync, unlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { Tensor } from 'onnxruntime-node';
import { BACKBONE_FEATURES, loadModels } from '../src/models';
import { LINE_HEIGHT } from '../src/lineCrop';

/** Least value and span of each tensor on drawn lines; `train.py` has the same. */
const LIMITS = [
  { least: -1.35, span: 86 },
  { least: -0.3, span: 10 },
] as const;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { from: { type: 'string' }, to: { type: 'string' }, kind: { type: 'string', default: 'lines' } },
});
const folder = positionals[0]!;
const PART = 1000;

const { backbone } = await loadModels();

for (let start = Number(values.from); start < Number(values.to); start += PART) {
  const name = join(folder, `${values.kind}-${String(start).padStart(6, '0')}`);
  if (existsSync(`${name}.features`)) continue;
  const labels = JSON.parse(readFileSync(`${name}.json`, 'utf8')) as { width: number }[];
  const crops = readFileSync(`${name}.crops`);
  const parts: Uint8Array[] = [];
  let at = 0;
  for (const { width } of labels) {
    const size = LINE_HEIGHT * width * 3;
    parts.push(...(await featuresOf(crops.subarray(at, at + size), width)));
    at += size;
  }
  writeFileSync(`${name}.part`, Buffer.concat(parts));
  renameSync(`${name}.part`, `${name}.features`);
  unlinkSync(`${name}.crops`);
  process.stderr.write(`${name}\n`);
}

async function featuresOf(crop: Uint8Array, width: number): Promise<Uint8Array[]> {
  const plane = LINE_HEIGHT * width;
  const input = new Float32Array(3 * plane);
  for (let i = 0; i < plane; i++) {
    for (let channel = 0; channel < 3; channel++) input[channel * plane + i] = crop[i * 3 + channel]! / 127.5 - 1;
  }
  const output = await backbone.run(
    { [backbone.inputNames[0]!]: new Tensor('float32', input, [1, 3, LINE_HEIGHT, width]) },
    [...BACKBONE_FEATURES],
  );
  return BACKBONE_FEATURES.map((tensor, k) => {
    const source = output[tensor]!.data as Float32Array;
    const { least, span } = LIMITS[k]!;
    const bytes = new Uint8Array(source.length);
    for (let i = 0; i < bytes.length; i++) {
      bytes[i] = Math.round(255 * Math.sqrt(Math.min(1, Math.max(0, (source[i]! - least) / span))));
    }
    return bytes;
  });
}
