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
    const cv = withoutItsProcessListeners(
      () => createRequire(import.meta.url)('@techstark/opencv-js') as OpenCv & { onRuntimeInitialized?: () => void },
    );
    if (typeof cv.Mat === 'function') resolve({ cv });
    else cv.onRuntimeInitialized = () => resolve({ cv });
  });
  return loading;
}

/** The module wants to handle every uncaught error of the process, and prints its own ten megabytes with each. */
function withoutItsProcessListeners<T>(load: () => T): T {
  const events = ['uncaughtException', 'unhandledRejection'] as const;
  const before = events.map((event) => new Set<unknown>(process.listeners(event as 'uncaughtException')));
  const loaded = load();
  events.forEach((event, i) => {
    for (const listener of process.listeners(event as 'uncaughtException')) {
      if (!before[i]!.has(listener)) process.removeListener(event, listener);
    }
  });
  return loaded;
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
