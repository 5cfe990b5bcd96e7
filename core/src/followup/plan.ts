import type { Wait } from './calendar';

export type Happening = 'answered' | 'booked' | 'bounced';

/** What is done in one step. */
export type PlanAct =
  | { do: 'message' | 'letter'; templateId: string }
  | { do: 'task' | 'call'; text: string }
  | { do: 'tags'; add: string[]; remove: string[] }
  | { do: 'kind'; kind: 'contact' | 'lead' }
  | { do: 'handOver'; destinationId: string }
  /** Goes on at a later step where something has happened since the plan began, else with the next; `end` ends the plan. */
  | { do: 'branch'; when: Happening; goTo: string };

export interface PlanStep {
  id: string;
  /** Counted from when the step before was done. */
  wait: Wait;
  act: PlanAct;
}

export interface Plan {
  steps: readonly PlanStep[];
  /** What ends it by itself. Withdrawing, closing and deleting always do. */
  stopsAt: readonly Happening[];
}

/** Acts that reach the person: they wait for the morning and for the holidays to be over. */
export const reachesPerson = ({ do: what }: PlanAct): boolean => what === 'message';

export const END = 'end';
export type PlanComplaint = { stepId: string; words: string };

/** What is wrong with a plan; nothing for one that can be walked to its end. */
export function planComplaints({ steps, stopsAt }: Plan): PlanComplaint[] {
  const placeOf = new Map(steps.map(({ id }, place) => [id, place]));
  return steps.flatMap(({ id, act }, place): PlanComplaint[] => {
    if (act.do !== 'branch') return [];
    if (stopsAt.includes(act.when))
      return [{ stepId: id, words: 'The plan ends by itself when this happens: this step is never asked.' }];
    if (act.goTo !== END && (placeOf.get(act.goTo) ?? -1) <= place)
      return [{ stepId: id, words: 'A plan only goes forwards. Choose a later step.' }];
    return [];
  });
}
