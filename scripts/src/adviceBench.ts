import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  adviceFor,
  isTooDark,
  LIVE_LONG_SIDE,
  viewFrame,
  type Advice,
  type PictureQuality,
} from '@dossier/core/capture';
import { ReadingPool } from '@dossier/reader';
import sharp from 'sharp';

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
  /** Whether the live camera would call it too dark. */
  tooDarkLive: boolean;
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
      const bytes = readFileSync(join(folder, photo.file));
      const { read } = await pool.read(bytes);
      tell(++done, single.length);
      const cards = read.whole ? [read.whole] : read.cards;
      return {
        photo,
        quality: cards.flatMap(({ reading }) => reading.quality ?? []),
        tooDarkLive: await seeLive(bytes),
      };
    }),
  );
  pool.close();
  return measured;
}

async function seeLive(bytes: Buffer): Promise<boolean> {
  const { data, info } = await sharp(bytes)
    .rotate()
    .resize(LIVE_LONG_SIDE, LIVE_LONG_SIDE, { fit: 'inside' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return isTooDark(viewFrame({ data: new Uint8ClampedArray(data), width: info.width, height: info.height }));
}

/** How often each advice is given where it is called for, and only there. */
export function measureAdvice(measured: readonly MeasuredPhoto[]): Record<Advice['code'] | 'darkLive', AdviceFigures> {
  const figures = {} as Record<Advice['code'] | 'darkLive', AdviceFigures>;
  for (const code of Object.keys(CALLS_FOR) as Advice['code'][]) {
    figures[code] = count(measured, ({ photo, quality }) => ({
      wanted: CALLS_FOR[code](photo),
      given: quality.some((one) => adviceFor(one).some((advice) => advice.code === code)),
    }));
  }
  figures.darkLive = count(measured, ({ photo, tooDarkLive }) => ({
    wanted: CALLS_FOR.dark(photo),
    given: tooDarkLive,
  }));
  return figures;
}

function count(
  measured: readonly MeasuredPhoto[],
  ask: (one: MeasuredPhoto) => { wanted: boolean; given: boolean },
): AdviceFigures {
  const asked = measured.map(ask);
  return {
    wanted: asked.filter(({ wanted }) => wanted).length,
    given: asked.filter(({ given }) => given).length,
    right: asked.filter(({ wanted, given }) => wanted && given).length,
  };
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
