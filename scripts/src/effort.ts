import { effortOf } from '@dossier/core/proof/effort';
import type { FieldName } from '@dossier/core/reading';
import type { TruthPhoto } from './calibration';
import { cardAt } from './doubts';
import type { DeskCard } from './readFiles';

export interface EffortFigure {
  cards: number;
  medianActs: number;
  meanActs: number;
  /** Cards that are right with the one act of filing them. */
  oneAct: number;
  /** Keys to type the same by hand, median. */
  medianTyping: number;
  /** How many times fewer acts than keys, over all cards. */
  timesFewer: number;
}

/** The truth's texts that are fields of the desk. */
const TEXTS: readonly FieldName[] = ['prefix', 'givenName', 'middleName', 'familyName', 'suffix', 'title', 'department', 'company']; // prettier-ignore
const PLACES: readonly FieldName[] = ['street', 'postalCode', 'locality'];

/** What an ideal user has to do on the desk for each card that was found, against typing it. */
export function measureEffort(truth: readonly TruthPhoto[], desk: readonly DeskCard[]): EffortFigure {
  const efforts = truth.flatMap((photo) =>
    photo.cards.flatMap((card) => {
      const found = cardAt(desk, photo.id, card.quad);
      return found ? [effortOf(found.proposal.fields, found.reading, wantedIn(card.fields))] : [];
    }),
  );
  const acts = efforts.map((e) => e.acts).sort((a, b) => a - b);
  const typing = efforts.map((e) => e.typing).sort((a, b) => a - b);
  const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
  const median = (values: readonly number[]) => values[Math.floor(values.length / 2)] ?? 0;
  return {
    cards: efforts.length,
    medianActs: median(acts),
    meanActs: sum(acts) / Math.max(1, acts.length),
    oneAct: acts.filter((a) => a === 1).length / Math.max(1, acts.length),
    medianTyping: median(typing),
    timesFewer: sum(typing) / Math.max(1, sum(acts)),
  };
}

function wantedIn(fields: TruthPhoto['cards'][number]['fields']): Partial<Record<FieldName, string[]>> {
  const one = (value: unknown) => (typeof value === 'string' && value !== '' ? [value] : []);
  const list = (value: unknown) => (Array.isArray(value) ? value : []) as unknown[];
  return {
    ...Object.fromEntries(TEXTS.map((field) => [field, one(fields[field])])),
    ...Object.fromEntries(PLACES.map((field) => [field, one(fields.address?.[field])])),
    email: list(fields.emails).flatMap(one),
    website: list(fields.websites).flatMap(one),
    phone: list(fields.phones).flatMap((phone) => one((phone as { e164?: string }).e164)),
  };
}

export const describeEffort = (figures: Readonly<Record<string, EffortFigure>>): string =>
  Object.entries(figures)
    .map(
      ([tier, f]) =>
        `${tier.padEnd(8)} ${f.cards} cards: median ${f.medianActs} acts, mean ${f.meanActs.toFixed(1)}, ${(100 * f.oneAct).toFixed(0)} % with one act; by hand ${f.medianTyping} keys, ${f.timesFewer.toFixed(0)} times more`,
    )
    .join('\n');
