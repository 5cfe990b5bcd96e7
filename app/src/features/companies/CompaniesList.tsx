import type { ListedCompany } from '@dossier/contract';
import { Link, useGlobalSearchParams, useRouter, type Href } from 'expo-router';
import { Suspense, useMemo, type ComponentType } from 'react';
import { View } from 'react-native';
import { ListSwitch, useListKeys } from '@/features/people';
import { problemText } from '@/lib/api';
import { Button, EmptyState, LoadingLines, Notice, SearchField, Select, Serif, Soft, VirtualList } from '@/ui';
import { useCompaniesInfiniteQuery } from './api';
import { peopleHere } from './words';

const ORDERS = [
  { value: 'name', label: 'By name' },
  { value: 'people', label: 'Most people first' },
  { value: 'new', label: 'Newest first' },
];

export interface LentTable {
  /** The list as a table, out and back: lent by the room that makes files. */
  AsTable: ComponentType<{ of: 'companies'; address: string }>;
}

/** Every firm at which somebody works or worked; what is looked for, and the order, stand in the address. */
export function CompaniesList({ AsTable, chosen, beside }: LentTable & { chosen?: string; beside?: boolean }) {
  const router = useRouter();
  const params = useGlobalSearchParams<{ q?: string; sort?: string }>();
  const [q, sort] = [params.q ?? '', params.sort ?? ''];
  const { data, currentData, error, isLoading, isFetching, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } =
    useCompaniesInfiniteQuery({ q, sort });
  const firms = useMemo(() => data?.pages.flatMap((page) => page.items) ?? [], [data]);
  const { field, list } = useListKeys();
  const here = new URLSearchParams({ ...(q && { q }), ...(sort && { sort }) }).toString();
  return (
    <View
      role={beside ? 'region' : 'main'}
      aria-label={beside ? 'List of companies' : undefined}
      className="min-h-0 w-full flex-1"
    >
      <View className="gap-2 px-4 pb-2 pt-4">
        <ListSwitch at="companies" beside={beside} />
        <SearchField
          label="Find companies"
          placeholder="Name of a firm, now or before"
          q={q}
          onChange={(next) => router.setParams({ q: next || undefined })}
          field={field}
        />
        <View className="flex-row flex-wrap items-center justify-between gap-x-2">
          <Select
            label="Order of the list"
            options={q ? [{ value: '', label: 'Best first' }, ...ORDERS] : ORDERS}
            value={sort || (q ? '' : 'name')}
            onChange={(next) => router.setParams({ sort: next || undefined })}
          />
          {firms.length > 0 ? (
            <Suspense fallback={null}>
              <AsTable of="companies" address={here} />
            </Suspense>
          ) : null}
        </View>
        {error ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : null}
      </View>
      <div ref={list} style={{ display: 'flex', flexDirection: 'column', flex: 1, minHeight: 0 }}>
        <VirtualList
          key={here}
          label="Companies"
          items={currentData || isFetching ? firms : []}
          keyOf={({ id }) => id}
          likelyHeight={64}
          render={(firm) => (
            <Row firm={firm} to={`/companies/${firm.id}${here && `?${here}`}` as Href} shown={firm.id === chosen} />
          )}
          empty={
            isLoading ? (
              <LoadingLines />
            ) : error ? null : q ? (
              <EmptyState title="No such firm">{`No firm here is or was called anything like “${q}”.`}</EmptyState>
            ) : (
              <EmptyState title="No firm yet">
                Firms are there as soon as somebody is filed whose card names one.
              </EmptyState>
            )
          }
          onEnd={() => hasNextPage && !isFetchingNextPage && void fetchNextPage()}
        />
      </div>
    </View>
  );
}

const Row = ({
  firm: { name, people, town, knownAs },
  to,
  shown,
}: {
  firm: ListedCompany;
  to: Href;
  shown: boolean;
}) => (
  <Link href={to} aria-current={shown ? 'page' : undefined}>
    <View className={`w-full border-b border-rule px-4 py-3 hover:bg-table ${shown ? 'bg-sheet' : ''}`}>
      <Serif numberOfLines={2} className="text-[19px] leading-[24px]">
        {name}
      </Serif>
      <Soft className="tabular">{[peopleHere(people), town].filter(Boolean).join(' · ')}</Soft>
      {knownAs ? <Soft numberOfLines={1}>{`also ${knownAs}`}</Soft> : null}
    </View>
  </Link>
);
