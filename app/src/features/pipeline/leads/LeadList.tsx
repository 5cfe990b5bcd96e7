import type { Lead } from '@dossier/contract';
import { Link, type Href } from 'expo-router';
import { View } from 'react-native';
import { useSessionQuery } from '@/features/account';
import { ChangeStrip } from '@/features/people';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatDay } from '@/lib/formatDate';
import { Button, EmptyState, LoadingLines, Notice, Select, Serif, Soft, Text, VirtualList } from '@/ui';
import type { Narrowing } from '../api';
import { Narrow } from '../Narrow';
import { PipelineHead } from '../PipelineHead';
import { lackWords, untouchedWords } from '../words';
import { QualifiedStrip } from './QualifiedStrip';
import { useLeads } from './useLeads';

/** Leads to work through, the one that nobody touched for longest first. */
export function LeadList({ beside, chosen }: { beside?: boolean; chosen?: string }) {
  const { leads, total, place, set, at, data, error, isLoading, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } =
    useLeads(); // prettier-ignore
  return (
    <View
      role={beside ? 'region' : 'main'}
      aria-label={beside ? 'List of leads' : undefined}
      className="min-h-0 w-full flex-1"
    >
      <View className="px-4 pb-1 pt-4">
        <PipelineHead at="leads" beside={beside}>
          <Soft role="status" className="tabular">
            {data ? counted(total, 'lead') : ''}
          </Soft>
        </PipelineHead>
        <Narrow place={place} set={set} fold more={<Words place={place} set={set} />}>
          <Select
            label="In which order"
            value={place.sort ?? 'untouched'}
            onChange={(sort) => set({ sort: sort === 'untouched' ? '' : sort })}
            options={[
              { value: 'untouched', label: 'Longest untouched' },
              { value: 'next', label: 'Next step first' },
              { value: 'filed', label: 'Oldest first' },
              { value: 'name', label: 'By name' },
            ]}
          />
        </Narrow>
        {error ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : null}
      </View>
      <QualifiedStrip />
      <ChangeStrip />
      {isLoading ? (
        <LoadingLines />
      ) : (
        <VirtualList
          label="Leads"
          items={leads}
          keyOf={(lead) => lead.id}
          likelyHeight={104}
          render={(lead) => <LeadRow lead={lead} href={at(`/pipeline/leads/${lead.id}`)} here={lead.id === chosen} />}
          onEnd={() => {
            if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
          }}
          empty={error ? null : <Empty place={place} />}
          header={
            total > 1 ? (
              <Link href={manyAt(place)}>
                <View className="min-h-touch justify-center px-4">
                  <Soft className="underline underline-offset-4">Change or close many at once</Soft>
                </View>
              </Link>
            ) : null
          }
        />
      )}
    </View>
  );
}

/** The same leads in the list of people, where many are changed together. */
function manyAt({ owner, occasion, status, rating, state }: Narrowing): Href {
  const params = new URLSearchParams({ lead: state ?? 'open', ...(owner && { owner }), ...(occasion && { occasion }), ...(status && { status }), ...(rating && { rating }) }); // prettier-ignore
  return `/people?${params}` as Href;
}

function Words({ place, set }: { place: Narrowing; set: (change: Narrowing) => void }) {
  const { data: session } = useSessionQuery();
  const { leadStatuses = [], ratings = [] } = session?.workspace ?? {};
  const each = (words: readonly string[]) => words.map((word) => ({ value: word, label: word }));
  return (
    <>
      <Select
        label="Open or closed"
        value={place.state ?? 'open'}
        onChange={(state) => set({ state: state === 'open' ? '' : state })}
        options={[
          { value: 'open', label: 'Open' },
          { value: 'closed', label: 'Closed' },
        ]}
      />
      <Select
        label="Status"
        value={place.status ?? ''}
        onChange={(status) => set({ status })}
        options={[{ value: '', label: 'Any status' }, ...each(leadStatuses)]}
      />
      <Select
        label="Rating"
        value={place.rating ?? ''}
        onChange={(rating) => set({ rating })}
        options={[{ value: '', label: 'Any rating' }, ...each(ratings)]}
      />
    </>
  );
}

const Empty = ({ place }: { place: Narrowing }) =>
  Object.keys(place).some((name) => name !== 'sort') ? (
    <EmptyState title="No lead fits">Take away something that the list is narrowed by.</EmptyState>
  ) : (
    <EmptyState title="No open leads">
      Whoever is filed as a lead waits here until you know what becomes of them.
    </EmptyState>
  );

function LeadRow({ lead, href, here }: { lead: Lead; href: Href; here: boolean }) {
  const about = [lead.title, lead.company?.name].filter(Boolean).join(', ');
  const lacks = lackWords(lead.lacks);
  const standing = [lead.status, lead.rating].filter(Boolean).join(' · ');
  const then = lead.closed
    ? `Closed: ${lead.closed.reason}`
    : lead.next
      ? `${lead.next.text}${lead.next.dueOn ? `, ${formatDay(lead.next.dueOn)}` : ''}`
      : untouchedWords(lead.untouchedSince);
  return (
    <View className="border-b border-rule">
      <Link href={href} aria-current={here ? 'page' : undefined}>
        <View
          className={`w-full border-l-[3px] px-4 py-2 hover:bg-table ${here ? 'border-ink bg-table' : 'border-transparent'}`}
        >
          <View className="flex-row flex-wrap items-baseline justify-between gap-x-3">
            <Serif className="[overflow-wrap:anywhere]">{lead.fullName || 'Unnamed'}</Serif>
            {standing ? <Soft>{standing}</Soft> : null}
          </View>
          {about ? <Text numberOfLines={1}>{about}</Text> : null}
          <Soft>{then}</Soft>
          {lacks && !lead.closed ? <Soft>{lacks}</Soft> : null}
        </View>
      </Link>
    </View>
  );
}
