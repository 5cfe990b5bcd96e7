import { createApi, fetchBaseQuery, type BaseQueryApi, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import { Problem } from '@dossier/contract';

export const API = '/api/v1';

const request = fetchBaseQuery({ baseUrl: API });

/** How often somebody has signed in again, and whether it was whoever was here before. */
let signedIn = { times: 0, isSame: false };

/** What waits for somebody to be signed in again. */
let waiting: ((isSame: boolean) => void)[] = [];

/** @param since how often somebody had when what was refused set out: its answer may come after they have */
const signedInAgain = (since: number): Promise<boolean> =>
  since < signedIn.times ? Promise.resolve(signedIn.isSame) : new Promise((resolve) => waiting.push(resolve));

/** Somebody has signed in. @param isSame whoever was here before: what they were doing goes on */
export function tellSignedIn(isSame: boolean): void {
  signedIn = { times: signedIn.times + 1, isSame };
  const told = waiting;
  waiting = [];
  for (const resolve of told) resolve(isSame);
}

type AskWho = () => Parameters<BaseQueryApi['dispatch']>[0];
let askWho: AskWho | undefined;

/** How to ask who is signed in; said by the room that knows. */
export function onRefused(ask: AskWho): void {
  askWho = ask;
}

/**
 * Anything refused for want of a session has the session asked for again: its answer leads to the sign-in page. What somebody was
 * doing is done once they have signed in again; what was only asked for is asked for anew then.
 */
const requestAsSomebody: typeof request = async (call, store, extra) => {
  const { times } = signedIn;
  const answer = await request(call, store, extra);
  if (answer.error?.status !== 401 || ['session', 'signIn', 'signOut'].includes(store.endpoint)) return answer;
  // At once: what is invalidated is asked for again only when no act is under way any more, and this one waits for the answer.
  if (askWho) store.dispatch(askWho());
  return store.type === 'mutation' && (await signedInAgain(times)) ? request(call, store, extra) : answer;
};

/** The one API; each room injects its endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: requestAsSomebody,
  tagTypes: [
    'Session',
    'Team',
    'Backup',
    'Token',
    'Origin',
    'Webhook',
    'Delivery',
    'System',
    'Handing',
    'Elsewhere',
    'Tray',
    'Card',
    'Person',
    'PeopleChange',
    'Import',
    'ListView',
    'Learned',
    'Occasion',
    'Photo',
    'Share',
    'Today',
    'Task',
    'Message',
    'Template',
    'Plan',
    'Mail',
    'DoNotWrite',
    'Feed',
    'OwnCard',
    'Place',
    'Directory',
    'Finding',
    'Device',
    'Booking',
    'Pipeline',
    'Opportunity',
    'Figures',
  ],
  endpoints: () => ({}),
});

/** Parts of what the tag `Tray` stands for: its rows, the cards to be proved in one go, how far the batch is, which cards are there twice. */
export const TRAY_ROWS = { type: 'Tray', id: 'rows' } as const;
export const TRAY_BATCH = { type: 'Tray', id: 'batch' } as const;
export const TRAY_RUN = { type: 'Tray', id: 'run' } as const;
export const TRAY_TWINS = { type: 'Tray', id: 'twins' } as const;

/** What kind of problem the server names. */
export const problemCode = (error: unknown): string | undefined =>
  Problem.safeParse((error as Partial<FetchBaseQueryError> | undefined)?.data).data?.code;

/** There was no answer: no network, or no server. */
export const isUnreachable = (error: unknown): boolean =>
  ['FETCH_ERROR', 'TIMEOUT_ERROR'].includes(String((error as Partial<FetchBaseQueryError> | undefined)?.status));

/** What went wrong, in words for the person at the screen. */
export function problemText(error: unknown): string {
  const { data } = (error ?? {}) as Partial<FetchBaseQueryError>;
  if (isUnreachable(error)) return 'Dossier cannot be reached. Check the connection and try again.';
  const problem = Problem.safeParse(data);
  return problem.success ? problem.data.detail : 'Something went wrong. Try again in a moment.';
}

/** What is wrong with which field, as the server names them. */
export const problemErrors = (error: unknown): NonNullable<Problem['errors']> =>
  Problem.safeParse((error as Partial<FetchBaseQueryError> | undefined)?.data).data?.errors ?? [];

/** Asked for by a link that leads to nothing, or is none. */
export const isNotHere = (error: unknown): boolean => hasStatus(error, 404) || hasStatus(error, 400);

export const hasStatus = (error: unknown, status: number): boolean =>
  (error as { status?: unknown } | undefined)?.status === status;
