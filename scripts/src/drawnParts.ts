import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Quad } from '@dossier/core/capture';
import { printedCards, type PrintedCard } from '@dossier/core/fixtures/printed-cards';
import { drawPrinted, type DrawnCard, layoutNames, typefaces, variedCard } from '@dossier/demo/printed';
import { randomFrom } from '@dossier/demo/season';
import { readFiles, type DeskCard } from './readFiles';

/**
 * Three parts of drawn cards that have neither a layout, a typeface nor a text in common: weights are fitted on the first, held against what
 * was right on the second, and judged on the third, whose single errors nobody looks at.
 */
export type Part = 'fit' | 'choose' | 'seal';

/** So many of five texts, of the layouts and of the typefaces belong to each. */
const SHARES: Readonly<Record<Part, (i: number, of: number) => boolean>> = {
  fit: (i, of) => i < Math.round(0.6 * of),
  choose: (i, of) => i >= Math.round(0.6 * of) && i < Math.round(0.8 * of),
  seal: (i, of) => i >= Math.round(0.8 * of),
};

export interface PartCard {
  card: PrintedCard;
  quad: Quad;
}

export interface ReadPart {
  drawn: PartCard[];
  desk: DeskCard[];
}

/** The printed cards of a part, as they are. */
export const textsOf = (part: Part): PrintedCard[] => printedCards().filter((_, i) => SHARES[part](i % 5, 5));

/**
 * Draws cards of made-up people that no table knows, half of them under harsh conditions, and reads them. What was read is kept in a folder.
 * @param rounds how often each text is drawn, anew each time @param again draws it though it is there
 */
export async function readPart(part: Part, seed: number, rounds: number, folder: string, again = false): Promise<ReadPart> {
  const file = join(folder, `${part}-${seed}-${rounds}.json`);
  if (!again && existsSync(file)) return JSON.parse(readFileSync(file, 'utf8')) as ReadPart;
  const photos = join(folder, `${part}-${seed}`);
  rmSync(photos, { recursive: true, force: true });
  mkdirSync(photos, { recursive: true });
  const of = <T>(list: readonly T[]) => list.filter((_, i) => SHARES[part](i, list.length));
  const [texts, like] = [textsOf(part), printedCards()];
  const drawRound = async (round: number): Promise<PartCard[]> => {
    const drawn: PartCard[] = [];
    const roundSeed = seed * 100 + round;
    const cards = texts.map((card, i) => variedCard(card, like, randomFrom(roundSeed * 7_919 + i)));
    const from = { layouts: of(layoutNames), typefaces: of(typefaces), harsh: round % 2 === 1 };
    const keep = ({ photo, card, quad }: DrawnCard) => {
      writeFileSync(join(photos, `${round * texts.length + drawn.length}.jpg`), photo);
      drawn.push({ card, quad });
    };
    await drawPrinted(cards, roundSeed, keep, from);
    return drawn;
  };
  const drawn = (await Promise.all(Array.from({ length: rounds }, (_, round) => drawRound(round)))).flat();
  const desk: DeskCard[] = [];
  const files = drawn.map((_, i) => join(photos, `${i}.jpg`));
  await readFiles(files, (done) => tell(part, done, files.length), {}, (card) => desk.push(card), true);
  const read = { drawn, desk };
  writeFileSync(file, JSON.stringify(read));
  return read;
} // prettier-ignore

const tell = (part: Part, done: number, of: number) => {
  if (process.stderr.isTTY) process.stderr.write(`\r${part} ${done}/${of}  `);
  else if (done % 100 === 0) console.error(`${part} ${done}/${of}`);
};
