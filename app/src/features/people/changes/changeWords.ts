import type { ChangePreview, LeftWhy, PeopleChange, PeopleChangeState } from '@dossier/contract';
import { counted } from '@/lib/counted';
import { personFieldLabel } from '@/lib/fieldLabels';

export const people = (count: number): string => counted(count, 'person', 'people');

/** What is said of those who stay as they are. */
const WHY: Readonly<Record<LeftWhy, string>> = {
  tooManyTags: 'they would have too many tags',
  nameless: 'nothing would be left to find them by',
  noCard: 'they have no card',
  gone: 'they were deleted',
  changedSince: 'they were changed since',
  noLead: 'they are contacts, not leads',
};

/** What a change of many would do, sentence by sentence. */
export function previewWords({ changed, same, left }: ChangePreview): string[] {
  const words = [changed === 0 ? 'Nobody would be different.' : `${people(changed)} will be different.`];
  if (same > 0) words.push(same === 1 ? '1 is so already.' : `${same.toLocaleString('en')} are so already.`);
  for (const { why, people: count, names } of left)
    words.push(`${people(count)} stay${count === 1 ? 's' : ''} as ${count === 1 ? 'it is' : 'they are'}, because ${WHY[why]}: ${named(names, count)}.`); // prettier-ignore
  return words;
}

const named = (names: readonly string[], count: number): string => {
  const shown = names.map((name) => name || 'somebody without a name').join(', ');
  return count > names.length ? `${shown} and ${(count - names.length).toLocaleString('en')} more` : shown;
};

/** What is changed, in one line. */
export function whatWords(
  what: PeopleChange,
  { owner, occasion, plan }: Pick<PeopleChangeState, 'owner' | 'occasion' | 'plan'>,
): string {
  const quoted = (words: readonly string[]) => words.map((word) => `“${word}”`).join(', ');
  const words: string[] = [];
  if (what.addTags?.length) words.push(`tags ${quoted(what.addTags)} added`);
  if (what.removeTags?.length) words.push(`tags ${quoted(what.removeTags)} taken away`);
  if (what.ownerId) words.push(`given to ${owner ?? 'a colleague'}`);
  if (what.kind) words.push(what.kind === 'lead' ? 'made leads' : 'made contacts');
  if (what.rating !== undefined) words.push(what.rating ? `rated “${what.rating}”` : 'rating taken away');
  if (what.status !== undefined) words.push(what.status ? `status “${what.status}”` : 'status taken away');
  if (what.closed !== undefined) words.push(what.closed ? `closed: “${what.closed.reason}”` : 'opened again');
  if (what.occasionId !== undefined) words.push(what.occasionId ? `moved to ${occasion ?? 'an occasion'}` : 'occasion taken away'); // prettier-ignore
  if (what.field)
    words.push(
      what.field.value
        ? `${personFieldLabel(what.field.name)} set to “${what.field.value}”`
        : `${personFieldLabel(what.field.name)} emptied`,
    );
  if (what.note) words.push(`note “${what.note.length > 60 ? `${what.note.slice(0, 60)}…` : what.note}” added`);
  if (what.planId) words.push(`put into the plan “${plan ?? 'that is gone'}”`);
  if (what.deleted) words.push('deleted');
  return words.join(', ');
}

/** How far a change of many is, or how it ended. */
export function stateWords({ state, done, total, changed, leftTotal }: PeopleChangeState): string {
  const left = leftTotal > 0 ? ` ${people(leftTotal)} left as they are.` : '';
  switch (state) {
    case 'waiting':
    case 'running':
      return `Changing ${people(total)}: ${done.toLocaleString('en')} gone through.`;
    case 'undoing':
      return `Taking back: ${done.toLocaleString('en')} of ${people(total)}.`;
    case 'undone':
      return `${people(changed)} ${changed === 1 ? 'is' : 'are'} as before.${left}`;
    case 'stopped':
      return `Stopped: ${people(changed)} changed, the others are as they were.${left}`;
    case 'done':
      return `${people(changed)} changed.${left}`;
  }
}

/** Who was left as they are, and why. */
export const leftWords = ({ fullName, why, field }: PeopleChangeState['left'][number]): string =>
  `${fullName || 'Somebody without a name'}: ${why === 'changedSince' && field ? `${personFieldLabel(field)} was changed since` : WHY[why]}`;
