import type { DestinationAuth } from '@dossier/contract';
import { textAt } from '@dossier/core/exchange/handOver';
import {
  askOutside,
  OutsideTimeout,
  OutsideTrouble,
  type Allowed,
  type OutsideAnswer,
} from '../../../platform/outside';
import type { Sealing } from '../../../platform/sealing';
import { NotLetIn } from './outcome';

/** What was asked last, and what came back, for whoever looks at it later. */
export interface Asked {
  request: string;
  status: number | null;
  answer: string | null;
}

/** What is asked, and how we show who we are there. */
export interface Place {
  id: string;
  base: string;
  auth: DestinationAuth;
  /** Sealed. */
  secret: string | null;
}

const KEPT_CHARACTERS = 4_000;
/** Descriptions of fields are long. */
const MOST_BYTES = 2 * 1024 * 1024;
const EARLY_MS = 5_000;
/** So often a request is sent before the sending is tried again later. */
const TRIES = 3;
const SOON_MS = 200;
/** Whoever asks for a longer pause gets it, later. */
const LONGEST_WAIT_MS = 2_000;
/** Tokens that are good for a while, in this process: by destination and what they were got with. */
const tokens = new Map<string, { token: string; until: number }>();

/** Asks one destination, showing who we are. A token that has run out is got anew, once. */
export class Asking {
  last: Asked | undefined;
  /** Whether it gives tokens itself: one that it does not know is its own trouble. */
  readonly givesTokens: boolean;
  private readonly ask;

  constructor(
    private readonly place: Place,
    private readonly sealing: Sealing,
    allowed: Allowed,
  ) {
    this.ask = askOutside(allowed, MOST_BYTES);
    this.givesTokens = place.auth.kind === 'oauth';
  }

  /**
   * What goes wrong for a moment is asked again at once, a few times, where asking twice does no harm.
   * @throws OutsideTrouble
   */
  async json(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<OutsideAnswer & { json: unknown }> {
    const isHarmless = method !== 'POST' || Object.keys(headers).length > 0;
    for (let tries = 1; ; tries++) {
      const last = tries === TRIES;
      const answer = await this.letIn(method, path, body, headers).catch((error: unknown) => {
        // Whoever does not answer in time is not kept waiting for.
        if (last || !isHarmless || !(error instanceof OutsideTrouble) || error instanceof OutsideTimeout) throw error;
        return undefined;
      });
      const pause = answer ? pauseAfter(answer, isHarmless) : SOON_MS;
      const isHalf =
        answer !== undefined && answer.status < 300 && answer.body !== '' && parsed(answer.body) === undefined;
      if (answer && (last || (pause === undefined && !(isHalf && isHarmless))))
        return { ...answer, json: parsed(answer.body) };
      await new Promise((resolve) =>
        setTimeout(resolve, Math.max(pause ?? 0, SOON_MS * tries * (0.5 + Math.random()))),
      );
    }
  }

  /** A token that has run out is got anew, once. */
  private async letIn(
    method: string,
    path: string,
    body: unknown,
    headers: Record<string, string>,
  ): Promise<OutsideAnswer> {
    // prettier-ignore
    const answer = await this.once(method, path, body, headers);
    if (answer.status !== 401 || this.place.auth.kind !== 'oauth') return answer;
    tokens.delete(this.tokenKey());
    return this.once(method, path, body, headers);
  }

  private async once(
    method: string,
    path: string,
    body: unknown,
    headers: Record<string, string>,
  ): Promise<OutsideAnswer> {
    const sent = body === undefined ? undefined : JSON.stringify(body);
    // What shows who we are is kept nowhere.
    this.last = {
      request: `${method} ${path}${sent ? `\n${sent}` : ''}`.slice(0, KEPT_CHARACTERS),
      status: null,
      answer: null,
    };
    const answer = await this.ask({
      url: this.place.base.replace(/\/+$/, '') + path,
      method,
      headers: { accept: 'application/json', ...(sent && { 'content-type': 'application/json' }), ...headers, ...(await this.proof()) }, // prettier-ignore
      body: sent,
    });
    this.last = { ...this.last, status: answer.status, answer: answer.body.slice(0, KEPT_CHARACTERS) };
    return answer;
  }

  private async proof(): Promise<Record<string, string>> {
    const { auth } = this.place;
    const secret = this.place.secret ? this.sealing.open(this.place.secret) : '';
    switch (auth.kind) {
      case 'none':
        return {};
      case 'header':
        return { [auth.header.toLowerCase()]: secret };
      case 'basic':
        return { authorization: `Basic ${Buffer.from(`${auth.user}:${secret}`).toString('base64')}` };
      case 'bearer':
        return { authorization: `Bearer ${secret}` };
      case 'oauth':
        return { authorization: `Bearer ${await this.token(auth, secret)}` };
    }
  }

  private tokenKey = (): string => `${this.place.id} ${this.place.secret} ${JSON.stringify(this.place.auth)}`;

  private async token(auth: Extract<DestinationAuth, { kind: 'oauth' }>, secret: string): Promise<string> {
    const known = tokens.get(this.tokenKey());
    if (known && known.until > Date.now()) return known.token;
    const form = new URLSearchParams({ grant_type: 'client_credentials', client_id: auth.client, client_secret: secret, ...(auth.scope && { scope: auth.scope }) }); // prettier-ignore
    const answer = await this.ask({
      url: this.place.base.replace(/\/+$/, '') + auth.tokenPath,
      method: 'POST',
      headers: { accept: 'application/json', 'content-type': 'application/x-www-form-urlencoded' },
      body: form.toString(),
    });
    const json = parsed(answer.body);
    const token = textAt(json, 'access_token');
    if (answer.status >= 500 || answer.status === 429) throw new OutsideTrouble('It gives us no token just now.');
    if (!token) throw new NotLetIn('It does not let us in: look at client and secret.');
    const seconds = Number(textAt(json, 'expires_in')) || 60;
    tokens.set(this.tokenKey(), { token, until: Date.now() + seconds * 1000 - EARLY_MS });
    return token;
  }
}

/** How long to wait before the same is asked again, in milliseconds; undefined where that is of no use. */
function pauseAfter({ status, headers }: OutsideAnswer, isHarmless: boolean): number | undefined {
  const isPassing = status === 429 || (isHarmless && status >= 500);
  const wanted = (Number(headers['retry-after']) || 0) * 1000;
  return isPassing && wanted <= LONGEST_WAIT_MS ? wanted : undefined;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
