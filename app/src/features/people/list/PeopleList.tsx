import { useRouter, type Href, Link } from 'expo-router';
import { Suspense, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { lazyScreen } from '@/lib/lazyScreen';
import { useWide } from '@/lib/useWide';
import { Button, EmptyState, LoadingLines, Notice, SearchField, Select, Soft, Text, VirtualList } from '@/ui';
import { useMay } from '@/features/account';
import { ChangeStrip } from '../changes/ChangeStrip';
import { useFiledByItselfQuery, usePeopleInfiniteQuery, useViewsQuery } from '../api';
import { peopleSlice, selectListPosition } from '../slice';
import { Chips } from './Chips';
import { ListSwitch } from './ListSwitch';
import { PersonRow } from './PersonRow';
import { isNarrowed, ORDERS, placeOfAddress, EVERYBODY, type ListPlace } from './place';
import { ChosenBar } from './ChosenBar';
import { useChosen } from './useChosen';
import type { Ask, HandOver, TakeOut } from './lent';
import { useListKeys } from './useListKeys';
import { useListPlace } from './useListPlace';
import { useChangeableView, useViewShown } from './useViewShown';
import { peopleWords } from './words';

const NarrowPanel = lazyScreen(() => import('./NarrowPanel'), 'NarrowPanel');
const ChangePanel = lazyScreen(() => import('../changes/ChangePanel'), 'ChangePanel');
const KeepView = lazyScreen(() => import('./KeepView'), 'KeepView');

interface Props {
  chosen?: string;
  /** Whether it stands beside a person, who is then what the page is about. */
  beside?: boolean;
  TakeOut: TakeOut;
  HandOver: HandOver;
  Ask: Ask;
}

/** Everybody who is filed, found by a few letters, narrowed and put in order; the address of the page says how. */
export function PeopleList({ chosen, beside, TakeOut, HandOver, Ask }: Props) {
  const router = useRouter();
  const dispatch = useDispatch();
  const { place, address, go, personAt } = useListPlace();
  const { data, currentData, error, isLoading, isFetching, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } =
    usePeopleInfiniteQuery(address);
  const people = useMemo(() => data?.pages.flatMap((page) => page.items) ?? [], [data]);
  const first = data?.pages[0];
  const [panel, setPanel] = useState<'narrow' | 'keep' | 'change' | 'takeOut' | 'handOver'>();
  const position = useSelector(selectListPosition(address));
  const [begin, setBegin] = useState({ address, position });
  if (begin.address !== address) setBegin({ address, position });
  const shown = first ? peopleWords(first.total, first.counted) : '';
  const isSearch = Boolean(place.q);
  const change = (next: ListPlace) => go(next);
  const may = useMay();
  const mayChoose = may('edit');
  const ids = useMemo(() => people.map(({ id }) => id), [people]);
  const choice = useChosen(address, ids, first?.total ?? 0);
  const fillsAll = panel === 'change' || panel === 'takeOut' || panel === 'handOver';
  const isCovered = panel === 'narrow' || fillsAll;
  const { field, list } = useListKeys();
  return (
    <View
      role={beside ? 'region' : 'main'}
      aria-label={beside ? 'List of people' : undefined}
      className="min-h-0 w-full flex-1"
    >
      <View className="gap-2 px-4 pb-2 pt-4">
        <ListSwitch at="people" beside={beside}>
          <Soft role="status" className="tabular">
            {first && first.total > 0 ? shown : ''}
          </Soft>
        </ListSwitch>
        {fillsAll ? null : (
          <SearchField
            label="Find people"
            placeholder="Name, firm, number, place, note"
            q={place.q}
            onChange={(q) => go({ ...place, q })}
            field={field}
          />
        )}
        {isCovered || choice.active ? null : (
          <Controls
            place={place}
            onChange={change}
            onNarrow={() => setPanel('narrow')}
            onChoose={mayChoose && people.length > 0 ? choice.begin : undefined}
            onTakeOut={may('takeOut') && people.length > 0 ? () => setPanel('takeOut') : undefined}
            isSearch={isSearch}
          />
        )}
        {(isNarrowed(place) || place.q || place.sort) && !fillsAll ? (
          <Narrowed place={place} onChange={change} onKeep={() => setPanel('keep')} isKeeping={panel === 'keep'} />
        ) : null}
        {panel === 'keep' ? (
          <Suspense fallback={<LoadingLines lines={2} />}>
            <KeepView key={address} place={place} onDone={() => setPanel(undefined)} />
          </Suspense>
        ) : null}
        {error ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : null}
      </View>
      {fillsAll ? null : <ChangeStrip />}
      {panel === 'takeOut' ? (
        <Suspense fallback={<LoadingLines />}>
          <TakeOut
            who={choice.active ? choice.who : { list: address, except: [] }}
            shown={choice.active ? counted(choice.count, 'person', 'people') : shown}
            onClose={() => setPanel(undefined)}
          />
        </Suspense>
      ) : panel === 'handOver' ? (
        <Suspense fallback={<LoadingLines />}>
          <HandOver
            who={choice.who}
            shown={counted(choice.count, 'person', 'people')}
            onClose={() => setPanel(undefined)}
          />
        </Suspense>
      ) : panel === 'change' ? (
        <Suspense fallback={<LoadingLines />}>
          <ChangePanel
            who={choice.who}
            count={choice.count}
            onDone={() => {
              setPanel(undefined);
              choice.stop();
            }}
            onClose={() => setPanel(undefined)}
          />
        </Suspense>
      ) : panel === 'narrow' ? (
        <Suspense fallback={<LoadingLines />}>
          <NarrowPanel place={place} onChange={change} shown={shown || 'nobody'} onDone={() => setPanel(undefined)} />
        </Suspense>
      ) : (
        <div ref={list} style={{ display: 'flex', flexDirection: 'column', flex: 1, minHeight: 0 }}>
          <VirtualList
            // Another list begins at its top, or where it was left.
            key={address}
            label="People"
            items={currentData || isFetching ? people : []}
            keyOf={({ id }) => id}
            likelyHeight={72}
            position={begin.position}
            onPosition={(at) => dispatch(peopleSlice.actions.scrolledTo({ address, position: at }))}
            render={(person) => (
              <PersonRow
                person={person}
                to={personAt(person.id)}
                shown={person.id === chosen}
                chosen={choice.active ? choice.isChosen(person.id) : undefined}
                onChoose={mayChoose ? choice.toggle : undefined}
                order={place.sort}
              />
            )}
            empty={
              isLoading ? (
                <LoadingLines />
              ) : error ? null : isSearch || isNarrowed(place) ? (
                <EmptyState
                  title="Nobody found"
                  action={
                    isNarrowed(place) ? (
                      <Button onPress={() => change({ ...EVERYBODY, q: place.q })}>Look among everybody</Button>
                    ) : undefined
                  }
                >
                  {isSearch
                    ? `Nothing in these records is like “${place.q}”: no name, firm, number, place, tag or note.`
                    : 'Nobody is all of this. Take something away.'}
                </EmptyState>
              ) : (
                <EmptyState
                  title="Nobody filed yet"
                  action={
                    <View className="flex-row flex-wrap justify-center gap-3">
                      <Button look="ink" onPress={() => router.push('/tray')}>
                        Open the tray
                      </Button>
                      {may('takeOut') ? (
                        <Button onPress={() => router.push('/bring-in')}>Bring in a file</Button>
                      ) : null}
                    </View>
                  }
                >
                  Prove a card in the tray and file it, or bring people in from a file. Whoever you file is found here.
                </EmptyState>
              )
            }
            onEnd={() => hasNextPage && !isFetchingNextPage && void fetchNextPage()}
          />
        </div>
      )}
      {choice.active && !isCovered ? (
        <ChosenBar
          choice={choice}
          total={first?.total ?? 0}
          counted={first?.counted ?? 'exact'}
          onChange={() => setPanel('change')}
          onTakeOut={may('takeOut') ? () => setPanel('takeOut') : undefined}
          onHandOver={() => setPanel('handOver')}
          Ask={Ask}
        />
      ) : null}
    </View>
  );
}

/** One line above the list, pushed along where it has no room. */
function Controls({
  place,
  onChange,
  onNarrow,
  onChoose,
  onTakeOut,
  isSearch,
}: {
  place: ListPlace;
  onChange: (place: ListPlace) => void;
  onNarrow: () => void;
  onChoose: (() => void) | undefined;
  onTakeOut: (() => void) | undefined;
  isSearch: boolean;
}) {
  const wide = useWide();
  const may = useMay();
  const { tableAt, mapAt } = useListPlace();
  const unseen = useFiledByItselfQuery().data?.total ?? 0;
  const views = useViewsQuery().data?.items ?? [];
  const kept = useViewShown(place);
  const orders = isSearch ? [{ value: '', label: 'Best first' }, ...ORDERS.slice(1)] : ORDERS;
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      className="-mx-4 flex-grow-0"
      contentContainerStyle={{ gap: 18, paddingHorizontal: 16, alignItems: 'center' }}
    >
      <Button look="bare" className="-ml-4" label="Narrow the list" onPress={onNarrow}>
        Narrow
      </Button>
      {onChoose ? (
        <Button look="bare" className="-mx-4" label="Choose several" onPress={onChoose}>
          Choose
        </Button>
      ) : null}
      <Select
        label="Order of the list"
        options={orders}
        value={place.sort}
        onChange={(sort) => onChange({ ...place, sort })}
      />
      {views.length > 0 ? (
        <Select
          label="Views"
          options={[
            { value: '', label: kept ? 'Everybody' : 'Views' },
            ...views.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          value={kept?.id ?? ''}
          onChange={(id) => onChange(placeOfAddress(views.find((view) => view.id === id)?.query ?? ''))}
        />
      ) : null}
      {unseen > 0 ? <ListLink href="/filed-by-itself">{`Filed for you (${unseen})`}</ListLink> : null}
      {onTakeOut ? (
        <Button look="bare" className="-mx-4" label="Take out as a file" onPress={onTakeOut}>
          Take out
        </Button>
      ) : null}
      {wide ? <ListLink href={tableAt}>As a table</ListLink> : null}
      <ListLink href={mapAt}>On a map</ListLink>
      {may('takeOut') ? <ListLink href="/bring-in">Bring in</ListLink> : null}
      <ListLink href="/duplicates">Same person twice</ListLink>
    </ScrollView>
  );
}

/** What the list is narrowed by, and a name for it. */
function Narrowed({
  place,
  onChange,
  onKeep,
  isKeeping,
}: {
  place: ListPlace;
  onChange: (place: ListPlace) => void;
  onKeep: () => void;
  isKeeping: boolean;
}) {
  const kept = useChangeableView(place);
  return (
    <Chips place={place} onChange={onChange}>
      {isKeeping ? null : (
        <Button look="bare" className={`min-h-[36px] py-1 ${isNarrowed(place) ? '' : '-ml-4'}`} onPress={onKeep}>
          {kept ? `Change “${kept.name}”` : 'Keep this view'}
        </Button>
      )}
    </Chips>
  );
}

const ListLink = ({ href, children }: { href: Href; children: string }) => (
  <Link href={href}>
    <View className="min-h-touch justify-center">
      <Text className="text-[15px] underline underline-offset-4">{children}</Text>
    </View>
  </Link>
);
