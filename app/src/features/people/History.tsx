import type { Action, Change } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { formatWhen } from '@/lib/formatDate';
import { personFieldLabel } from '@/lib/fieldLabels';
import { CardImage, cardPicture, Select, Soft, Subheading, Text } from '@/ui';

interface Props {
  changes: readonly Change[];
  /** Cards whose pictures are kept: what came from one is shown beside it. */
  cardIds: readonly string[];
}

/** What was done to this record, newest first, with the card that a value came from. */
export function History({ changes, cardIds }: Props) {
  const [kind, setKind] = useState<Kind>('all');
  const kinds = KINDS.filter(({ value }) => value === 'all' || changes.some(({ action }) => OF[action] === value));
  const shown = changes.filter(({ action }) => kind === 'all' || OF[action] === kind);
  return (
    <View role="region" aria-label="History" className="gap-4">
      <View className="flex-row flex-wrap items-center justify-between gap-x-3">
        <Subheading>History</Subheading>
        {kinds.length > 2 ? (
          <Select label="What of the history" options={kinds} value={kind} onChange={setKind} />
        ) : null}
      </View>
      {shown.map((change) => (
        <View key={change.id} className="flex-row gap-3">
          <View className="min-w-0 flex-1 gap-1">
            <Text>
              {change.action === 'filed' && !change.cardId
                ? `Added without a card by ${change.actor}`
                : WORDS[change.action](change.actor)}
              <Soft>{`  ${formatWhen(change.at)}`}</Soft>
            </Text>
            {FIRST.has(change.action)
              ? null
              : change.changes.map(({ field, before, after }) => (
                  <Soft key={field} className="pl-4">
                    {labelOf(field)}: {before || 'nothing'} → {after || 'nothing'}
                  </Soft>
                ))}
            {change.action === 'updated' && change.changes.length === 0 ? (
              <Soft className="pl-4">Nothing changed.</Soft>
            ) : null}
          </View>
          {change.cardId && cardIds.includes(change.cardId) ? (
            <CardImage src={cardPicture(change.cardId, 'thumbnail')} alt="The card it came from" width={76} />
          ) : null}
        </View>
      ))}
    </View>
  );
}

type Kind = 'all' | 'cards' | 'talk' | 'messages' | 'changes' | 'consent';
const KINDS: readonly { value: Kind; label: string }[] = [
  { value: 'all', label: 'Everything' },
  { value: 'cards', label: 'Cards' },
  { value: 'talk', label: 'Notes, calls and visits' },
  { value: 'messages', label: 'Messages and plans' },
  { value: 'changes', label: 'Changes' },
  { value: 'consent', label: 'Consent' },
];
const OF: Record<Action, Exclude<Kind, 'all'>> = {
  filed: 'cards',
  filedByItself: 'cards',
  updated: 'cards',
  newJob: 'cards',
  edited: 'changes',
  merged: 'changes',
  unmerged: 'changes',
  deleted: 'changes',
  restored: 'changes',
  erased: 'changes',
  consentGiven: 'consent',
  consentWithdrawn: 'consent',
  noted: 'talk',
  called: 'talk',
  visited: 'talk',
  noteChanged: 'talk',
  noteRemoved: 'talk',
  stepPlanned: 'talk',
  stepDone: 'talk',
  stepDropped: 'talk',
  shared: 'changes',
  shareEnded: 'changes',
  wroteTo: 'messages',
  answered: 'messages',
  planStarted: 'messages',
  planEnded: 'messages',
  qualified: 'changes',
  unqualified: 'changes',
  booked: 'talk',
  bookingMoved: 'talk',
  bookingCalledOff: 'talk',
};

/** What a record begins with is on the page already. */
const FIRST = new Set<Action>(['filed', 'filedByItself']);

const WORDS: Record<Action, (actor: string) => string> = {
  filed: (actor) => `Filed from a card by ${actor}`,
  filedByItself: (actor) => `Filed by Dossier from a card of ${actor}`,
  updated: (actor) => `Updated from a card by ${actor}`,
  newJob: (actor) => `New job, from a card by ${actor}`,
  edited: (actor) => (actor ? `Changed by ${actor}` : 'Changed by a plan'),
  merged: (actor) => `Merged with another record by ${actor}`,
  unmerged: (actor) => `Merge undone by ${actor}`,
  consentGiven: (actor) => `Consent noted by ${actor}`,
  consentWithdrawn: (actor) => (actor ? `Consent withdrawn, noted by ${actor}` : 'Consent withdrawn by themselves'),
  deleted: (actor) => `Deleted by ${actor}`,
  restored: (actor) => `Brought back by ${actor}`,
  erased: (actor) => `Erased by ${actor}`,
  noted: (actor) => `Note by ${actor}`,
  called: (actor) => `Called by ${actor}`,
  visited: (actor) => `Visited by ${actor}`,
  noteChanged: (actor) => `Note changed by ${actor}`,
  noteRemoved: (actor) => `Note removed by ${actor}`,
  stepPlanned: (actor) => (actor ? `Task made by ${actor}` : 'Task made by a plan'),
  stepDone: (actor) => `Task done, said by ${actor}`,
  stepDropped: (actor) => `Task dropped by ${actor}`,
  shared: (actor) => `A link to this card made by ${actor}`,
  shareEnded: (actor) => `A link to this card taken back by ${actor}`,
  wroteTo: (actor) => (actor ? `Written to by ${actor}` : 'Written to by a plan'),
  answered: () => 'They answered',
  planStarted: (actor) => `Plan begun by ${actor}`,
  planEnded: (actor) => (actor ? `Plan stopped by ${actor}` : 'Plan ended'),
  qualified: (actor) => `Qualified by ${actor}`,
  unqualified: (actor) => `Made a lead again by ${actor}`,
  booked: () => 'They booked a talk',
  bookingMoved: () => 'The talk was moved',
  bookingCalledOff: () => 'The talk was called off',
};

const LABELS: Readonly<Record<string, string>> = {
  kind: 'Kind',
  tags: 'Tags',
  rating: 'Rating',
  status: 'Status',
  closed: 'Closed',
  owner: 'Owner',
  occasion: 'Occasion',
  consent: 'Consent',
  note: 'Note',
  step: 'Task',
  message: 'Message',
  plan: 'Plan',
  talk: 'Talk',
  withdrawnBy: 'Proof',
};
const labelOf = (field: string): string => LABELS[field] ?? personFieldLabel(field);
