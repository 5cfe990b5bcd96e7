import { useEffect } from 'react';
import { useSelector } from 'react-redux';
import { leftToRead, selectJustRead, useTrayInfiniteQuery } from '@/features/tray';
import { ProofScreen } from './screens';
import { usePrepared } from './usePrepared';

/** Beside the tray: the desk, the first card to be proved and the one just read are there before somebody opens them. */
export function PreparedDesk() {
  const { data } = useTrayInfiniteQuery({});
  const justRead = useSelector(selectJustRead);
  const items = (data?.pages ?? []).flatMap((page) => page.items);
  const ids = items.filter((item) => item.kind === 'card' && item.state !== 'setAside').map((item) => item.id);
  const likely = [ids[0], justRead ?? ids.at(-1)].filter((id) => id !== undefined);
  // What is loaded while a photograph is read takes the time of its reading, and its card is the likeliest.
  usePrepared(items.some((item) => leftToRead(item) > 0) ? [] : [...new Set(likely)]);
  const isTrayThere = data !== undefined;
  useEffect(() => {
    if (isTrayThere) void ProofScreen.preload();
  }, [isTrayThere]);
  return null;
}
