import { useEffect } from 'react';
import { useTrayInfiniteQuery } from '@/features/reading';
import { usePrepared } from './usePrepared';

/** Beside the tray: the desk and the first card that can be proved are there before somebody opens them. */
export function PreparedDesk() {
  const { data } = useTrayInfiniteQuery({});
  const items = data?.pages.flatMap((page) => page.items);
  const first = items?.find((item) => item.kind === 'card' && item.state !== 'setAside')?.id;
  usePrepared(first ? [first] : []);
  const isTrayThere = data !== undefined;
  useEffect(() => {
    if (isTrayThere) void import('./ProofScreen');
  }, [isTrayThere]);
  return null;
}
