import { useTodayQuery } from '../api';
import { here } from '../tasks/dueWords';

const LOOK_MS = 60_000;

/** How many things need whoever is signed in today, cards in the tray left out: those have a count of their own. */
export function useTodayCount(): number {
  const { data } = useTodayQuery({ ...here(), time: '' }, { pollingInterval: LOOK_MS });
  return data?.items.filter(({ kind }) => kind !== 'lead').length ?? 0;
}
