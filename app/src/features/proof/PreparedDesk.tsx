import { useEffect } from 'react';
import { useSelector } from 'react-redux';
import { selectJustRead, useTrayInfiniteQuery } from '@/features/reading';
import { ProofScreen } from './screens';
import { usePrepared } from './usePrepared';

/** Beside the tray: the desk, the first card to be proved and the one just read are there before somebody opens them. */
export function PreparedDesk() {
  const { data } = useTrayInfiniteQuery({});
  const justRead = useSelector(selectJustRead);
  const ids = (data?.pages ?? [])
    .flatMap((page) => page.items)
    .filter((item) => item.kind === 'card' && item.state !== 'setAside')
    .map((item) => item.id);
  usePrepared([...new Set([ids[0], justRead ?? ids.at(-1)].filter((id) => id !== undefined))]);
  const isTrayThere = data !== undefined;
  useEffect(() => {
    if (isTrayThere) void ProofScreen.preload();
  }, [isTrayThere]);
  return null;
}
