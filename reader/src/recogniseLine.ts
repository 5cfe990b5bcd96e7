import { renameCorners, type Point, type Quad } from '@dossier/core/capture';
import type { ReadCharacter, ReadLine } from '@dossier/core/reading';
import { withDoubtsOf, withMarksOf } from './compareReadings';
import { decodeCtc, meanProbability, trimSpaces } from './decodeCtc';
import { LINE_HEIGHT, lineCrop } from './lineCrop';
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
/** Of a line in capitals the marks above them are looked for this much higher (measured on 54 lines that have some: 47 instead of 30 read exactly). */
const ROOM_FOR_MARKS = 0.1;

/**
 * Reads one line of a card picture. Of a line along the card's side nothing but what it says tells whether it is read upward
 * or downward: it is read both ways and the surer reading stands.
 * @returns undefined when nothing legible is there
 */
export async function recogniseLine(models: Recogniser, card: Pixels, quad: Quad): Promise<ReadLine | undefined> {
  const line = await readOneWay(models, card, quad);
  if (!runsAlongSide(quad)) return line;
  const other = await readOneWay(models, card, renameCorners(quad, 2));
  return (other?.confidence ?? 0) > (line?.confidence ?? 0) ? other : line;
}

const runsAlongSide = ([a, b]: Quad): boolean => Math.abs(b[1] - a[1]) > Math.abs(b[0] - a[0]);

/**
 * Reads a line in the direction of its corners; a doubtful one a second time with more of its surroundings, and
 * the surer reading stands, with doubts where the two differ (measured on 153 doubtful lines: 98
 * instead of 88 read exactly).
 */
async function readOneWay(models: Recogniser, card: Pixels, quad: Quad): Promise<ReadLine | undefined> {
  const first = await charactersIn(models, card, quad);
  const doubtful = first.some((c) => c.probability < DOUBTFUL);
  const second = doubtful ? await charactersIn(models, card, growUpAndDown(quad, SECOND_MARGIN, SECOND_MARGIN)) : [];
  const [chosen, other] = sureness(second) > sureness(first) ? [second, first] : [first, second];
  const settled = doubtful ? withDoubtsOf(chosen, other) : chosen;
  const characters = isInCapitals(settled) ? await withMarksAbove(models, card, quad, settled) : settled;
  const confidence = meanProbability(characters);
  const han = confidence < PERHAPS_HAN ? await recogniseHan(card, quad) : undefined;
  if (han) return lineOf(han, quad);
  return confidence < LEAST_CONFIDENCE ? undefined : lineOf(characters, quad);
}

/** Characters of a line in capitals, with the marks that its outline may have cut off. */
async function withMarksAbove(
  models: Recogniser,
  card: Pixels,
  quad: Quad,
  characters: ReadCharacter[],
): Promise<ReadCharacter[]> {
  const crop = lineCrop(card, growUpAndDown(quad, ROOM_FOR_MARKS, 0));
  return hasInkAbove(crop) ? withMarksOf(characters, await charactersOf(models, crop)) : characters;
}

/** Rows at the top of a line's picture that hold nothing but what stands above its own outline, and the edge of that. */
const ROWS_ABOVE = Math.ceil((LINE_HEIGHT * ROOM_FOR_MARKS) / (1 + ROOM_FOR_MARKS)) + 1;
/** Marks differ from the ground beside them by this share of what differs most in the line. */
const INK = 0.25;

/** Whether something stands out from the ground in the uppermost rows of a line's picture. */
export function hasInkAbove({ data, width, height }: Pixels): boolean {
  const range = (x: number, rows: number): [number, number] => {
    let [least, most] = [255, 0];
    for (let y = 0; y < rows; y++) {
      const level = data[(y * width + x) * 3 + 1]!;
      if (level < least) least = level;
      if (level > most) most = level;
    }
    return [least, most];
  };
  const columns = Array.from({ length: width }, (_, x) => [range(x, height), range(x, ROWS_ABOVE)] as const);
  const contrast = Math.max(...columns.map(([[least, most]]) => most - least));
  return columns.some(([, [least, most]], x) => {
    // Light that changes along the line is no ink: a mark is looked for beside its neighbours.
    const [leastBefore, mostBefore] = columns[Math.max(0, x - 2)]![1];
    return Math.max(most, mostBefore) - Math.min(least, leastBefore) > INK * contrast;
  });
}

const lineOf = (characters: ReadCharacter[], quad: Quad): ReadLine => ({
  text: characters.map((c) => c.text).join(''),
  quad,
  characters,
  confidence: meanProbability(characters),
});

const charactersIn = (models: Recogniser, card: Pixels, quad: Quad): Promise<ReadCharacter[]> =>
  charactersOf(models, lineCrop(card, quad));

async function charactersOf(models: Recogniser, crop: Pixels): Promise<ReadCharacter[]> {
  const input = toBgrTensor(crop, UNIT_RANGE, UNIT_RANGE);
  const features = await models.backbone.run({ [models.backbone.inputNames[0]!]: input }, [...BACKBONE_FEATURES]);
  const output = await models.latinHead.run(features);
  const probabilities = output[models.latinHead.outputNames[0]!]!;
  const [, steps, classes] = probabilities.dims as [number, number, number];
  return trimSpaces(
    withoutHalves(withoutDotlessI(decodeCtc(probabilities.data as Float32Array, steps, classes, models.charset))),
  );
}

/** Three capitals at least, and no small letter. */
function isInCapitals(characters: readonly ReadCharacter[]): boolean {
  const text = characters.map((c) => c.text).join('');
  return /\p{Lu}{3}/u.test(text) && !/\p{Ll}/u.test(text);
}

/** Geometric mean of the characters' probabilities; 0 for none. */
function sureness(characters: readonly ReadCharacter[]): number {
  if (characters.length === 0) return 0;
  return Math.exp(characters.reduce((sum, c) => sum + Math.log(c.probability), 0) / characters.length);
}

export function growUpAndDown([a, b, c, d]: Quad, up: number, down: number): Quad {
  const moved = (p: Point, from: Point, share: number): Point => [
    p[0] + (p[0] - from[0]) * share,
    p[1] + (p[1] - from[1]) * share,
  ];
  return [moved(a, d, up), moved(b, c, up), moved(c, b, down), moved(d, a, down)];
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
