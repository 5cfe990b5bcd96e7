import type { ChosenPeople, LookUp } from '@dossier/contract';
import { skipToken } from '@reduxjs/toolkit/query';
import { useEffect, useState } from 'react';
import { useDispatch } from 'react-redux';
import { api, problemText } from '@/lib/api';
import { useLookUpMutation, useLookUpStateQuery } from './api';

const LOOK_MS = 1_000;

/** Asking a directory, as far as it is. @param known one that was begun before */
export function useLookUp(known?: LookUp | null) {
  const dispatch = useDispatch();
  const [own, setOwn] = useState<string>();
  const [ask, { isLoading, error }] = useLookUpMutation();
  const id = own ?? known?.id;
  const [isMoving, setIsMoving] = useState(false);
  const { data } = useLookUpStateQuery(id ?? skipToken, { pollingInterval: isMoving ? LOOK_MS : 0, refetchOnMountOrArgChange: true }); // prettier-ignore
  const state = data ?? known ?? undefined;
  const isRunning = id !== undefined && state?.state === 'running';
  if (isRunning !== isMoving) setIsMoving(isRunning);
  const ended = state && state.state !== 'running' ? `${state.id} ${state.state}` : undefined;
  useEffect(() => {
    // What was found is there now.
    if (ended) dispatch(api.util.invalidateTags(['Finding']));
  }, [dispatch, ended]);
  const begin = async (who: ChosenPeople): Promise<boolean> => {
    const { data: begun } = await ask(who);
    if (begun) setOwn(begun.id);
    return begun !== undefined;
  };
  return { begin, isUnderWay: isLoading || isRunning, state, problem: error ? problemText(error) : undefined };
}
