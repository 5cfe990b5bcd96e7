import { Link } from 'expo-router';
import { Suspense, useMemo, type ComponentType } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { useWide } from '@/lib/useWide';
import { Button, EmptyState, LoadingLines, Notice, SearchField, Select, Soft, Text, VirtualList } from '@/ui';
import { useOpportunitiesInfiniteQuery, usePipelineSettingsQuery } from '../api';
import { Narrow } from '../Narrow';
import { PipelineHead } from '../PipelineHead';
import { usePlace } from '../usePlace';
import { sumWords } from '@/lib/money';
import { OpportunityRow } from './OpportunityRow';

interface Props {
  /** The list as a table, out and back: lent by the room that makes files. */
  AsTable: ComponentType<{ of: 'business'; address: string }>;
}

/** All business, also what is over, found, narrowed and put in order. */
export function ListScreen({ AsTable }: Props) {
  const { place, set, at } = usePlace();
  const wide = useWide();
  const { data, error, isLoading, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } =
    useOpportunitiesInfiniteQuery(place, { refetchOnMountOrArgChange: true });
  const { data: settings } = usePipelineSettingsQuery();
  const stages = useMemo(() => new Map(settings?.stages.map(({ id, name }) => [id, name])), [settings]);
  const items = useMemo(() => data?.pages.flatMap((page) => page.items) ?? [], [data]);
  const first = data?.pages[0];
  return (
    <View role="main" className="min-h-0 w-full flex-1">
      <View className="w-full max-w-[860px] gap-1 px-4 pt-4">
        <PipelineHead at="board">
          <Link href={at('/pipeline')}>
            <View className="min-h-touch justify-center">
              <Text className="underline underline-offset-4">By stage</Text>
            </View>
          </Link>
        </PipelineHead>
        <SearchField
          label="Find business"
          placeholder="What it is called, or the firm"
          q={place.q ?? ''}
          onChange={(q) => set({ q })}
        />
        <Narrow
          place={place}
          set={set}
          byTag
          fold={!wide}
          more={
            <Select
              label="Stage"
              value={place.stage ?? ''}
              onChange={(stage) => set({ stage })}
              options={[{ value: '', label: 'Any stage' }, ...[...stages].map(([value, label]) => ({ value, label }))]}
            />
          }
        >
          <Select
            label="Open or over"
            value={place.state ?? ''}
            onChange={(state) => set({ state })}
            options={[
              { value: '', label: 'All' },
              { value: 'open', label: 'Open' },
              { value: 'won', label: 'Won' },
              { value: 'lost', label: 'Lost' },
            ]}
          />
          <Select
            label="In which order"
            value={place.sort ?? 'expected'}
            onChange={(sort) => set({ sort: sort === 'expected' ? '' : sort })}
            options={[
              { value: 'expected', label: 'By day' },
              { value: 'value', label: 'Most first' },
              { value: 'since', label: 'Longest in its stage' },
              { value: 'title', label: 'By name' },
            ]}
          />
        </Narrow>
        {first && first.total > 0 ? (
          <Soft role="status" className="tabular">
            {`${counted(first.total, 'opportunity', 'opportunities')}, ${sumWords(first.sums, 'value')}, weighted ${sumWords(first.sums, 'weighted')}`}
          </Soft>
        ) : null}
        {first && first.total > 0 ? (
          <View className="flex-row flex-wrap">
            <Suspense fallback={null}>
              <AsTable of="business" address={new URLSearchParams(place as Record<string, string>).toString()} />
            </Suspense>
          </View>
        ) : null}
        {error ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : null}
      </View>
      {isLoading ? (
        <LoadingLines />
      ) : (
        <VirtualList
          label="Business"
          items={items}
          keyOf={(one) => one.id}
          likelyHeight={84}
          render={(one) => (
            <View className="max-w-[860px] px-4">
              <OpportunityRow one={one} stage={stages.get(one.stageId) ?? ''} />
            </View>
          )}
          onEnd={() => {
            if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
          }}
          empty={
            error ? null : Object.keys(place).length > 0 ? (
              <EmptyState title="Nothing fits">Take away something that the list is narrowed by.</EmptyState>
            ) : (
              <EmptyState title="No business yet">Qualify a lead, or write down what a firm might buy.</EmptyState>
            )
          }
        />
      )}
    </View>
  );
}
