import { foldTight } from '@dossier/core/text';
import { intersectionOverUnion, type Quad } from '@dossier/core/capture';
import type { CardPrediction } from '@dossier/core/reading';
import type { PhotoPrediction } from './readFiles';

type Fields = Record<string, unknown> & { address?: Record<string, unknown> | null };

export interface TruthPhoto {
  id: string;
  tier?: string;
  cards: { quad: Quad; fields: Fields; qr?: string }[];
}

export interface Calibration {
  /** By tenths of confidence: how many fields had it and how many of them were right. */
  bins: { from: number; to: number; fields: number; meanConfidence: number; right: number }[];
  cards: number;
  markedACard: number;
  /** Share of the fields shown without a doubt mark that are wrong. */
  wrongUnmarked: number;
  /** Share of the marked fields that are right all the same. */
  rightMarked: number;
  unmarked: number;
}

const EDGES = [0, 0.5, 0.6, 0.7, 0.8, 0.85, 0.9, 0.95, 0.98, 1.0001];
const LISTS = ['emails', 'phones', 'websites'];
const ADDRESS = ['street', 'postalCode', 'locality'];
const CHECKED = ['givenName', 'familyName', 'suffix', 'title', 'company', ...LISTS, ...ADDRESS];
const SAME_CARD = 0.5;

/**
 * Whether confidence means what it says: of the fields with a confidence, how many are right, and
 * how many wrong ones a person would be shown without a mark.
 */
export function calibrate(truth: readonly TruthPhoto[], predictions: Record<string, PhotoPrediction>): Calibration {
  const samples: { confidence: number; marked: boolean; right: boolean }[] = [];
  let cards = 0;
  for (const photo of truth) {
    for (const card of photo.cards) {
      const predicted = predictions[photo.id]?.cards.find((p) => intersectionOverUnion(p.quad, card.quad) >= SAME_CARD);
      if (!predicted) continue;
      cards++;
      for (const field of CHECKED) {
        const confidence = predicted.confidence[field];
        const right = isRight(field, card, predicted);
        if (confidence !== undefined && right !== undefined)
          samples.push({ confidence, marked: predicted.doubts.includes(field), right });
      }
    }
  }
  const unmarked = samples.filter((s) => !s.marked);
  const marked = samples.filter((s) => s.marked);
  const share = (of: readonly { right: boolean }[], right: boolean) =>
    of.length > 0 ? of.filter((s) => s.right === right).length / of.length : 0;
  const bins = EDGES.slice(0, -1).map((from, i) => {
    const inside = samples.filter((s) => s.confidence >= from && s.confidence < EDGES[i + 1]!);
    const mean = inside.reduce((sum, s) => sum + s.confidence, 0) / Math.max(1, inside.length);
    return {
      from,
      to: Math.min(1, EDGES[i + 1]!),
      fields: inside.length,
      meanConfidence: mean,
      right: share(inside, true),
    };
  });
  return {
    bins: bins.filter((bin) => bin.fields > 0),
    cards,
    markedACard: marked.length / Math.max(1, cards),
    wrongUnmarked: share(unmarked, false),
    rightMarked: share(marked, true),
    unmarked: unmarked.length,
  };
}

/** Undefined where the truth does not tell: what only the code on the card says. */
function isRight(field: string, card: TruthPhoto['cards'][number], predicted: CardPrediction): boolean | undefined {
  const value = (fields: Fields) => (ADDRESS.includes(field) ? fields.address?.[field] : fields[field]);
  const [expected, given] = [value(card.fields), value(predicted.fields as Fields)];
  if (!LISTS.includes(field)) {
    const titles = field === 'title' ? ((card.fields.titleAlt as string[] | undefined) ?? []) : [];
    if (expected === null && card.qr && foldTight(card.qr).includes(foldTight(String(given)))) return undefined;
    return [expected, ...titles].some((e) => normal(field, e) === normal(field, given));
  }
  const items = (list: unknown) => ((list as unknown[] | undefined) ?? []).map((v) => normal(field, v));
  const [want, have] = [items(expected), items(given)];
  const known = have.filter((v) => want.includes(v) || !card.qr || !foldTight(card.qr).includes(foldTight(v)));
  return known.every((v) => want.includes(v)) && want.every((v) => known.includes(v));
}

function normal(field: string, value: unknown): string {
  if (field === 'phones') return String((value as { e164?: string }).e164 ?? value);
  const text = String(value ?? '')
    .normalize('NFC')
    .toLowerCase();
  if (field === 'title') return text.replace(/[\s,/|·•&;-]|\band\b/g, '');
  return text.replace(/[\s.,-]/g, '');
}

export function describeCalibration({ bins, cards, markedACard, wrongUnmarked, rightMarked }: Calibration): string {
  const percent = (share: number) => `${(100 * share).toFixed(1).padStart(5)} %`;
  return [
    'confidence       fields    mean     right',
    ...bins.map(
      (b) =>
        `${b.from.toFixed(2)}–${b.to.toFixed(2)}     ${String(b.fields).padStart(8)}  ${percent(b.meanConfidence)}  ${percent(b.right)}`,
    ),
    `${cards} cards: ${markedACard.toFixed(2)} marked a card, wrong without a mark ${percent(wrongUnmarked)}, marked but right ${percent(rightMarked)}`,
  ].join('\n');
}
