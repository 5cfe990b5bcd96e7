import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { photoFiles } from './photoFiles';
import { readFiles } from './readFiles';

/**
 * The project's own figures: how well and how fast photographs with truth are read. Takes the folder
 * of photographs given, else the evaluation set beside the checkout when it is there; always the demo set.
 */
const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const given = process.argv[2];
const evaluation = given ?? join(root, '../shared/cards');
const scorer = join(evaluation, 'score.mjs');
const outFolder = join(root, '.data/bench');
mkdirSync(outFolder, { recursive: true });

interface PhotoSet {
  name: string;
  photos: string;
  truth: string;
}
const sets: PhotoSet[] = [
  { name: 'evaluation', photos: join(evaluation, 'photos'), truth: join(evaluation, 'truth.json') },
  { name: 'demo', photos: join(root, 'demo/photos'), truth: join(root, 'demo/photos/truth.json') },
].filter((set) => existsSync(set.truth));

const figures: Record<string, unknown> = {};
for (const { name, photos, truth } of sets) {
  const files = photoFiles([photos]);
  const cpuBefore = process.cpuUsage();
  const predictions = await readFiles(files, (done) => {
    if (process.stderr.isTTY) process.stderr.write(`\r${name} ${done}/${files.length}  `);
  });
  const cpu = process.cpuUsage(cpuBefore);
  const file = join(outFolder, `${name}.predictions.json`);
  writeFileSync(file, JSON.stringify(predictions));
  const ms = Object.values(predictions)
    .map((p) => p.ms)
    .sort((a, b) => a - b);
  const quantile = (q: number) => ms[Math.min(ms.length - 1, Math.floor(q * ms.length))]!;
  figures[name] = {
    photographs: ms.length,
    cards: Object.values(predictions).reduce((sum, p) => sum + p.cards.length, 0),
    secondsMedian: quantile(0.5) / 1000,
    seconds95: quantile(0.95) / 1000,
    processorSecondsAPhotograph: (cpu.user + cpu.system) / 1e6 / ms.length,
    memoryMB: Math.round(process.memoryUsage.rss() / 2 ** 20),
  };
  console.log(`\n== ${name}`);
  if (existsSync(scorer))
    console.log(
      execFileSync(process.execPath, [scorer, truth, file, '--json', join(outFolder, `${name}.json`)], {
        encoding: 'utf8',
      }),
    );
}
console.log(JSON.stringify(figures, null, 1));
writeFileSync(join(outFolder, 'figures.json'), JSON.stringify(figures, null, 1));
