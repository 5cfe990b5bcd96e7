import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { FileCard, Match, Matches, Person, PersonFields, ProofCard, Tray, TrayItem } from '@dossier/contract';
import { emptyPersonFields } from '@dossier/core/people';
import { until } from './services';

export interface Answer<T = unknown> {
  status: number;
  body: T;
  headers: Headers;
}

/** Somebody at the door of the API, with the cookie of a browser. */
export class Client {
  cookie = '';

  constructor(private readonly address = process.env.DOSSIER_TEST_ADDRESS!) {}

  static async signedIn(email: string, password = 'cold-chain', address?: string): Promise<Client> {
    const client = new Client(address);
    const { status } = await client.send('POST', '/session', { email, password });
    if (status !== 201) throw new Error(`${email} could not sign in: ${status}`);
    return client;
  }

  async send<T = unknown>(
    method: string,
    path: string,
    body?: object | Buffer,
    headers: Record<string, string> = {},
  ): Promise<Answer<T>> {
    const raw = Buffer.isBuffer(body);
    const response = await fetch(this.address + path, {
      method,
      headers: { cookie: this.cookie, ...(body && !raw && { 'content-type': 'application/json' }), ...headers },
      body: body === undefined ? undefined : raw ? new Uint8Array(body) : JSON.stringify(body),
    });
    const set = response.headers.get('set-cookie');
    if (set) this.cookie = set.split(';')[0]!;
    const text = await response.text();
    const isJson = response.headers.get('content-type')?.includes('json');
    return { status: response.status, body: (isJson ? JSON.parse(text) : text) as T, headers: response.headers };
  }

  get<T>(path: string): Promise<Answer<T>> {
    return this.send<T>('GET', path);
  }

  async person(id: string): Promise<Person> {
    return (await this.get<Person>(`/people/${id}`)).body;
  }

  /** Who is perhaps the person of these fields. */
  async matches(fields: PersonFields, cardId: string | null = null): Promise<Match[]> {
    return (await this.send<Matches>('POST', '/matches', { fields, cardId })).body.matches;
  }

  sendPhoto(id: string, bytes: Buffer): Promise<Answer> {
    return this.send('PUT', `/photos/${id}?takenAt=2026-11-20T10:00:00.000Z`, bytes);
  }

  /** Sends a photograph and waits for its cards. */
  async photograph(bytes: Buffer): Promise<TrayItem[]> {
    const id = randomUUID();
    const { status } = await this.sendPhoto(id, bytes);
    if (status !== 201) throw new Error(`The photograph was not taken: ${status}`);
    return this.itemsOf(id);
  }

  /** All that is in the tray, page by page. */
  async tray(query: Record<string, string> = {}): Promise<TrayItem[]> {
    const { items, next } = (await this.get<Tray>(`/tray?${new URLSearchParams(query)}`)).body;
    return next ? [...items, ...(await this.tray({ ...query, cursor: next }))] : items;
  }

  itemsOf(photoId: string): Promise<TrayItem[]> {
    return until(async () => {
      const own = (await this.tray()).filter((item) => item.photoId === photoId);
      return own.length > 0 && own.every((item) => !['waiting', 'reading'].includes(item.state)) ? own : undefined;
    });
  }

  card(id: string): Promise<Answer<ProofCard>> {
    return this.get<ProofCard>(`/cards/${id}`);
  }

  /** A card without a picture, of what somebody typed or pasted. */
  async typedCard(text = 'Nobody Inparticular\nnobody@quay.example', occasionId?: string): Promise<string> {
    const id = randomUUID();
    const { status } = await this.send('PUT', `/cards/${id}/text`, {
      kind: 'text',
      text,
      takenAt: '2026-11-20T10:00:00.000Z',
      ...(occasionId && { occasionId }),
    });
    if (status >= 300) throw new Error(`The text was not taken: ${status}`);
    return id;
  }

  /** Somebody filed from such a card. @returns the person's id */
  async filed(fields: Partial<PersonFields>, rest: Partial<Filing> = {}): Promise<string> {
    const { status, body } = await this.file({ cardId: await this.typedCard(), fields: personFields(fields), ...rest });
    if (status >= 300) throw new Error(`Not filed: ${status} ${body.detail}`);
    return body.personId;
  }

  file(request: Filing, key: string = randomUUID()) {
    const body = { kind: 'contact', note: '', known: null, fields: emptyPersonFields(), ...request };
    return this.send<{ personId: string; outcome: string; detail: string; code: string }>('POST', '/people', body, {
      'idempotency-key': key,
    });
  }
}

type Filing = Omit<Partial<FileCard>, 'known'> & {
  cardId: string;
  known?: { personId: string; version: number; newJob?: boolean } | null;
};

export const demoPhoto = (name: string): Buffer => readFileSync(join(__dirname, '../../demo/photos', `${name}.jpg`));

export const personFields = (fields: Partial<PersonFields>): PersonFields => ({ ...emptyPersonFields(), ...fields });
