import type { HandOverRule } from '@dossier/contract';
import type { HandOverSource } from '@dossier/core/exchange/handOver';

/** Whose fields are filled. */
export type Kind = 'lead' | 'contact' | 'company';

type Step = HandOverRule['steps'][number];
export type StepKind = Step['do'];

export const STEP_NAMES: Readonly<Record<StepKind, string>> = {
  join: 'Join them',
  first: 'Only the first',
  part: 'A part of it',
  upper: 'In capitals',
  lower: 'In small letters',
  countryName: 'Country by its name',
  countryCode: 'Country by its letters',
  lookUp: 'Look up in a table',
  date: 'Day written as',
  cut: 'Cut to',
};

/** A step as it begins. */
export const NEW_STEPS: { readonly [K in StepKind]: Extract<Step, { do: K }> } = {
  join: { do: 'join', with: ' ' },
  first: { do: 'first' },
  part: { do: 'part', at: ' ', take: 0 },
  upper: { do: 'upper' },
  lower: { do: 'lower' },
  countryName: { do: 'countryName', language: 'en' },
  countryCode: { do: 'countryCode' },
  lookUp: { do: 'lookUp', rows: [{ from: '', to: '' }], otherwise: '' },
  date: { do: 'date', format: 'DD.MM.YYYY' },
  cut: { do: 'cut', length: 40 },
};

const seen = (sign: string): string => (sign === ' ' ? 'a space' : sign.trim() === '' ? 'nothing' : `“${sign}”`);

/** A step in a few words. */
export function stepWords(step: Step): string {
  switch (step.do) {
    case 'join':
      return `joined with ${seen(step.with)}`;
    case 'part':
      return `part ${step.take >= 0 ? step.take + 1 : `${-step.take} from the end`} at ${seen(step.at)}`;
    case 'lookUp':
      return `looked up in ${step.rows.length} ${step.rows.length === 1 ? 'row' : 'rows'}`;
    case 'date':
      return `as ${step.format}`;
    case 'cut':
      return `cut to ${step.length}`;
    case 'countryName':
      return `country by name (${step.language})`;
    default:
      return STEP_NAMES[step.do].toLowerCase();
  }
}

/** What goes into a field, in one line. */
export function ruleWords({ from, fixed, steps }: HandOverRule, sources: readonly HandOverSource[]): string {
  const what = fixed !== null ? `always “${fixed}”` : from.map((key) => sources.find((one) => one.key === key)?.label ?? key).join(' + '); // prettier-ignore
  return [what || 'nothing yet', ...steps.map(stepWords)].join(', ');
}
