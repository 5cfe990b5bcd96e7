import type { PlanAct, PlanStep } from '@dossier/contract';
import { formatDistanceStrict, isPast } from 'date-fns';

/** What a step can do, in the order in which it is offered. */
export const ACT_WORDS: Readonly<Record<PlanAct['do'], string>> = {
  message: 'Send an e-mail',
  letter: 'Print a letter',
  call: 'Call them',
  task: 'Something to do',
  tags: 'Change tags',
  kind: 'Lead or contact',
  handOver: 'Hand over',
  branch: 'Go another way',
};

const ENDINGS: Readonly<Record<string, string>> = {
  done: 'Done',
  stopped: 'Stopped',
  answered: 'Ended: they answered',
  booked: 'Ended: they booked',
  bounced: 'Ended: mail came back',
  withdrawn: 'Ended: they want no more',
  closed: 'Ended: closed',
  deleted: 'Ended: deleted',
  merged: 'Ended: the same person was in it',
};
export const endingWords = (ending: string | null): string => ENDINGS[ending ?? 'done'] ?? 'Ended';

/** "in 3 days", "now": how far away a step is. */
export const whenThere = (iso: string, now = new Date()): string =>
  isPast(iso) ? 'now' : formatDistanceStrict(new Date(iso), now, { addSuffix: true });

/** Steps that do not say yet what they do, counted from 1. */
export const unfilledSteps = (steps: readonly Pick<PlanStep, 'act'>[]): number[] =>
  steps.flatMap(({ act }, place) =>
    ('templateId' in act && !act.templateId) || ('text' in act && !act.text.trim()) || ('destinationId' in act && !act.destinationId) // prettier-ignore
      ? [place + 1]
      : [],
  );

const together = new Intl.ListFormat('en-GB');
export const unfilledWords = (unfilled: readonly number[]): string =>
  `Fill in ${unfilled.length > 1 ? 'steps' : 'step'} ${together.format(unfilled.map(String))} first.`;
