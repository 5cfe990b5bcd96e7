import type { Point, Quad } from '@dossier/core/capture';
import type { ReadCharacter, ReadLine } from '@dossier/core/reading';
import { withDoubtsOf } from './compareReadings';
import { lineCrop } from './lineCrop';
import { BACKBONE_FEATURES, type Recogniser } from './models';
import type { Pixels } from './pixels';
import { toBgrTensor, UNIT_RANGE } from './tensor';

const ALTERNATIVES = 3;
const LEAST_ALTERNATIVE = 0.002;
/** Lines read with less than this mean probability are texture, not text (measured). */
const LEAST_CONFIDENCE = 0.5;

/** A letter beside a joined one that holds it is believed from this probability on. */
const SURE_HALF = 0.9;
/** A line whose least sure character is below this is looked at once more. */
const DOUBTFUL = 0.9;
/** The second look takes in this much more above and below, in line heights. */
const SECOND_MARGIN = 0.08;

/**
 * Reads one line of a card picture; a doubtful one a second time with more of its surroundings, and
 * the surer reading stands, with doubts where the two differ (measured on 153 doubtful lines: 98
 * instead of 88 read exactly).
 * @returns undefined when nothing legible is there
 */
export async function recogniseLine(models: Recogniser, card: Pixels, quad: Quad): Promise<ReadLine | undefined> {
  const first = await charactersIn(models, card, quad);
  const doubtful = first.some((c) => c.probability < DOUBTFUL);
  const second = doubtful ? await charactersIn(models, card, growUpAndDown(quad, SECOND_MARGIN)) : [];
  const [chosen, other] = sureness(second) > sureness(first) ? [second, first] : [first, second];
  const characters = doubtful ? withDoubtsOf(chosen, other) : chosen;
  if (characters.length === 0) return undefined;
  const confidence = characters.reduce((sum, c) => sum + c.probability, 0) / characters.length;
  if (confidence < LEAST_CONFIDENCE) return undefined;
  return { text: characters.map((c) => c.text).join(''), quad, characters, confidence };
}

async function charactersIn(models: Recogniser, card: Pixels, quad: Quad): Promise<ReadCharacter[]> {
  const input = toBgrTensor(lineCrop(card, quad), UNIT_RANGE, UNIT_RANGE);
  const features = await models.backbone.run({ [models.backbone.inputNames[0]!]: input }, [...BACKBONE_FEATURES]);
  const output = await models.latinHead.run(features);
  const probabilities = output[models.latinHead.outputNames[0]!]!;
  const [, steps, classes] = probabilities.dims as [number, number, number];
  return trimSpaces(
    withoutHalves(withoutDotlessI(decodeCtc(probabilities.data as Float32Array, steps, classes, models.charset))),
  );
}

/** Geometric mean of the characters' probabilities; 0 for none. */
function sureness(characters: readonly ReadCharacter[]): number {
  if (characters.length === 0) return 0;
  return Math.exp(characters.reduce((sum, c) => sum + Math.log(c.probability), 0) / characters.length);
}

function growUpAndDown([a, b, c, d]: Quad, share: number): Quad {
  const moved = (p: Point, from: Point): Point => [p[0] + (p[0] - from[0]) * share, p[1] + (p[1] - from[1]) * share];
  return [moved(a, d), moved(b, c), moved(c, b), moved(d, a)];
}

/**
 * Best-path decoding of connectionist temporal classification (Graves et al. 2006): runs of one
 * class become one character, blanks (class 0) separate. A character's probability is the peak of
 * its run, its place the mean of the run's steps.
 * @param probabilities steps × classes
 */
export function decodeCtc(
  probabilities: Float32Array,
  steps: number,
  classes: number,
  charset: readonly string[],
): ReadCharacter[] {
  const characters: ReadCharacter[] = [];
  let run: { best: number; from: number; peak: number; peakStep: number } | undefined;
  const close = (end: number) => {
    if (!run || run.best === 0) return;
    const row = probabilities.subarray(run.peakStep * classes, (run.peakStep + 1) * classes);
    characters.push({
      text: charset[run.best - 1]!,
      probability: run.peak,
      alternatives: alternativesOf(row, run.best, charset),
      at: (run.from + end) / 2 / steps,
    });
  };
  for (let step = 0; step < steps; step++) {
    let best = 0;
    let peak = -1;
    for (let c = 0; c < classes; c++) {
      const p = probabilities[step * classes + c]!;
      if (p > peak) {
        peak = p;
        best = c;
      }
    }
    if (run?.best === best) {
      if (peak > run.peak) Object.assign(run, { peak, peakStep: step });
      continue;
    }
    close(step);
    run = { best, from: step, peak, peakStep: step };
  }
  close(steps);
  return characters;
}

function alternativesOf(row: Float32Array, best: number, charset: readonly string[]) {
  const found: { text: string; probability: number }[] = [];
  row.forEach((probability, c) => {
    if (c !== 0 && c !== best && probability >= LEAST_ALTERNATIVE) found.push({ text: charset[c - 1]!, probability });
  });
  return found.sort((a, b) => b.probability - a.probability).slice(0, ALTERNATIVES);
}

function trimSpaces(characters: ReadCharacter[]): ReadCharacter[] {
  const isSpace = (c: ReadCharacter) => c.text === ' ';
  let from = 0;
  let to = characters.length;
  while (from < to && isSpace(characters[from]!)) from++;
  while (to > from && isSpace(characters[to - 1]!)) to--;
  return characters.slice(from, to).filter((c, i, all) => !(isSpace(c) && i > 0 && isSpace(all[i - 1]!)));
}

/** Letters that are half of a joined one. */
const HALVES: Readonly<Record<string, string>> = { æ: 'ae', œ: 'oe', Æ: 'AE', Œ: 'OE' };

/** The head sometimes sees half of a joined letter before the whole ("Vaærk"): what it is unsure of falls away. */
export function withoutHalves(characters: ReadCharacter[]): ReadCharacter[] {
  const isHalf = (c: ReadCharacter, other: ReadCharacter | undefined) =>
    c.probability < SURE_HALF && Boolean(other && HALVES[other.text]?.includes(c.text));
  return characters.filter((c, i) => !isHalf(c, characters[i + 1]) && !isHalf(c, characters[i - 1]));
}

/**
 * The head sees a dotless i beside letters joined in a ligature ("Offiıcer"): next to an i it is that
 * letter's own stem and falls away; elsewhere it is an i, Turkish being outside the languages read.
 */
function withoutDotlessI(characters: ReadCharacter[]): ReadCharacter[] {
  return characters
    .filter((c, i) => c.text !== 'ı' || (characters[i - 1]?.text !== 'i' && characters[i + 1]?.text !== 'i'))
    .map((c) => (c.text === 'ı' ? { ...c, text: 'i' } : c));
}
