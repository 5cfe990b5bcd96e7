import type { NewOpportunity, Opportunity, PipelineSettings } from '@dossier/contract';
import type { Part } from '@dossier/core/pipeline';
import { amountOf } from '@/lib/money';

/** A piece of business as it is written in a form: numbers are words until they are sent. */
export interface Draft {
  title: string;
  value: string;
  currency: string;
  expectedOn: string;
  chance: string;
  about: string[];
  stageId: string;
  ownerId: string;
  occasionId: string;
  people: { personId: string; fullName: string; part: Part }[];
}

export const emptyDraft = ({ currency, stages }: PipelineSettings, title = ''): Draft => ({
  title,
  value: '',
  currency,
  expectedOn: '',
  chance: '',
  about: [],
  stageId: stages[0]!.id,
  ownerId: '',
  occasionId: '',
  people: [],
});

export const draftOf = (one: Opportunity): Draft => ({
  title: one.title,
  value: one.value === null ? '' : String(one.value),
  currency: one.currency,
  expectedOn: one.expectedOn ?? '',
  chance: one.ownChance === null ? '' : String(one.ownChance),
  about: one.about,
  stageId: one.stageId,
  ownerId: one.owner.id,
  occasionId: one.occasion?.id ?? '',
  people: one.people.map(({ personId, fullName, part }) => ({ personId, fullName, part })),
});

/** What is wrong with it, by field; nothing where it can be sent. */
export function complaintsOf({ title, value, currency, chance }: Draft): Partial<Record<keyof Draft, string>> {
  const complaints: Partial<Record<keyof Draft, string>> = {};
  if (!title.trim()) complaints.title = 'Write what it is called.';
  if (value.trim() && amountOf(value) === undefined) complaints.value = 'Write an amount such as 12,400 or 99.50.';
  if (!/^[A-Z]{3}$/.test(currency)) complaints.currency = 'Write three letters, such as EUR.';
  if (chance.trim() && !/^(?:100|\d{1,2})$/.test(chance.trim())) complaints.chance = 'Write a number from 0 to 100.';
  return complaints;
}

/** As it is sent. */
export const fieldsOf = (draft: Draft, companyId: string | null): Omit<NewOpportunity, 'stageId' | 'id'> => ({
  title: draft.title.trim(),
  companyId,
  value: draft.value.trim() ? amountOf(draft.value)! : null,
  currency: draft.currency,
  expectedOn: draft.expectedOn || null,
  chance: draft.chance.trim() ? Number(draft.chance) : null,
  about: draft.about,
  ownerId: draft.ownerId || null,
  occasionId: draft.occasionId || null,
  people: draft.people.map(({ personId, part }) => ({ personId, part })),
});
