import { Problem } from '@dossier/contract';
import { createSlice, type Dispatch, type PayloadAction } from '@reduxjs/toolkit';
import { v7 as uuidv7 } from 'uuid';
import { API } from './api';
import { deviceStore, type KeptRequest } from './deviceStore';

export type WaitingRequest = Omit<KeptRequest, 'accountId'>;

export const outboxSlice = createSlice({
  name: 'outbox',
  initialState: { waiting: [] as WaitingRequest[] },
  reducers: {
    requestsFound(state, { payload }: PayloadAction<WaitingRequest[]>) {
      state.waiting = payload;
    },
    requestKept(state, { payload }: PayloadAction<WaitingRequest>) {
      state.waiting.push(payload);
    },
    requestDone(state, { payload }: PayloadAction<string>) {
      state.waiting = state.waiting.filter(({ id }) => id !== payload);
    },
    requestRefused(state, { payload }: PayloadAction<{ id: string; refusal: string }>) {
      const request = state.waiting.find(({ id }) => id === payload.id);
      if (request) request.refusal = payload.refusal;
    },
  },
});
const { requestDone, requestKept, requestRefused, requestsFound } = outboxSlice.actions;

export interface WithOutbox {
  outbox: { waiting: WaitingRequest[] };
}

export const selectWaitingRequests = (state: WithOutbox): WaitingRequest[] => state.outbox.waiting;

/** Answers after which sending the same once more is of no use. */
const REFUSALS = new Set([400, 404, 409, 413, 415, 422]);

export type Answer = 'sent' | 'tryLater' | { refusal: string };

/** What an answer of the server means for something kept on this device. @param response undefined when there was none */
export async function meaningOf(response: Response | undefined, whenUnclear: string): Promise<Answer> {
  if (response?.ok) return 'sent';
  if (!response || !REFUSALS.has(response.status)) return 'tryLater';
  const problem = Problem.safeParse(await response.json().catch(() => undefined));
  return { refusal: problem.success ? problem.data.detail : whenUnclear };
}

async function send({ method, path, headers, body }: WaitingRequest): Promise<Answer> {
  const response = await fetch(API + path, {
    method,
    headers: { 'Content-Type': 'application/json', ...headers },
    body: JSON.stringify(body),
  }).catch(() => undefined);
  return meaningOf(response, 'This was not accepted. Do it once more.');
}

/** A request as its maker gives it. Sending it twice must be the same as sending it once. */
export type NewRequest = Pick<KeptRequest, 'method' | 'path' | 'body' | 'words'> &
  Partial<Pick<KeptRequest, 'headers' | 'cardId' | 'notBefore'>>;

const withId = (request: NewRequest): WaitingRequest => ({
  headers: {},
  cardId: null,
  ...request,
  id: uuidv7(),
  refusal: null,
});

/** Keeps a request on this device; it is sent with everything else that waits. @returns its id */
export const keepForLater =
  (accountId: string, request: NewRequest) =>
  async (dispatch: Dispatch): Promise<string> => {
    const waiting = withId(request);
    await (await deviceStore()).put('requests', { ...waiting, accountId });
    dispatch(requestKept(waiting));
    return waiting.id;
  };

/** Requests that are on their way at this moment: nobody else here sends them too. */
const onTheirWay = new Set<string>();

/**
 * Sends a request, or keeps it on this device until it can be sent.
 * @returns `sent`; `tryLater` when it is kept; or why it was refused, in which case it is not kept
 */
export const sendOrKeep =
  (accountId: string, request: NewRequest) =>
  async (dispatch: Dispatch): Promise<Answer> => {
    // Kept before it is sent: a closed browser loses nothing.
    const waiting = withId(request);
    onTheirWay.add(waiting.id);
    const store = await deviceStore();
    await store.put('requests', { ...waiting, accountId });
    const answer = await send(waiting);
    onTheirWay.delete(waiting.id);
    if (answer === 'tryLater') dispatch(requestKept(waiting));
    else await store.delete('requests', waiting.id);
    return answer;
  };

export const forgetRequest =
  (id: string) =>
  async (dispatch: Dispatch): Promise<void> => {
    await (await deviceStore()).delete('requests', id);
    dispatch(requestDone(id));
  };

/** Finds what an earlier visit left on this device. */
export const findKeptRequests =
  (accountId: string) =>
  async (dispatch: Dispatch): Promise<void> => {
    const kept = await (await deviceStore()).getAllFromIndex('requests', 'byAccount', accountId);
    dispatch(requestsFound(kept.map(({ accountId: _, ...request }) => request).sort((a, b) => (a.id < b.id ? -1 : 1))));
  };

/** It can still be undone. */
export const isHeld = ({ notBefore }: Pick<KeptRequest, 'notBefore'>): boolean => (notBefore ?? 0) > Date.now();

/** Sends a request kept earlier; a refusal stays with it for a person to see. */
export const sendKept =
  ({ accountId, ...request }: KeptRequest) =>
  async (dispatch: Dispatch): Promise<'done' | 'tryLater'> => {
    if (onTheirWay.has(request.id) || isHeld(request)) return 'done';
    // Undone in the meantime, here or in another tab.
    if ((await (await deviceStore()).getKey('requests', request.id)) === undefined) return 'done';
    const answer = await send(request);
    if (answer === 'tryLater') return 'tryLater';
    if (answer === 'sent') {
      await forgetRequest(request.id)(dispatch);
      // A filed card needs no draft any more.
      if (request.cardId) await (await deviceStore()).delete('drafts', request.cardId);
    } else {
      await (await deviceStore()).put('requests', { ...request, accountId, refusal: answer.refusal });
      dispatch(requestRefused({ id: request.id, refusal: answer.refusal }));
    }
    return 'done';
  };
