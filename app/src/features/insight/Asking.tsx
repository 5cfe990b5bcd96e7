import type { ReactNode } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, EmptyState, LoadingLines, Notice } from '@/ui';

interface Query {
  data?: unknown;
  error?: unknown;
  isFetching: boolean;
  refetch: () => unknown;
}

interface Props<Q extends Query> {
  query: Q;
  isEmpty: (data: NonNullable<Q['data']>) => boolean;
  children: (data: NonNullable<Q['data']>) => ReactNode;
}

/** Figures that are on their way, cannot be had, are of nothing, or are here. */
export function Asking<Q extends Query>({ query, isEmpty, children }: Props<Q>) {
  const { error, isFetching, refetch } = query;
  const data = query.data as NonNullable<Q['data']> | undefined;
  if (error)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines lines={3} />;
  if (isEmpty(data)) return <EmptyState title="Nothing to count yet">Choose more days, or everybody’s: nothing was filed then.</EmptyState>; // prettier-ignore
  return <View style={{ opacity: isFetching ? 0.6 : 1 }}>{children(data)}</View>;
}
