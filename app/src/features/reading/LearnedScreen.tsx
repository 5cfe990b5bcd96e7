import type { LearnedItem } from '@dossier/contract';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, CannotShow, EmptyPage, Heading, LoadingLines, Notice, Page, Soft, Subheading, Text } from '@/ui';
import { useLearnedQuery, useRevokeLearnedMutation } from './learnedApi';

const GROUPS: readonly { kind: LearnedItem['kind']; title: string }[] = [
  { kind: 'company', title: 'How firms are written' },
  { kind: 'phone', title: 'Office numbers' },
  { kind: 'address', title: 'Office addresses' },
  { kind: 'title', title: 'Words for positions' },
];

/** What filed cards have taught, used for the next cards; each can be forgotten. */
export function LearnedScreen() {
  const { data, error, refetch } = useLearnedQuery();
  if (error) return <CannotShow title="This cannot be shown" error={error} onRetry={refetch} />;
  if (!data) return <LoadingLines lines={5} />;
  if (data.items.length === 0)
    return (
      <EmptyPage title="Nothing learned yet">
        What you correct and file — how a firm is written, its office, a title Dossier did not know — helps with the
        firm’s next card, and is listed here.
      </EmptyPage>
    );
  return (
    <Page measure={680}>
      <View className="gap-6">
        <View className="gap-2">
          <Heading>Learned from your cards</Heading>
          <Soft>Used when the next card of the same firm is read. Forget what is not right.</Soft>
        </View>
        {GROUPS.map(({ kind, title }) => {
          const items = data.items.filter((item) => item.kind === kind);
          return items.length === 0 ? null : (
            <View key={kind} className="gap-1">
              <Subheading>{title}</Subheading>
              {items.map((item) => (
                <LearnedRow key={item.id} item={item} />
              ))}
            </View>
          );
        })}
      </View>
    </Page>
  );
}

function LearnedRow({ item }: { item: LearnedItem }) {
  const [revoke, { isLoading, error }] = useRevokeLearnedMutation();
  const may = useMay();
  const { id, kind, text, domain, times, at, actor, revoked } = item;
  const waits = kind === 'phone' && times < 2 ? '. A number is used once two people’s cards have it' : '';
  const origin = `${counted(times, 'person', 'people')}, last by ${actor}, ${formatWhen(at)}${waits}`;
  return (
    <View className="gap-1 border-b border-rule py-2">
      <View className="flex-row items-center gap-3">
        <View className="min-w-0 flex-1">
          <Text className={revoked ? 'text-soft line-through' : ''}>{text}</Text>
          <Soft>{domain ? `${domain} · ${origin}` : origin}</Soft>
        </View>
        {may('settle') ? (
          <Button
            look="bare"
            busy={isLoading}
            label={revoked ? `Use ${text} again` : `Forget ${text}`}
            onPress={() => void revoke({ id, revoked: !revoked })}
          >
            {revoked ? 'Use again' : 'Forget'}
          </Button>
        ) : null}
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
