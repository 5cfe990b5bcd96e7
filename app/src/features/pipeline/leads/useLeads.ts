import type { Lead } from '@dossier/contract';
import { useMemo } from 'react';
import { useLeadsInfiniteQuery } from '../api';
import { usePlace } from '../usePlace';

/** The leads of the list as it is narrowed, in its order, with the one behind each. */
export function useLeads() {
  const { place, set, at } = usePlace();
  const query = useLeadsInfiniteQuery(place, { refetchOnMountOrArgChange: 30 });
  const leads = useMemo(() => query.data?.pages.flatMap(({ items }) => items) ?? [], [query.data]);
  const total = query.data?.pages[0]?.total ?? 0;
  /** Whoever comes after somebody; before whom, where it is the last one. */
  const nextOf = (id: string): Lead | undefined => {
    const here = leads.findIndex((lead) => lead.id === id);
    return here < 0 ? leads[0] : (leads[here + 1] ?? leads[here - 1]);
  };
  return { ...query, leads, total, place, set, at, nextOf };
}
