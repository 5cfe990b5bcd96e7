import type { TrayItem } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { FlatList, Pressable, View } from 'react-native';
import { useSelector } from 'react-redux';
import { keptOrProposed, useCleanFiling } from './useCleanFiling';
import { holdUntil, sidesOf, Strip, useCardQuery } from '@/features/proof';
import { isClean, useTrayInfiniteQuery } from '@/features/tray';
import { problemText } from '@/lib/api';
import { selectWaitingRequests } from '@/lib/outbox';
import { Button, CannotShow, EmptyState, Heading, LoadingLines, Notice, Serif, Soft } from '@/ui';

/** Every card without a doubt at a glance: name, company and the strip of the name. What is not ticked off is filed in one act. */
export function ContactSheet() {
  const router = useRouter();
  const { data, error, refetch } = useTrayInfiniteQuery({});
  const requests = useSelector(selectWaitingRequests);
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const file = useCleanFiling();
  const filed = new Set(requests.filter((r) => !r.refusal).map((r) => r.cardId));
  const items = (data?.pages ?? []).flatMap((page) => page.items).filter((i) => isClean(i) && !filed.has(i.id));
  const chosen = items.filter(({ id }) => !out.has(id));
  if (error && !data) {
    return <CannotShow title="The tray cannot be shown" error={error} onRetry={refetch} />;
  }
  if (!data) return <LoadingLines />;
  const toggle = (id: string) => {
    const next = new Set(out);
    if (!next.delete(id)) next.add(id);
    setOut(next);
  };
  const fileAll = async () => {
    setBusy(true);
    const until = holdUntil();
    for (const { id } of chosen) await file(id, until);
    setBusy(false);
    router.replace('/tray');
  };
  return (
    <View role="main" className="min-h-0 w-full max-w-[820px] flex-1 self-center">
      <FlatList<TrayItem>
        data={items}
        keyExtractor={(item) => item.id}
        renderItem={({ item }) => <SheetRow item={item} chosen={!out.has(item.id)} onToggle={() => toggle(item.id)} />}
        extraData={out}
        ListHeaderComponent={
          <View className="gap-1 px-4 pb-3 pt-4">
            <Heading>Without a doubt</Heading>
            <Soft>Compare each name with its strip. Take out what should not be filed like this.</Soft>
          </View>
        }
        ListEmptyComponent={
          <EmptyState
            title="None now"
            action={<Button onPress={() => router.replace('/tray')}>Back to the tray</Button>}
          >
            Every card in the tray has something that asks for a person.
          </EmptyState>
        }
      />
      {items.length > 0 ? (
        <View className="flex-row flex-wrap items-center justify-end gap-3 border-t border-rule bg-paper px-4 py-3">
          <Button look="bare" onPress={() => router.replace('/tray')}>
            Back to the tray
          </Button>
          <Button look="ink" busy={busy} disabled={chosen.length === 0} onPress={() => void fileAll()}>
            {chosen.length === 1 ? 'File this card' : `File these ${chosen.length} cards`}
          </Button>
        </View>
      ) : null}
    </View>
  );
}

function SheetRow({ item, chosen, onToggle }: { item: TrayItem; chosen: boolean; onToggle: () => void }) {
  const { data: card, error } = useCardQuery(item.id);
  const fields = card ? keptOrProposed(card).draft.fields : [];
  const spans = fields
    .filter(({ field }) => field === 'familyName' || field === 'company')
    .flatMap((f) => f.sources.slice(0, 1));
  return (
    <Pressable
      role="checkbox"
      aria-checked={chosen}
      aria-label={[item.name, item.company].filter(Boolean).join(', ')}
      onPress={onToggle}
      className={`flex-row gap-3 border-b border-rule px-4 py-3 hover:bg-table ${chosen ? '' : 'opacity-50'}`}
    >
      <View className="mt-1 h-[20px] w-[20px] items-center justify-center rounded-[3px] border border-ink">
        {chosen ? <View className="h-[12px] w-[12px] rounded-[1px] bg-ink" /> : null}
      </View>
      <View className="min-w-0 flex-1 gap-1">
        {card
          ? spans.map((span) => (
              <Strip
                key={`${span.line} ${span.from}`}
                {...sidesOf(card).front}
                span={{ ...span, from: 0, to: Infinity }}
              />
            ))
          : null}
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
        <Serif numberOfLines={1}>{item.name}</Serif>
        {item.company ? <Soft numberOfLines={1}>{item.company}</Soft> : null}
      </View>
    </Pressable>
  );
}
