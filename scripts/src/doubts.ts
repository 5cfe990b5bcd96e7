import { intersectionOverUnion, type Quad } from '@dossier/core/capture';
import { doubtBelow, type FieldName } from '@dossier/core/reading';

/** One value as a person sees it on the desk, or one that is not there. */
export interface Shown {
  /** `name`, `title`, `company`, `emails`, `phones` or what else the truth tells. */
  key: string;
  right: boolean;
  /** Of the least sure part, 0–1; undefined where nothing is shown. */
  confidence: number | undefined;
}

/** What a card needs to be filed without an edit; a postal address is proved by few. */
const KEY = new Set(['name', 'title', 'company', 'emails', 'phones']);

export interface DoubtFigures {
  cards: number;
  /** Cards that are shown without any mark, and those of them that are wrong or lack something in a key field. */
  clean: number;
  cleanWrong: number;
  /** Fields shown without a mark, and those of them that are wrong. */
  unmarked: number;
  unmarkedWrong: number;
  /** Marks, and those that stand on something wrong. */
  marks: number;
  marksWrong: number;
  /** Share of cards clean and of those wrong where an error costs so many looks. */
  curve: { looks: number; clean: number; wrong: number }[];
  /** Mean distance of confidence from what was right, over bins of as many fields. */
  calibrationError: number;
}

const FIELDS: Readonly<Record<string, FieldName>> = { name: 'familyName', emails: 'email', phones: 'phone' };

/** Whether a value is shown with a mark. @param looks that an error in a key field costs */
export const isMarked = ({ key, confidence }: Shown, looks?: number): boolean =>
  confidence !== undefined && confidence < doubtBelow(FIELDS[key] ?? (key as FieldName), looks);
/** Whether a card can be filed without an edit. */
export const isWithoutEdit = (card: readonly Shown[]): boolean =>
  card.every(({ key, right }) => right || !KEY.has(key));

/** How far marks can be believed. @param cards what is shown of each */
export function doubtsOf(cards: readonly (readonly Shown[])[]): DoubtFigures {
  const shown = cards.flat().filter(({ confidence }) => confidence !== undefined);
  const [marks, unmarked] = [shown.filter((f) => isMarked(f)), shown.filter((f) => !isMarked(f))];
  const cleanAt = (looks?: number) => cards.filter((card) => !card.some((field) => isMarked(field, looks)));
  const clean = cleanAt();
  return {
    cards: cards.length,
    clean: clean.length,
    cleanWrong: clean.filter((card) => !isWithoutEdit(card)).length,
    unmarked: unmarked.length,
    unmarkedWrong: unmarked.filter(({ right }) => !right).length,
    marks: marks.length,
    marksWrong: marks.filter(({ right }) => !right).length,
    curve: [3, 4, 5, 6, 7, 8, 9, 10, 12, 15, 20].map((looks) => {
      const at = cleanAt(looks);
      return {
        looks,
        clean: at.length / cards.length,
        wrong: at.filter((card) => !isWithoutEdit(card)).length / Math.max(1, at.length),
      };
    }),
    calibrationError: calibrationError(shown),
  };
}

const BINS = 10;

function calibrationError(shown: readonly Shown[]): number {
  const sorted = shown.toSorted((a, b) => a.confidence! - b.confidence!);
  const size = Math.ceil(sorted.length / BINS);
  const bins = Array.from({ length: BINS }, (_, i) => sorted.slice(i * size, (i + 1) * size)).filter((bin) => bin.length > 0); // prettier-ignore
  return bins.reduce((sum, bin) => {
    const mean = bin.reduce((all, { confidence }) => all + confidence!, 0) / bin.length;
    const right = bin.filter((field) => field.right).length / bin.length;
    return sum + (Math.abs(mean - right) * bin.length) / shown.length;
  }, 0);
}

/** A share and the interval in which it lies with 95 % (E. B. Wilson 1927). */
export function share(part: number, of: number): string {
  if (of === 0) return 'none';
  const z = 1.96;
  const p = part / of;
  const middle = (p + (z * z) / (2 * of)) / (1 + (z * z) / of);
  const half = (z / (1 + (z * z) / of)) * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of));
  const percent = (x: number) => (100 * x).toFixed(1);
  return `${percent(p)} % (${percent(Math.max(0, middle - half))}–${percent(Math.min(1, middle + half))}; ${part} of ${of})`;
}

export const describeDoubts = (f: DoubtFigures): string =>
  [
    `cards shown without any mark      ${share(f.clean, f.cards)}`,
    `  of those wrong in a key field   ${share(f.cleanWrong, f.clean)}`,
    `fields without a mark wrong       ${share(f.unmarkedWrong, f.unmarked)}`,
    `marks that stand on something wrong ${share(f.marksWrong, f.marks)}`,
    `confidence off by                 ${(100 * f.calibrationError).toFixed(1)} points`,
    `if an error cost so many looks (clean / of those wrong)  ${f.curve.map((c) => `${c.looks}: ${(100 * c.clean).toFixed(0)} / ${(100 * c.wrong).toFixed(1)}`).join('   ')}`,
  ].join('\n');

const SAME_CARD = 0.5;

/** The card of a photograph that lies where one is known to. */
export const cardAt = <T extends { photoId: string; quad: Quad }>(desk: readonly T[], photoId: string, quad: Quad): T | undefined =>
  desk.find((card) => card.photoId === photoId && intersectionOverUnion(card.quad, quad) >= SAME_CARD); // prettier-ignore
