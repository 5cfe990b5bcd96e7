import { OccasionFields, type Occasion as OccasionView } from '@dossier/contract';
import { useCallback, useMemo } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { api } from '@/lib/api';
import { readDeviceSetting, writeDeviceSetting } from '@/lib/deviceSetting';
import { selectWaitingRequests, sendOrKeep, type Answer } from '@/lib/outbox';
import { useOccasionsQuery } from './api';
import { captureSlice, selectOccasionId } from './slice';

const PATH = /^\/occasions\/([0-9a-f-]{36})$/;
const settingOf = (accountId: string): string => `occasion.${accountId}`;

/**
 * The occasions of the workspace, those that this device could not send yet included, and the one that
 * is set here. It stays set until it is changed, also when Dossier is closed.
 */
export function useOccasions(accountId: string) {
  const dispatch = useDispatch();
  const { data, error, isLoading } = useOccasionsQuery();
  const requests = useSelector(selectWaitingRequests);
  const chosen = useSelector(selectOccasionId);

  const items = useMemo(() => {
    const kept = new Map((data?.items ?? []).map((occasion) => [occasion.id, occasion]));
    for (const { path, body } of requests) {
      const id = PATH.exec(path)?.[1];
      const fields = OccasionFields.safeParse(body);
      if (!id || !fields.success) continue;
      kept.set(id, { inTray: 0, filed: 0, ...kept.get(id), ...fields.data, id });
    }
    return [...kept.values()];
  }, [data, requests]);

  const currentId = chosen ?? readDeviceSetting<string | null>(settingOf(accountId), null);
  const current = items.find((occasion) => occasion.id === currentId && !occasion.closed);

  const choose = useCallback(
    (id: string | null) => {
      dispatch(captureSlice.actions.occasionSet(id));
      writeDeviceSetting(settingOf(accountId), id);
    },
    [accountId, dispatch],
  );

  /** Makes or changes an occasion, also without a network. @returns its id and what became of it */
  const save = useCallback(
    async (fields: OccasionFields, id: string = uuidv7()): Promise<{ id: string; answer: Answer }> => {
      const answer = await sendOrKeep(accountId, {
        method: 'PUT',
        path: `/occasions/${id}`,
        body: fields,
        words: `Occasion “${fields.name}”`,
      })(dispatch);
      if (answer === 'sent') dispatch(api.util.invalidateTags(['Occasion', 'Tray', 'Card']));
      return { id, answer };
    },
    [accountId, dispatch],
  );

  return { items, current, choose, save, error, isLoading };
}

/** First and last day in words: "24 to 26 March", "24 March". */
export function daysOf({ startsOn, endsOn }: Pick<OccasionView, 'startsOn' | 'endsOn'>): string {
  const day = (iso: string) => new Date(`${iso}T12:00:00`);
  const write = (iso: string) => day(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
  if (!startsOn) return endsOn ? `until ${write(endsOn)}` : '';
  if (!endsOn || endsOn === startsOn) return write(startsOn);
  const sameMonth = startsOn.slice(0, 7) === endsOn.slice(0, 7);
  return `${sameMonth ? day(startsOn).getDate() : write(startsOn)} to ${write(endsOn)}`;
}

/** Place and days in one line. */
export const whereAndWhen = (occasion: Pick<OccasionView, 'place' | 'startsOn' | 'endsOn'>): string =>
  [occasion.place, daysOf(occasion)].filter(Boolean).join(' · ');
