import { useEffect } from 'react';
import { useTrayInfiniteQuery } from '@/features/reading';
import { ProofScreen } from './screens';
import { usePrepared } from './usePrepared';

/** Beside the tray: the desk, the first card to be proved and the one just read are there before somebody opens them. */
export function PreparedDesk() {
  const { data } = useTrayInfiniteQuery({});
  const ids = (data?.pages ?? [])
    .flatMap((page) => page.items)
    .filter((item) => item.kind === 'card' && item.state !== 'setAside')
    .map((item) => item.id);
  usePrepared([...new Set([...ids.slice(0, 1), ...ids.slice(-1)])]);
  const isTrayThere = data !== undefined;
  useEffect(() => {
    if (isTrayThere) void ProofScreen.preload();
  }, [isTrayThere]);
  return null;
}
