import { Link, Redirect, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useMay, useSessionQuery, useTeamQuery } from '@/features/account';
import { useOccasions } from '@/features/capture';
import { problemText } from '@/lib/api';
import { useWide } from '@/lib/useWide';
import { Button, EmptyState, LoadingLines, Notice, SearchField, Soft, Text } from '@/ui';
import { usePeopleInfiniteQuery } from '../api';
import { Chips } from '../list/Chips';
import { ListSwitch } from '../list/ListSwitch';
import { NarrowPanel } from '../list/NarrowPanel';
import { isNarrowed } from '../list/place';
import { useListPlace } from '../list/useListPlace';
import { peopleWords } from '../list/words';
import { ColumnsPanel } from './ColumnsPanel';
import type { TableWords } from './columns';
import { PastePreview, type Pasted } from './PastePreview';
import { PeopleGrid } from './PeopleGrid';
import { useCells, type CellWrite } from './useCells';
import { useTableLayout } from './useTableLayout';

/** The list of people as a table on a wide screen; on a phone the same list as cards. */
export function TableScreen() {
  const wide = useWide();
  const { data: session } = useSessionQuery();
  const { listAt } = useListPlace();
  if (!wide) return <Redirect href={listAt} />;
  return session ? <TableOf accountId={session.user.id} /> : null;
}

function TableOf({ accountId }: { accountId: string }) {
  const { place, address, go, personAt, listAt } = useListPlace();
  const { data, error, isLoading, isFetching, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } =
    usePeopleInfiniteQuery(address);
  const people = useMemo(() => data?.pages.flatMap((page) => page.items) ?? [], [data]);
  const first = data?.pages[0];
  const layout = useTableLayout(accountId);
  const words = useTableWords(accountId);
  const may = useMay();
  const { write, isWriting, error: unwritten } = useCells(address, words);
  const [panel, setPanel] = useState<'narrow' | 'columns'>();
  const [pasted, setPasted] = useState<Pasted>();
  const [told, setTold] = useState('');
  const shown = first ? peopleWords(first.total, first.counted) : '';

  const writeOne = async (one: CellWrite): Promise<string | undefined> => {
    setTold('');
    const answer = await write([one]);
    const cell = answer?.cells[0];
    if (!cell) return 'It could not be saved. Try again, or press Escape to leave the cell as it was.';
    if (cell.outcome === 'changedSince')
      return `Somebody changed this person meanwhile; here it says “${cell.words || 'nothing'}” now. Press Escape and look again.`;
    return cell.outcome === 'refused' || cell.outcome === 'gone' ? cell.words : undefined;
  };
  const writeAll = async (writes: readonly CellWrite[]) => {
    const answer = await write(writes);
    if (!answer) return;
    setPasted(undefined);
    const done = answer.cells.filter(({ outcome }) => outcome === 'changed' || outcome === 'same').length;
    const left = answer.cells.length - done;
    setTold(
      `${done.toLocaleString('en')} changed.${left > 0 ? ` ${left.toLocaleString('en')} left, because somebody changed these people meanwhile or they cannot be so.` : ''}`,
    );
    // What was left shows what others have made of it.
    if (left > 0) void refetch();
  };
  return (
    <View role="main" className="min-h-0 flex-1">
      <View className="gap-2 px-4 pb-2 pt-4">
        <ListSwitch at="people">
          <Soft role="status" className="tabular">
            {first && first.total > 0 ? shown : ''}
          </Soft>
        </ListSwitch>
        <View className="flex-row items-center gap-5">
          <View className="w-[340px]">
            <SearchField
              label="Find people"
              placeholder="Name, firm, number, place, note"
              q={place.q}
              onChange={(q) => go({ ...place, q })}
            />
          </View>
          <Button
            look="bare"
            className="px-1"
            label="Narrow the list"
            onPress={() => setPanel(panel === 'narrow' ? undefined : 'narrow')}
          >
            Narrow
          </Button>
          <Button look="bare" className="px-1" onPress={() => setPanel(panel === 'columns' ? undefined : 'columns')}>
            Columns
          </Button>
          <Link href={listAt}>
            <View className="min-h-touch justify-center">
              <Text className="font-medium underline underline-offset-4">As a list</Text>
            </View>
          </Link>
          <Soft role="status" className="min-w-0 flex-1">
            {told}
          </Soft>
        </View>
        {isNarrowed(place) || place.sort ? <Chips place={place} onChange={go} /> : null}
        {error ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : null}
      </View>
      {pasted ? (
        <PastePreview
          pasted={pasted}
          words={words}
          isWriting={isWriting}
          error={unwritten}
          onWrite={(writes) => void writeAll(writes)}
          onClose={() => setPasted(undefined)}
        />
      ) : null}
      <View className="min-h-0 flex-1 flex-row border-t border-rule">
        {panel ? (
          <View className="w-[320px] border-r border-rule">
            {panel === 'narrow' ? (
              <NarrowPanel place={place} onChange={go} shown={shown || 'nobody'} onDone={() => setPanel(undefined)} />
            ) : (
              <ScrollView className="flex-1 pt-3">
                <ColumnsPanel layout={layout} onDone={() => setPanel(undefined)} />
              </ScrollView>
            )}
          </View>
        ) : null}
        <PeopleGrid
          people={people}
          words={words}
          layout={layout}
          sort={place.sort}
          onSort={(sort) => go({ ...place, sort })}
          personAt={(id): Href => personAt(id)}
          onWrite={(person, column, text) => writeOne({ person, column, text })}
          onPaste={(rows, from) => {
            if (!may('edit')) return;
            setTold('');
            setPasted({
              rows,
              people: people.slice(people.findIndex(({ id }) => id === from.personId)),
              columns: layout.shown.slice(layout.shown.indexOf(from.column)),
            });
          }}
          onEnd={() => hasNextPage && !isFetchingNextPage && void fetchNextPage()}
          empty={
            isLoading || isFetching ? (
              <LoadingLines />
            ) : error ? null : (
              <EmptyState title="Nobody here">
                Nobody is all of this. Take something away, or file a card first.
              </EmptyState>
            )
          }
        />
      </View>
    </View>
  );
}

function useTableWords(accountId: string): TableWords {
  const { data: session } = useSessionQuery();
  const { data: team } = useTeamQuery();
  const { items } = useOccasions(accountId);
  return useMemo(
    () => ({
      country: session?.workspace.country ?? null,
      ratings: session?.workspace.ratings ?? [],
      owners: team?.items ?? [],
      occasions: new Map(items.map(({ id, name }) => [id, name])),
    }),
    [session, team, items],
  );
}
