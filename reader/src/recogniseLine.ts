import type { Point, Quad } from '@dossier/core/capture';
import type { ReadCharacter, ReadLine } from '@dossier/core/reading';
import { withDoubtsOf } from './compareReadings';
import { decodeCtc, meanProbability, trimSpaces } from './decodeCtc';
import { lineCrop } from './lineCrop';
import { BACKBONE_FEATURES, type Recogniser } from './models';
import type { Pixels } from './pixels';
import { recogniseHan } from './recogniseHan';
import { toBgrTensor, UNIT_RANGE } from './tensor';

/** Lines read with less than this mean probability are texture, not text (measured). */
const LEAST_CONFIDENCE = 0.5;

/** What is no Latin script is read as some with a mean probability of 0.6 to 0.75, or as nothing (measured). */
const PERHAPS_HAN = 0.8;

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
  const confidence = meanProbability(characters);
  const han = confidence < PERHAPS_HAN ? await recogniseHan(card, quad) : undefined;
  if (han) return lineOf(han, quad);
  return confidence < LEAST_CONFIDENCE ? undefined : lineOf(characters, quad);
}

const lineOf = (characters: ReadCharacter[], quad: Quad): ReadLine => ({
  text: characters.map((c) => c.text).join(''),
  quad,
  characters,
  confidence: meanProbability(characters),
});

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
