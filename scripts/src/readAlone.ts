import { readFileSync } from 'node:fs';
import { ReadingPool } from '@dossier/reader';

export interface AloneFigures {
  photographs: number;
  /** Milliseconds from bytes to the reading. */
  medianMs: number;
  p95Ms: number;
}

/** How long a reading takes when nothing else is read meanwhile, as when somebody takes a single photograph. */
export async function readAlone(files: readonly string[]): Promise<AloneFigures> {
  const pool = new ReadingPool(1);
  const times: number[] = [];
  try {
    for (const file of files) times.push((await pool.read(readFileSync(file))).ms);
  } finally {
    pool.close();
  }
  times.sort((a, b) => a - b);
  const at = (share: number) => Math.round(times[Math.floor(share * (times.length - 1))] ?? 0);
  return { photographs: times.length, medianMs: at(0.5), p95Ms: at(0.95) };
}
