import { readFileSync } from 'node:fs';
import { ReadingPool } from '@dossier/reader';

export interface Endurance {
  photographs: number;
  /** Memory of the reading process in MB after each tenth of them. */
  memoryMB: number[];
}

/** Reads photographs one after another in one reading process, over and over, and watches its memory. */
export async function endure(files: readonly string[], count: number): Promise<Endurance> {
  const pool = new ReadingPool(1);
  const memoryMB: number[] = [];
  try {
    for (let i = 1; i <= count; i++) {
      const { residentBytes } = await pool.read(readFileSync(files[i % files.length]!));
      if (i % Math.ceil(count / 10) === 0) memoryMB.push(Math.round(residentBytes / 2 ** 20));
      if (process.stderr.isTTY) process.stderr.write(`\rendurance ${i}/${count}  `);
    }
  } finally {
    pool.close();
  }
  return { photographs: count, memoryMB };
}
