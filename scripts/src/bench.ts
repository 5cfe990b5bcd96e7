import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { fileURLToPath } from 'node:url';
import { describeEffort, measureEffort } from './effort';
import { calibrate, describeCalibration, type TruthPhoto } from './calibration';
import { describeAdvice, measureAdvice, measurePictures } from './adviceBench';
import { describeDrawn, measureDrawn } from './drawnBench';
import { endure } from './endurance';
import { describeDoubts, doubtsOf } from './doubts';
import { describeSealed, measureSealed } from './sealedBench';
import { shownIn } from './shown';
import { describeMatching, measureMatching } from './matchingBench';
import { photoFiles, photoId } from './photoFiles';
import { readPlainly } from './plainWay';
import { readAlone } from './readAlone';
import { readFiles, type DeskCard } from './readFiles';

/**
 * The project's own figures: how well and how fast photographs with truth are read, beside the plain
 * way of doing it, and how far confidence can be trusted; how surely records of one person are found.
 *
 *     npm run bench -- [FOLDER] [--no-plain] [--endurance N] [--drawn SEED [--texts FOLDER]]
 *                      [--sealed SEED] [--only reading|advice|matching|drawn|sealed|endurance]
 *
 * FOLDER holds `truth.json`, `score.mjs` and `photos/`; without it the evaluation set beside the
 * checkout is taken when it is there; always the demo set. `--drawn SEED` draws printed cards in layouts and typefaces that
 * follow from the seed and reads their photographs. `--sealed SEED` does so with cards that nothing was fitted to, and tells how far marks
 * can be believed: take a new seed each time. `--endurance N` reads N photographs in a
 * row in one process and tells how its memory goes.
 */
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    'no-plain': { type: 'boolean' },
    endurance: { type: 'string' },
    drawn: { type: 'string' },
    texts: { type: 'string' },
    sealed: { type: 'string' },
    only: { type: 'string' },
  },
});
const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const evaluation = positionals[0] ?? join(root, '../shared/cards');
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
  { name: 'traced', photos: join(`${evaluation}-traced`, 'photos'), truth: join(`${evaluation}-traced`, 'truth.json') },
  { name: 'demo', photos: join(root, 'demo/photos'), truth: join(root, 'demo/photos/truth.json') },
].filter((set) => existsSync(set.truth));
const wanted = (part: string) => values.only === undefined || values.only === part;

const tell = (name: string, done: number, of: number) => {
  if (process.stderr.isTTY) process.stderr.write(`\r${name} ${done}/${of}  `);
};

function score(truth: string, predictions: object, name: string): string | undefined {
  const file = join(outFolder, `${name}.predictions.json`);
  writeFileSync(file, JSON.stringify(predictions));
  if (!existsSync(scorer)) return undefined;
  const json = join(outFolder, `${name}.json`);
  return execFileSync(process.execPath, [scorer, truth, file, '--json', json], { encoding: 'utf8' });
}

const figures: Record<string, unknown> = {};
for (const { name, photos, truth } of wanted('reading') ? sets : []) {
  const files = photoFiles([photos]);
  const started = performance.now();
  const desk: DeskCard[] = [];
  let seconds = 0;
  const tellFile = (done: number) => {
    seconds = (performance.now() - started) / 1000;
    tell(name, done, files.length);
  };
  const predictions = await readFiles(files, tellFile, {}, (card) => desk.push(card), true);
  const ms = Object.values(predictions)
    .map((p) => p.ms)
    .sort((a, b) => a - b);
  const quantile = (q: number) => ms[Math.min(ms.length - 1, Math.floor(q * ms.length))]!;
  const cards = Object.values(predictions).reduce((sum, p) => sum + p.cards.length, 0);
  const truths = JSON.parse(readFileSync(truth, 'utf8')) as TruthPhoto[];
  const tiers = [...new Set(truths.map((t) => t.tier))];
  const calibration = Object.fromEntries(
    [undefined, ...(tiers.length > 1 ? tiers : [])].map((tier) => [
      tier ?? 'all',
      calibrate(
        truths.filter((t) => tier === undefined || t.tier === tier),
        predictions,
      ),
    ]),
  );
  const single = new Set(truths.filter((t) => t.tier === 'phone').map((t) => t.id));
  const alone = await readAlone(files.filter((file) => single.size === 0 || single.has(photoId(file))));
  const fullest = truths.toSorted((a, b) => b.cards.length - a.cards.length)[0]!;
  const fullestFile = files.find((file) => photoId(file) === fullest.id)!;
  const aloneFullest = { cards: fullest.cards.length, ...(await readAlone([1, 2, 3, 4].map(() => fullestFile))) };
  const effort = Object.fromEntries(
    tiers.map((tier) => [tier ?? 'all', measureEffort(truths.filter((t) => t.tier === tier), desk)]), // prettier-ignore
  );
  const shown = shownIn(truths, desk);
  const doubts = {
    once: doubtsOf(shown.map(({ once }) => once)),
    twice: doubtsOf(shown.map(({ twice }) => twice)),
  };
  figures[name] = {
    photographs: ms.length,
    cards,
    secondsMedian: quantile(0.5) / 1000,
    seconds95: quantile(0.95) / 1000,
    cardsAnHour: Math.round((3600 * cards) / seconds),
    alone,
    aloneFullest,
    calibration,
    doubts,
    effort,
  };
  console.log(`\n== ${name}: read by Dossier`);
  console.log(score(truth, predictions, name) ?? '');
  for (const [tier, figure] of Object.entries(calibration))
    console.log(`-- confidence, ${tier}\n${describeCalibration(figure)}`);
  console.log(`-- doubts, read once\n${describeDoubts(doubts.once)}`);
  console.log(`-- doubts, read twice\n${describeDoubts(doubts.twice)}`);
  console.log(`-- acts on the desk to a right record\n${describeEffort(effort)}`);
  if (name === 'evaluation' && !values['no-plain']) {
    const plainly = await readPlainly(files, (done) => tell('plain way', done, files.length));
    console.log(`\n== ${name}: read the plain way (general OCR over the photograph, first matches)`);
    console.log(score(truth, plainly, `${name}-plain`) ?? '');
  }
}
if (wanted('advice')) {
  // Photographs whose truth says what is wrong with them; the demo's does not.
  const folders = [evaluation, `${evaluation}-traced`].filter((folder) => existsSync(join(folder, 'truth.json')));
  const measured = [];
  for (const folder of folders) measured.push(...(await measurePictures(folder, (done, of) => tell('pictures', done, of)))); // prettier-ignore
  figures.advice = measureAdvice(measured);
  console.log(`\n== advice about ${measured.length} pictures\n${describeAdvice(measureAdvice(measured))}`);
}
if (wanted('matching')) {
  const matching = [10_000, 100_000].map((records) => measureMatching(records, 1));
  figures.matching = matching;
  console.log(`\n== matching: drawn registers\n${matching.map(describeMatching).join('\n')}`);
}
if (values.drawn) {
  const drawn = await measureDrawn(Number(values.drawn), values.texts, join(outFolder, `drawn-${values.drawn}`));
  figures.drawn = drawn;
  console.log(`\n== printed cards, drawn\n${describeDrawn(drawn)}`);
}
if (values.sealed) {
  const sealed = await measureSealed(Number(values.sealed), join(outFolder, 'sealed'));
  figures.sealed = sealed;
  console.log(`\n== sealed cards, drawn\n${describeSealed(sealed)}`);
}
if (values.endurance) figures.endurance = await endure(photoFiles([sets[0]!.photos]), Number(values.endurance));
console.log(JSON.stringify(figures, null, 1));
writeFileSync(join(outFolder, 'figures.json'), JSON.stringify(figures, null, 1));
