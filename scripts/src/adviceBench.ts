import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { adviceFor, type Advice, type PictureQuality } from '@dossier/core/capture';
import { ReadingPool } from '@dossier/reader';

/** A photograph with truth: what is wrong with it stands in its tags. */
interface TaggedPhoto {
  file: string;
  tags?: readonly string[];
  /** Height in pixels of the smallest letter without ascenders, such as "x". */
  minXHeightPx?: number;
  cards: readonly unknown[];
}

/** Below this a letter has too few pixels for much else to be wrong with the picture. */
const SMALL_X_HEIGHT = 10;

/** Which photographs call for which advice, by their truth. */
const CALLS_FOR: Record<Advice['code'], (photo: TaggedPhoto) => boolean> = {
  still: ({ tags = [] }) => tags.includes('motion-blur') || tags.includes('defocus'),
  dark: ({ tags = [] }) => tags.includes('dim'),
  closer: ({ minXHeightPx = Infinity }) => minXHeightPx < SMALL_X_HEIGHT,
};

export interface AdviceFigures {
  /** Photographs that call for it, that were given it, and both. */
  wanted: number;
  given: number;
  right: number;
}

export interface MeasuredPhoto {
  photo: TaggedPhoto;
  quality: readonly PictureQuality[];
}

/** Reads photographs with truth and measures how good their pictures are. Sheets of several cards have advice card by card and are left out. */
export async function measurePictures(
  folder: string,
  tell: (done: number, of: number) => void,
): Promise<MeasuredPhoto[]> {
  const truth = JSON.parse(readFileSync(join(folder, 'truth.json'), 'utf8')) as TaggedPhoto[];
  const single = truth.filter(({ cards }) => cards.length === 1);
  const pool = new ReadingPool(2);
  let done = 0;
  const measured = await Promise.all(
    single.map(async (photo) => {
      const { read } = await pool.read(readFileSync(join(folder, photo.file)));
      tell(++done, single.length);
      const cards = read.whole ? [read.whole] : read.cards;
      return { photo, quality: cards.flatMap(({ reading }) => reading.quality ?? []) };
    }),
  );
  pool.close();
  return measured;
}

/** How often each advice is given where it is called for, and only there. */
export function measureAdvice(measured: readonly MeasuredPhoto[]): Record<Advice['code'], AdviceFigures> {
  const codes = Object.keys(CALLS_FOR) as Advice['code'][];
  return Object.fromEntries(
    codes.map((code) => {
      const figures: AdviceFigures = { wanted: 0, given: 0, right: 0 };
      for (const { photo, quality } of measured) {
        const isWanted = CALLS_FOR[code](photo);
        const isGiven = quality.some((one) => adviceFor(one).some((advice) => advice.code === code));
        figures.wanted += Number(isWanted);
        figures.given += Number(isGiven);
        figures.right += Number(isWanted && isGiven);
      }
      return [code, figures];
    }),
  ) as Record<Advice['code'], AdviceFigures>;
}

export function describeAdvice(figures: Record<string, AdviceFigures>): string {
  const share = (a: number, b: number) => (b === 0 ? '  –' : `${((100 * a) / b).toFixed(0)} %`.padStart(5));
  return [
    'advice     called for   given   precision   recall',
    ...Object.entries(figures).map(
      ([code, { wanted, given, right }]) =>
        `${code.padEnd(12)}${String(wanted).padStart(8)}${String(given).padStart(8)}${share(right, given).padStart(12)}${share(right, wanted).padStart(9)}`,
    ),
  ].join('\n');
}
