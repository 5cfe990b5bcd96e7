import type { Action, Change } from '@dossier/contract';
import { View } from 'react-native';
import { formatWhen } from '@/lib/formatDate';
import { personFieldLabel } from '@/lib/fieldLabels';
import { CardImage, cardPicture, Soft, Subheading, Text } from '@/ui';

interface Props {
  changes: readonly Change[];
  /** Cards whose pictures are kept: what came from one is shown beside it. */
  cardIds: readonly string[];
}

/** What was done to this record, newest first, with the card that a value came from. */
export const History = ({ changes, cardIds }: Props) => (
  <View className="gap-4">
    <Subheading>History</Subheading>
    {changes.map((change) => (
      <View key={change.id} className="flex-row gap-3">
        <View className="min-w-0 flex-1 gap-1">
          <Text>
            {WORDS[change.action](change.actor)}
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

/** What a record begins with is on the page already. */
const FIRST = new Set<Action>(['filed', 'filedByItself']);

const WORDS: Record<Action, (actor: string) => string> = {
  filed: (actor) => `Filed from a card by ${actor}`,
  filedByItself: (actor) => `Filed by Dossier from a card of ${actor}`,
  updated: (actor) => `Updated from a card by ${actor}`,
  newJob: (actor) => `New job, from a card by ${actor}`,
  edited: (actor) => `Changed by ${actor}`,
  merged: (actor) => `Merged with another record by ${actor}`,
  unmerged: (actor) => `Merge undone by ${actor}`,
  consentGiven: (actor) => `Consent noted by ${actor}`,
  consentWithdrawn: (actor) => `Consent withdrawn, noted by ${actor}`,
  deleted: (actor) => `Deleted by ${actor}`,
  restored: (actor) => `Brought back by ${actor}`,
  erased: (actor) => `Erased by ${actor}`,
};

const LABELS: Readonly<Record<string, string>> = {
  kind: 'Kind',
  tags: 'Tags',
  rating: 'Rating',
  owner: 'Owner',
  consent: 'Consent',
};
const labelOf = (field: string): string => LABELS[field] ?? personFieldLabel(field);
