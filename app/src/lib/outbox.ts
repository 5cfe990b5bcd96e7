import { Problem } from '@dossier/contract';
import { createSlice, type Dispatch, type PayloadAction } from '@reduxjs/toolkit';
import { v7 as uuidv7 } from 'uuid';
import { API } from './api';
import { readDeviceSetting, writeDeviceSetting } from './deviceSetting';
import { deviceStore, type KeptRequest } from './deviceStore';
import { forgetDraft } from './draftStore';

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
    requestRefused(state, { payload }: PayloadAction<{ id: string; refusal: string | null }>) {
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

/** Answers that have nothing to do with what was sent: everything waits until the server, or the session, is back. */
const WAIT_FOR = new Set([401, 408, 425, 429, 502, 503, 504]);

/**
 * `sent`; `tryLater` when nothing can be sent at the moment; `failed` when this one went wrong at the server, which others may not;
 * or why it was refused: sending the same once more is of no use then.
 */
export type Answer = 'sent' | 'tryLater' | 'failed' | { refusal: string };

/** So often one thing may go wrong at the server before it is set aside for a person. */
const MOST_FAILURES = 4;
const SET_ASIDE = 'This was tried several times, and Dossier could not take it. It stays here: send it again later, or remove it.'; // prettier-ignore

/** What becomes of something that went wrong once more: it waits for its next turn, or is set aside with a word why. */
export function afterFailure<T extends { failures?: number; refusal: string | null }>(kept: T): T {
  const failures = (kept.failures ?? 0) + 1;
  return failures < MOST_FAILURES ? { ...kept, failures } : { ...kept, failures: 0, refusal: SET_ASIDE };
}

/** What an answer of the server means for something kept on this device. @param response undefined when there was none */
export async function meaningOf(response: Response | undefined, whenUnclear: string): Promise<Answer> {
  if (response?.ok) return 'sent';
  if (!response || WAIT_FOR.has(response.status)) return 'tryLater';
  if (response.status >= 500) return 'failed';
  const problem = Problem.safeParse(await response.json().catch(() => undefined));
  return { refusal: problem.success ? problem.data.detail : whenUnclear };
}

const asSent = ({ method, headers, body }: WaitingRequest): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json', ...headers },
  body: JSON.stringify(body),
});

/** So much may be on its way when a page is closed (Fetch standard, 4.5 "in-flight keepalive bytes"). */
const MOST_AT_CLOSING = 60_000;

/** Held back so that it can be undone, or so long that it has just set out: that is broken off with the page. */
const goesAtClosing = ({ notBefore, refusal }: WaitingRequest): boolean => notBefore !== undefined && refusal === null;

/**
 * The page is being closed: what was held back so that it could be undone is sent now, as far as the browser lets it go out. It stays on
 * this device as well until a later visit learns that it has arrived: sending it twice is sending it once.
 */
export function sendHeldAtClosing(waiting: readonly WaitingRequest[]): void {
  let bytes = 0;
  const sent: string[] = [];
  for (const request of waiting.filter(goesAtClosing)) {
    const init = asSent(request);
    bytes += (init.body as string).length;
    if (bytes > MOST_AT_CLOSING) break;
    void fetch(API + request.path, { ...init, keepalive: true }).catch(() => undefined);
    sent.push(request.id);
  }
  // The only store that is written before the page is gone.
  if (sent.length > 0) writeDeviceSetting(SENT_AT_CLOSING, sent);
}

const SENT_AT_CLOSING = 'sentAtClosing';

/** What was sent as an earlier visit ended can no longer be taken back: it is not offered any more. */
function releaseSentAtClosing<T extends { id: string; notBefore?: number }>(kept: readonly T[]): T[] {
  const sent = new Set(readDeviceSetting<string[]>(SENT_AT_CLOSING, []));
  if (sent.size > 0) writeDeviceSetting(SENT_AT_CLOSING, []);
  return kept.map((request) => (sent.has(request.id) ? { ...request, notBefore: undefined } : request));
}

async function send(request: WaitingRequest): Promise<Answer> {
  const response = await fetch(API + request.path, asSent(request)).catch(() => undefined);
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
  async (dispatch: Dispatch): Promise<Exclude<Answer, 'failed'>> => {
    // Kept before it is sent: a closed browser loses nothing.
    const waiting = withId(request);
    onTheirWay.add(waiting.id);
    const store = await deviceStore();
    await store.put('requests', { ...waiting, accountId });
    const answer = await send(waiting);
    onTheirWay.delete(waiting.id);
    if (answer === 'tryLater' || answer === 'failed') {
      dispatch(requestKept(waiting));
      return 'tryLater';
    }
    await store.delete('requests', waiting.id);
    return answer;
  };

export const forgetRequest =
  (id: string) =>
  async (dispatch: Dispatch): Promise<void> => {
    await (await deviceStore()).delete('requests', id);
    dispatch(requestDone(id));
  };

/** What was refused or set aside is to be sent once more. */
export const sendRequestAgain =
  (id: string) =>
  async (dispatch: Dispatch): Promise<void> => {
    const store = await deviceStore();
    const request = await store.get('requests', id);
    if (!request) return;
    await store.put('requests', { ...request, refusal: null, failures: 0 });
    dispatch(requestRefused({ id, refusal: null }));
  };

/** Finds what an earlier visit left on this device. */
export const findKeptRequests =
  (accountId: string) =>
  async (dispatch: Dispatch): Promise<void> => {
    const store = await deviceStore();
    const found = await store.getAllFromIndex('requests', 'byAccount', accountId);
    const kept = releaseSentAtClosing(found);
    for (const [i, request] of kept.entries()) if (request !== found[i]) await store.put('requests', request);
    dispatch(requestsFound(kept.map(({ accountId: _, ...request }) => request).sort((a, b) => (a.id < b.id ? -1 : 1))));
  };

/** `done` with one: sent, or set aside; `failed` when its next turn is to come; `tryLater` when nothing can be sent. */
export type SendOutcome = 'done' | 'failed' | 'tryLater';

/** It can still be undone. */
export const isHeld = ({ notBefore }: Pick<KeptRequest, 'notBefore'>): boolean => (notBefore ?? 0) > Date.now();

/** Sends a request kept earlier; a refusal stays with it for a person to see. */
export const sendKept =
  ({ accountId, ...request }: KeptRequest) =>
  async (dispatch: Dispatch): Promise<SendOutcome> => {
    if (onTheirWay.has(request.id) || isHeld(request)) return 'done';
    // Undone in the meantime, here or in another tab.
    if ((await (await deviceStore()).getKey('requests', request.id)) === undefined) return 'done';
    const answer = await send(request);
    if (answer === 'tryLater') return 'tryLater';
    if (answer === 'failed') {
      const after = afterFailure({ ...request, accountId });
      await (await deviceStore()).put('requests', after);
      if (after.refusal) dispatch(requestRefused({ id: request.id, refusal: after.refusal }));
      return after.refusal ? 'done' : 'failed';
    }
    if (answer === 'sent') {
      await forgetRequest(request.id)(dispatch);
      // A filed card needs no draft any more.
      if (request.cardId) await forgetDraft(request.cardId);
    } else {
      await (await deviceStore()).put('requests', { ...request, accountId, refusal: answer.refusal });
      dispatch(requestRefused({ id: request.id, refusal: answer.refusal }));
    }
    return 'done';
  };
