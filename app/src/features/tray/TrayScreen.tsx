import type { TrayItem } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { useSessionQuery } from '@/features/account';
import { selectWaitingPhotos, useOccasions } from '@/features/capture';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { lazyScreen } from '@/lib/lazyScreen';
import { selectWaitingRequests } from '@/lib/outbox';
import { Button, EmptyState, FirstTime, Heading, LoadingLines, Notice, Soft, VirtualList } from '@/ui';
import { useChangeCardsMutation, useTrayInfiniteQuery } from './api';
import { BatchLine } from './BatchLine';
import { isClean } from './isClean';
import { traySlice, selectTrayPlace, type TrayView } from './slice';
import { TrayFilter } from './TrayFilter';
import { type TrayParts, TrayRow } from './TrayRow';
import { useSelection } from '@/lib/useSelection';
import { WaitingHere } from './WaitingHere';

/** Needed only once several cards are chosen. */
const SelectionBar = lazyScreen(() => import('./SelectionBar'), 'SelectionBar');

export function TrayScreen(props: TrayParts) {
  const { data: session } = useSessionQuery();
  return session ? <TrayOf {...props} accountId={session.user.id} /> : null;
}

/** The cards that are not filed yet, to be proved one after another or worked on several at a time. */
function TrayOf({ accountId, RowAct, Give }: TrayParts & { accountId: string }) {
  const router = useRouter();
  const dispatch = useDispatch();
  const { view, position } = useSelector(selectTrayPlace);
  const setView = (next: TrayView) => dispatch(traySlice.actions.viewChosen(next));
  // Where it was when it was left: read once, then only written.
  const [begin] = useState(position);
  const { data, error, isLoading, isFetching, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } =
    useTrayInfiniteQuery(view);
  const { items: occasions } = useOccasions(accountId);
  const waiting = useSelector(selectWaitingPhotos);
  const filedHere = useSelector(selectWaitingRequests);
  const [undo, setUndo] = useState<{ words: string; cardIds: string[] }>();
  const items = useMemo(() => {
    const filed = new Set(filedHere.filter((request) => !request.refusal).map((request) => request.cardId));
    return (data?.pages ?? []).flatMap((page) => page.items).filter((item) => !filed.has(item.id));
  }, [data, filedHere]);
  const cardIds = useMemo(() => items.filter((item) => item.kind === 'card').map((item) => item.id), [items]);
  const selection = useSelection(cardIds);
  const clean = items.filter(isClean).length;
  const narrowed = Boolean(view.occasion ?? view.show ?? view.mine);
  const first = items.find((item) => item.kind === 'card' && item.state !== 'setAside');

  const header = (
    <View className="gap-2 px-4 pb-1 pt-3">
      <View className="flex-row items-center justify-between gap-3">
        <View className="min-w-0 flex-1">
          <Heading>Tray</Heading>
          {items.length + waiting.length > 0 ? (
            <Soft>{countWords(data?.pages[0]?.total ?? 0, waiting.length)}</Soft>
          ) : null}
        </View>
        {first && !selection.active ? (
          <Button
            look="ink"
            label="Prove the cards one after another, beginning with the first"
            onPress={() => router.push(`/proof/${first.id}`)}
          >
            Start proving
          </Button>
        ) : null}
      </View>
      <BatchLine />
      {items.length > 0 ? (
        <FirstTime about="tray">
          In the tray lies every card that is not filed yet. To prove one is to check what was read against its picture.
        </FirstTime>
      ) : null}
      {error ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      {data?.pages[0]?.backs.map(({ photoId, fronts, backs }) => (
        <Notice
          key={photoId}
          action={<Button onPress={() => router.push(`/photos/${photoId}/backs`)}>Match them</Button>}
        >
          {`${counted(fronts, 'front')} and ${counted(backs, 'back')} wait to be matched.`}
        </Notice>
      ))}
      {data?.pages[0]?.missed.map(({ photoId, cards }) => (
        <Notice key={photoId} action={<Button onPress={() => router.push(`/photos/${photoId}`)}>Look</Button>}>
          {cards === 1
            ? 'Perhaps a card was missed on one photograph.'
            : `Perhaps ${cards} cards were missed on one photograph.`}
        </Notice>
      ))}
      {undo ? <Undo {...undo} onGone={() => setUndo(undefined)} /> : null}
      {items.length > 0 || narrowed ? (
        <TrayFilter view={view} onChange={setView} occasions={occasions}>
          {clean > 1 && !selection.active ? (
            <Button
              look="bare"
              className="-ml-4"
              label={`Glance at ${clean} cards without a doubt`}
              onPress={() => router.push('/clean')}
            >
              {`Glance at ${clean}`}
            </Button>
          ) : null}
          {cardIds.length > 0 && !selection.active ? (
            <Button look="bare" className="-ml-4" label="Choose several" onPress={selection.begin}>
              Choose
            </Button>
          ) : null}
        </TrayFilter>
      ) : null}
      <WaitingHere />
    </View>
  );
  const empty =
    isLoading || (isFetching && narrowed) ? (
      <LoadingLines />
    ) : error || waiting.length > 0 ? null : narrowed ? (
      <EmptyState title="No such card" action={<Button onPress={() => setView({})}>Show every card</Button>}>
        There is no card in the tray that fits.
      </EmptyState>
    ) : (
      <EmptyState
        title="The tray is empty"
        action={
          <View className="flex-row flex-wrap justify-center gap-3">
            <Button look="ink" onPress={() => router.push('/photograph')}>
              Photograph cards
            </Button>
            <Button onPress={() => router.push('/sample')}>Try a sample card</Button>
          </View>
        }
      >
        Photograph the cards you were given. They are read here, and wait for you to prove them.
      </EmptyState>
    );
  return (
    <View role="main" className="min-h-0 w-full max-w-[820px] flex-1 self-center">
      <VirtualList
        label="Cards"
        items={items}
        keyOf={keyOf}
        likelyHeight={92}
        position={begin}
        onPosition={(at) => dispatch(traySlice.actions.scrolledTo(at))}
        render={(item) => (
          <TrayRow
            item={item}
            chosen={selection.active ? selection.chosen.includes(item.id) : undefined}
            onChoose={selection.toggle}
            RowAct={RowAct}
          />
        )}
        header={header}
        empty={empty}
        onEnd={() => hasNextPage && !isFetchingNextPage && void fetchNextPage()}
      />
      {selection.active ? (
        <Suspense>
          <SelectionBar
            cardIds={selection.chosen}
            Give={Give}
            items={items.filter(({ id }) => selection.chosen.includes(id))}
            occasions={occasions}
            onAll={selection.all}
            onDone={(removed) => {
              selection.end();
              setUndo(removed);
            }}
          />
        </Suspense>
      ) : null}
    </View>
  );
}

const keyOf = ({ id }: TrayItem): string => id;
/** Cards that were just set aside or removed come back with one touch. */
function Undo({ words, cardIds, onGone }: { words: string; cardIds: string[]; onGone: () => void }) {
  const [change, { isLoading, error }] = useChangeCardsMutation();
  const back = async () => {
    const answer = await change({ cardIds, state: 'toProve' });
    if (!answer.error) onGone();
  };
  return (
    <Notice
      fault={Boolean(error)}
      action={
        <Button busy={isLoading} onPress={() => void back()}>
          Undo
        </Button>
      }
    >
      {error ? problemText(error) : words}
    </Notice>
  );
}

function countWords(inTray: number, onDevice: number): string {
  const cards = `${counted(inTray, 'card')} not filed yet`;
  return onDevice > 0 ? `${cards} · ${onDevice} still on this device` : cards;
}
