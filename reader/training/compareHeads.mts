/**
 * Reads the same lines with several heads and says how many each reads exactly:
 *
 *     npx tsx reader/training/compareHeads.mts HEAD.onnx [HEAD.onnx …] [--cards FOLDER] [--wrong]
 *
 * FOLDER (default ../shared/cards) holds photographs with truth. Cards are cut out along their true outlines, lines
 * where the detector finds them, so that only the heads differ. `--wrong` lists what the last head misreads.
 */
import { readFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { InferenceSession } from 'onnxruntime-node';
import { applyHomography, centre, contains, homographyBetween, rectangle, type Quad } from '@dossier/core/capture';
import { editDistance } from '@dossier/core/reading';
import { decodePhoto } from '../src/decodePhoto';
import { loadModels, type Models } from '../src/models';
import { readLines } from '../src/readLines';
import { uprightCard } from '../src/uprightCard';

interface TruePhoto {
  file: string;
  tier: string;
  cards: { quad: Quad; lines: { text: string; quad: Quad }[] }[];
}
interface Score {
  lines: number;
  exact: number;
  characters: number;
  wrong: number;
}

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { cards: { type: 'string', default: '../shared/cards' }, wrong: { type: 'boolean', default: false } },
});
const folder = resolve(values.cards);
const photos = JSON.parse(await readFile(join(folder, 'truth.json'), 'utf8')) as TruePhoto[];
const shipped = await loadModels();
const heads: Models[] = await Promise.all(
  positionals.map(async (path) => ({
    ...shipped,
    latinHead: await InferenceSession.create(path, { intraOpNumThreads: 1, logSeverityLevel: 3 }),
  })),
);
const scores = heads.map(() => new Map<string, Score>());

for (const photo of photos) {
  const pixels = await decodePhoto(await readFile(join(folder, photo.file)));
  for (const card of photo.cards) {
    const upright = await uprightCard(shipped, pixels, { quad: card.quad, upright: true });
    const { width, height } = upright.picture;
    const toCard = homographyBetween(card.quad, rectangle(0, 0, width, height));
    for (const [i, models] of heads.entries()) {
      const read = await readLines(models, upright.picture, upright.lines);
      for (const line of card.lines) {
        const place = line.quad.map((p) => applyHomography(toCard, p)) as unknown as Quad;
        const inside = read.filter((r) => contains(place, centre(r.quad)));
        // What the detector missed or joined with another line says nothing about a head.
        if (inside.length !== 1) continue;
        const text = inside[0]!.text;
        const wrong = editDistance(text, line.text);
        if (wrong > line.text.length / 2) continue;
        for (const tier of ['all', photo.tier]) add(scores[i]!, tier, line.text, wrong);
        if (values.wrong && wrong > 0 && i === heads.length - 1) console.log(`${photo.tier}\t${line.text}\t${text}`);
      }
    }
  }
}
for (const [i, path] of positionals.entries()) {
  console.log(path);
  for (const [tier, score] of scores[i]!) {
    const share = (part: number, whole: number) => ((100 * part) / whole).toFixed(2);
    console.log(
      `  ${tier}: ${score.lines} lines, exact ${share(score.exact, score.lines)} %, characters wrong ${share(score.wrong, score.characters)} %`,
    );
  }
}

function add(of: Map<string, Score>, tier: string, truth: string, wrong: number) {
  const score = of.get(tier) ?? { lines: 0, exact: 0, characters: 0, wrong: 0 };
  of.set(tier, score);
  score.lines++;
  score.characters += truth.length;
  score.wrong += wrong;
  if (wrong === 0) score.exact++;
}
