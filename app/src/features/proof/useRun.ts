import { useEffect, useMemo } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { selectTrayPlace, useTrayRunQuery } from '@/features/tray';
import { selectWaitingRequests } from '@/lib/outbox';
import { runSlice } from './runSlice';
import { usePrepared } from './usePrepared';

/** So many cards behind the one on the desk are loaded with their pictures. */
const AHEAD = 2;

/** Where a card stands; ids of the cards before and behind it, as far as they are still to be proved. */
export interface Run {
  position: number;
  of: number;
  next: string | undefined;
  previous: string | undefined;
}

/** Where the card on the desk, and any other, stands among those that are proved in one go: the part of the tray that was looked at. */
export function useRun(cardId: string): (id: string) => Run {
  const dispatch = useDispatch();
  const { view } = useSelector(selectTrayPlace);
  const { data } = useTrayRunQuery(view);
  const of = JSON.stringify(view);
  const ids = useSelector((state: { run: { ids: string[] } }) => state.run.ids);
  const requests = useSelector(selectWaitingRequests);
  const filed = useMemo(() => new Set(requests.filter((r) => !r.refusal).map((r) => r.cardId)), [requests]);
  const tray = useMemo(() => data?.ids ?? [], [data]);
  useEffect(() => {
    if (data) dispatch(runSlice.actions.runOpened({ cardId, tray, of }));
  }, [cardId, data, dispatch, of, tray]);

  const open = useMemo(() => new Set(tray.filter((id) => !filed.has(id))), [tray, filed]);
  const isOpen = (id: string) => open.has(id);
  const runOf = (id: string): Run => {
    const at = ids.indexOf(id);
    const before = ids.slice(0, Math.max(0, at));
    const next = ids.slice(at + 1).find(isOpen) ?? before.find(isOpen);
    return { position: at + 1, of: ids.length, next, previous: before.findLast(isOpen) };
  };
  const ahead = ids
    .slice(ids.indexOf(cardId) + 1)
    .filter(isOpen)
    .slice(0, AHEAD);
  usePrepared(ahead);

  return runOf;
}
