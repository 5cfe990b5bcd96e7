import { createRequire } from 'node:module';
import type cvTypes from '@techstark/opencv-js';

export type OpenCv = typeof cvTypes;

let loading: Promise<{ cv: OpenCv }> | undefined;

/**
 * OpenCV compiled to WebAssembly, ready to use. It is wrapped in an object because the module
 * has a `then` of its own and must never be what a promise resolves to.
 */
export function openCv(): Promise<{ cv: OpenCv }> {
  loading ??= new Promise((resolve) => {
    const cv = createRequire(import.meta.url)('@techstark/opencv-js') as OpenCv & {
      onRuntimeInitialized?: () => void;
    };
    if (typeof cv.Mat === 'function') resolve({ cv });
    else cv.onRuntimeInitialized = () => resolve({ cv });
  });
  return loading;
}

/** Runs `work` with a way to register OpenCV objects, all of which are freed afterwards. */
export function withMats<T>(work: (keep: <M extends { delete(): void }>(mat: M) => M) => T): T {
  const kept: { delete(): void }[] = [];
  try {
    return work((mat) => {
      kept.push(mat);
      return mat;
    });
  } finally {
    for (const mat of kept) mat.delete();
  }
}
