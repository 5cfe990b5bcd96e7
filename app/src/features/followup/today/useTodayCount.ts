import type { TodayItem } from '@dossier/contract';
import { useEffect, useRef } from 'react';
import { notify } from '@/lib/notify';
import { useTodayQuery } from '../api';
import { here } from '../tasks/dueWords';

const LOOK_MS = 60_000;

/**
 * How many things need whoever is signed in today, cards in the tray left out: those have a count of their own. Answers that come and
 * tasks whose time has come are told outside the window too.
 */
export function useTodayCount(): number {
  const { data } = useTodayQuery({ ...here(), time: '' }, { pollingInterval: LOOK_MS });
  useWord(data?.items);
  return (
    data?.items.filter((item) => item.kind !== 'lead' && !(item.kind === 'opportunity' && item.why === 'noStep'))
      .length ?? 0
  );
}

/** What is there when the page is opened is no news. */
function useWord(items: readonly TodayItem[] | undefined): void {
  const told = useRef<Set<string>>(undefined);
  useEffect(() => {
    if (!items) return;
    const { time } = here();
    const news = items.flatMap((item) => wordOf(item, time));
    const first = told.current === undefined;
    const known = (told.current ??= new Set());
    for (const { id, words } of news) {
      if (!first && !known.has(id)) void notify(words, id);
      known.add(id);
    }
  }, [items]);
}

export function wordOf(item: TodayItem, time: string): { id: string; words: string }[] {
  if (item.kind === 'answer') return [{ id: item.message.id, words: `${item.person.fullName} has answered.` }];
  if (item.kind !== 'task' || !item.task.dueTime || item.task.dueTime > time) return [];
  const about = item.task.person?.fullName;
  return [
    { id: `${item.task.id} ${item.task.dueTime}`, words: about ? `${item.task.text} (${about})` : item.task.text },
  ];
}
