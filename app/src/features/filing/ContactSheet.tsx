import type { TrayItem } from '@dossier/contract';
import { fullName } from '@dossier/core/people';
import { personFieldsOf } from '@dossier/core/proof';
import { useRouter } from 'expo-router';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useSelector } from 'react-redux';
import { useOccasionsQuery } from '@/features/capture';
import { PlanLine } from '@/features/followup';
import { holdUntil, sideOf, sidesOf, Strip, useCardQuery } from '@/features/proof';
import { isClean, isWithoutDoubt, useTrayInfiniteQuery } from '@/features/tray';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { selectWaitingRequests } from '@/lib/outbox';
import { Button, CannotShow, EmptyState, Heading, LoadingLines, Notice, Serif, Soft, Text, VirtualList } from '@/ui';
import { keyFieldsOf } from './keyFields';
import { keptOrProposed, useCleanFiling } from './useCleanFiling';

/**
 * Every card without a doubt at a glance: each key field beside its strip. What is not ticked off and was in sight is filed in one act.
 */
export function ContactSheet() {
  const router = useRouter();
  const { data, error, refetch } = useTrayInfiniteQuery({});
  const requests = useSelector(selectWaitingRequests);
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const { data: occasions } = useOccasionsQuery();
  const planOf = new Map<string | undefined, string | null>(occasions?.items.map(({ id, planId }) => [id, planId]));
  const [withoutPlan, setWithoutPlan] = useState(false);
  const file = useCleanFiling();
  const see = useCallback((id: string) => setSeen((before) => new Set([...before, id])), []);
  const filed = new Set(requests.filter((r) => !r.refusal).map((r) => r.cardId));
  const open = (data?.pages ?? []).flatMap((page) => page.items).filter(({ id }) => !filed.has(id));
  const items = open.filter(isClean);
  // Whether they stay without a doubt is known in a moment.
  const soon = open.filter((item) => isWithoutDoubt(item) && item.rereading).length;
  const chosen = items.filter(({ id }) => seen.has(id) && !out.has(id));
  const unseen = items.filter(({ id }) => !seen.has(id)).length;
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
    for (const { id } of chosen) await file(id, until, withoutPlan);
    setBusy(false);
    router.replace('/tray');
  };
  return (
    <View role="main" className="min-h-0 w-full max-w-[820px] flex-1 self-center">
      <VirtualList
        label="Cards without a doubt"
        items={items}
        keyOf={({ id }) => id}
        likelyHeight={260}
        ahead={6}
        render={(item) => (
          <SheetRow item={item} chosen={!out.has(item.id)} onToggle={() => toggle(item.id)} onSeen={see} />
        )}
        header={
          <View className="gap-1 px-4 pb-3 pt-4">
            <Heading>Without a doubt</Heading>
            <Soft>Compare each line with its strip. Take out what should not be filed like this.</Soft>
            {soon > 0 && items.length > 0 ? (
              <Soft role="status">{`${counted(soon, 'card')} more: ${READ_TWICE}`}</Soft>
            ) : null}
          </View>
        }
        empty={
          soon > 0 ? (
            <EmptyState
              title={`${counted(soon, 'card')} in a moment`}
              action={<Button onPress={() => router.replace('/tray')}>Back to the tray</Button>}
            >
              {`They have no doubt so far, and are ${READ_TWICE}`}
            </EmptyState>
          ) : (
            <EmptyState
              title="None now"
              action={<Button onPress={() => router.replace('/tray')}>Back to the tray</Button>}
            >
              Every card in the tray has something that asks for a person.
            </EmptyState>
          )
        }
      />
      <PlanLine
        planIds={chosen.flatMap(({ occasion }) => planOf.get(occasion?.id) ?? [])}
        isLeftOut={withoutPlan}
        onLeaveOut={setWithoutPlan}
      />
      {items.length > 0 ? (
        <View className="flex-row flex-wrap items-center justify-end gap-3 border-t border-rule bg-paper px-4 py-3">
          {unseen > 0 ? <Soft className="w-full">{`${unseen} more below: look at them first.`}</Soft> : null}
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

const READ_TWICE = 'being read a second time, in another way. Those without a doubt come here.';

interface RowProps {
  item: TrayItem;
  chosen: boolean;
  onToggle: () => void;
  /** Everything on it has been in sight. */
  onSeen: (id: string) => void;
}

function SheetRow({ item, chosen, onToggle, onSeen }: RowProps) {
  const { data: card, error } = useCardQuery(item.id);
  const end = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!card || !end.current) return undefined;
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && onSeen(item.id));
    observer.observe(end.current);
    return () => observer.disconnect();
  }, [card, item.id, onSeen]);
  const draft = card && keptOrProposed(card).draft;
  return (
    <Pressable
      role="checkbox"
      aria-checked={chosen}
      aria-label={[item.name, item.company].filter(Boolean).join(', ')}
      onPress={onToggle}
      className={`flex-row gap-3 border-b border-rule px-4 py-2 hover:bg-table ${chosen ? '' : 'opacity-50'}`}
    >
      <View className="mt-1 h-[20px] w-[20px] items-center justify-center rounded-[3px] border border-ink">
        {chosen ? <View className="h-[12px] w-[12px] rounded-[1px] bg-ink" /> : null}
      </View>
      <View className="min-w-0 flex-1 gap-1">
        <Serif numberOfLines={2}>{draft ? fullName(personFieldsOf(draft)) || item.name : item.name}</Serif>
        {card && draft
          ? keyFieldsOf(draft.fields).map(({ key, value, span }) => (
              <View key={key} className="flex-row flex-wrap items-center gap-x-3 gap-y-[2px]">
                {span ? (
                  <View className="w-full min-w-0 min-[600px]:w-[calc(50%-12px)]">
                    <Strip {...sideOf(sidesOf(card), span)} span={{ ...span, from: 0, to: Infinity }} tallest={22} />
                  </View>
                ) : null}
                {value ? (
                  <Text className="text-[15px] leading-[20px]" style={{ overflowWrap: 'anywhere' } as object}>
                    {value}
                  </Text>
                ) : null}
              </View>
            ))
          : null}
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
        <div ref={end} style={{ height: 1 }} />
      </View>
    </Pressable>
  );
}
