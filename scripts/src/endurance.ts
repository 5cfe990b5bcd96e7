import { readFileSync } from 'node:fs';
import { loadModels, readPhoto } from '@dossier/reader';

export interface Endurance {
  photographs: number;
  /** Resident memory in MB after each tenth of them. */
  memoryMB: number[];
}

/** Reads photographs one after another in this process, over and over, and watches its memory. */
export async function endure(files: readonly string[], count: number): Promise<Endurance> {
  await loadModels();
  const memoryMB: number[] = [];
  for (let i = 1; i <= count; i++) {
    await readPhoto(readFileSync(files[i % files.length]!));
    if (i % Math.ceil(count / 10) === 0) memoryMB.push(Math.round(process.memoryUsage.rss() / 2 ** 20));
    if (process.stderr.isTTY) process.stderr.write(`\rendurance ${i}/${count}  `);
  }
  return { photographs: count, memoryMB };
}
