import { randomUUID } from 'node:crypto';
import { request as httpRequest } from 'node:http';
import type { ProofCard } from '@dossier/contract';
import { Client, demoPhoto, personFields } from './client';
import { until } from './services';

jest.setTimeout(180_000);

let rep: Client;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
});

const address = () => process.env.DOSSIER_TEST_ADDRESS!;
const pasted = (text: string) => ({ kind: 'text', text, takenAt: '2026-11-24T09:00:00.000Z', occasionId: null });
const sendText = (text: string, id: string = randomUUID()) =>
  rep.send<{ code: string; detail: string; errors: { path: string }[] }>('PUT', `/cards/${id}/text`, pasted(text));
const valuesOf = ({ proposals }: ProofCard, field: string) =>
  proposals.filter((p) => p.field === field).map((p) => p.value);

/** What `fetch` would not send. @returns the status */
const raw = (method: string, path: string, headers: Record<string, string>, body = ''): Promise<number> =>
  new Promise((resolve, reject) => {
    const { hostname, port, pathname } = new URL(address());
    const request = httpRequest(
      { hostname, port, method, path: pathname + path, headers: { cookie: rep.cookie, ...headers } },
      (response) => {
        response.resume();
        resolve(response.statusCode!);
      },
    );
    request.on('error', reject);
    request.end(body);
  });
describe('a character beyond the basic plane', () => {
  it.each(['📞', '🇬🇧', '𠮷'])('%s is kept wherever it is', async (sign) => {
    const id = randomUUID();
    const answer = await sendText(`Ingrid Halvorsen\n${sign} +44 1632 960417\ningrid@tarnvalley.example\n${sign}`, id);
    expect(answer.status).toBe(201);
    const { body } = await rep.card(id);
    expect(body.reading.lines.map((line) => line.text).join('\n')).toContain(sign);
    // Every place in a line is a place in its characters.
    for (const line of body.reading.lines) expect(line.characters).toHaveLength(line.text.length);
    expect(valuesOf(body, 'phone')).toEqual(['+441632960417']);
    const personId = await rep.filed({ familyName: `Halvorsen ${sign}` }, { cardId: id, note: `Said ${sign}` });
    const person = await rep.person(personId);
    expect([person.fields.familyName, person.notes[0]!.text]).toEqual([`Halvorsen ${sign}`, `Said ${sign}`]);
    expect((await rep.get<{ total: number }>(`/people?q=${encodeURIComponent(sign)}`)).body.total).toBe(1);
  });

  it.each([
    ['NUL', 'Ingrid\0 Halvorsen\ningrid@tarnvalley.example'],
    ['half a character', 'Ingrid \uD83D Halvorsen\ningrid@tarnvalley.example'],
  ])('%s is refused with a word that says where', async (_what, text) => {
    const answer = await sendText(text);
    expect([answer.status, answer.body.code]).toEqual([400, 'unwritable-text']);
    expect(answer.body.errors[0]!.path).toBe('text');
    expect(answer.body.detail).toMatch(/Type the text anew/);
  });
});

describe('a request that cannot be read', () => {
  const json = { 'content-type': 'application/json' };
  const cursor = (place: unknown) => Buffer.from(JSON.stringify(place)).toString('base64url');

  it.each([
    ['a tray behind no date', 'GET', `/tray?cursor=${cursor(['2026', NO_ID()])}`, {}, 400],
    ['a tray behind no id', 'GET', `/tray?cursor=${cursor(['2026-11-20T10:00:00.000Z', '-'.repeat(36)])}`, {}, 400],
    ['people behind no id', 'GET', `/people?cursor=${cursor(['bell', '-'.repeat(36)])}`, {}, 400],
    ['people behind a NUL', 'GET', `/people?cursor=${cursor(['b\0', NO_ID()])}`, {}, 400],
    ['people with a NUL', 'GET', '/people?q=%00', {}, 400],
    ['a bad %', 'GET', '/people/%E0%A4%A', {}, 400],
    ['a NUL in the path', 'GET', '/people/%00', {}, 400],
    ['no origin', 'POST', '/sweeps', { ...json, origin: 'null' }, 403],
    ['an unknown charset', 'POST', '/matches', { 'content-type': 'application/json; charset=klingon' }, 415],
    ['an unknown packing', 'POST', '/matches', { ...json, 'content-encoding': 'pigeon' }, 415],
    ['no JSON', 'POST', '/matches', json, 400],
    ['too much JSON', 'POST', '/matches', json, 413],
  ])('gets the answer that says so: %s', async (what, method, path, headers, status) => {
    const body = what === 'too much JSON' ? `"${'x'.repeat(300_000)}"` : method === 'POST' ? '{' : '';
    expect(await raw(method, path, headers, body)).toBe(status);
  });

  it('is told in words for a person and not in those of the program', async () => {
    const answers = [
      await rep.send<Told>('PUT', `/people/${randomUUID()}`, {}),
      await rep.send<Told>('POST', '/merges', { into: 7, others: [] }),
      await rep.send<Told>('PATCH', '/cards', { cardIds: [], state: 'burnt' }),
      await rep.send<Told>('PUT', '/cards/abc/text', pasted('x')),
      await rep.send<Told>('POST', '/people', { cardId: 'x' }, { 'idempotency-key': 'k' }),
    ];
    for (const { status, body } of answers) {
      expect(status).toBe(400);
      for (const words of [body.detail, ...body.errors.map(({ message }) => message)])
        expect(words).not.toMatch(/invalid|expected|received|undefined|NaN|uuid|regex/i);
    }
  });

  it('broken off on its way is no fault of the program', async () => {
    const { hostname, port, pathname } = new URL(address());
    const id = randomUUID();
    await new Promise<void>((resolve) => {
      const request = httpRequest({
        hostname,
        port,
        method: 'PUT',
        path: `${pathname}/photos/${id}?takenAt=2026-11-20T10:00:00.000Z`,
        headers: { cookie: rep.cookie, 'content-type': 'image/jpeg', 'content-length': '900000' },
      });
      request.on('error', () => resolve());
      request.write(demoPhoto('skerry').subarray(0, 50_000), () => request.destroy());
      request.on('close', () => resolve());
    });
    // The same photograph sent whole is taken.
    expect((await rep.sendPhoto(id, demoPhoto('skerry'))).status).toBe(201);
    await rep.itemsOf(id);
  });

  it('under one key for several cards at once files one of them and tells the others', async () => {
    const key = randomUUID();
    const cardIds = await Promise.all(Array.from({ length: 12 }, () => rep.typedCard()));
    const answers = await Promise.all(
      cardIds.map((cardId) => rep.file({ cardId, fields: personFields({ familyName: 'Onekey' }) }, key)),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([201, ...Array.from({ length: 11 }, () => 409)]);
    expect(new Set(answers.filter(({ status }) => status === 409).map(({ body }) => body.code))).toEqual(
      new Set(['key-reused']),
    );
  });
});

interface Told {
  detail: string;
  errors: { message: string }[];
}
function NO_ID(): string {
  return '01900000-0000-7000-8000-0000000000ff';
}

describe('text made to be slow', () => {
  it.each([
    ['one endless word', 'a'.repeat(20_000)],
    ['sixty lines of forms of address', Array.from({ length: 60 }, () => 'Dr. '.repeat(80)).join('\n')],
  ])('holds up nobody else: %s', async (_what, text) => {
    const slow = Promise.all(Array.from({ length: 6 }, () => sendText(text)));
    // Others are answered for as long as they are looked through, one after the other.
    const others = async () => {
      for (let answered = 0; answered < 5; answered++) expect((await rep.get('/session')).status).toBe(200);
    };
    const first = await Promise.race([others().then(() => 'others'), slow.then(() => 'slow')]);
    expect([first, ...(await slow).map(({ status }) => status >= 500)]).toEqual(['others', ...Array(6).fill(false)]);
  });
});

describe('a session', () => {
  it('takes its stream of events with it when it ends', async () => {
    const leaving = await Client.signedIn('idris@keldermoss.example');
    const stream = await fetch(`${address()}/tray/events`, { headers: { cookie: leaving.cookie } });
    const ended = new Response(stream.body).text();
    const out = await leaving.send('DELETE', '/session');
    expect(out.headers.get('clear-site-data')).toBe('"cache"');
    expect(await ended).toContain('retry:');
  });
});

describe('a picture', () => {
  it('is kept by the browser under its own name, and asked for again under that of its card', async () => {
    const [item] = await rep.photograph(demoPhoto('skerry'));
    const { body: card } = await rep.card(item!.id);
    const own = await rep.get(`/cards/${item!.id}/picture?of=${card.pictureId}`);
    expect(own.headers.get('cache-control')).toContain('immutable');
    const plain = await rep.get(`/cards/${item!.id}/picture`);
    expect(plain.headers.get('cache-control')).toBe('private, no-cache');
    const asked = { 'if-none-match': plain.headers.get('etag')! };
    expect(await raw('GET', `/cards/${item!.id}/picture`, asked)).toBe(304);
    // Another border makes another picture, under another name.
    const outlines = (await rep.get<{ width: number; height: number }>(`/photos/${item!.photoId}/outlines`)).body;
    const { width, height } = outlines;
    const quad = [[0, 0], [width, 0], [width, height], [0, height]]; // prettier-ignore
    const change = { outlines: [{ cardId: item!.id, quad, upright: true }] };
    expect((await rep.send('PUT', `/photos/${item!.photoId}/outlines`, change)).status).toBe(204);
    const changed = await until(async () => {
      const { body } = await rep.card(item!.id);
      return body.pictureId !== card.pictureId && body;
    });
    expect((await rep.get(`/cards/${item!.id}/picture?of=${changed.pictureId}`)).headers.get('etag')).not.toBe(
      plain.headers.get('etag'),
    );
    await rep.send('PATCH', '/cards', { cardIds: [item!.id], state: 'discarded' });
  });

  it('of a photograph is made small once', async () => {
    const id = randomUUID();
    await rep.sendPhoto(id, demoPhoto('table'));
    const sizes = async () => (await rep.get(`/photos/${id}/picture?size=thumbnail`)).headers.get('etag');
    const first = await sizes();
    expect(await sizes()).toBe(first);
    const items = await rep.itemsOf(id);
    await rep.send('PATCH', '/cards', { cardIds: items.map((item) => item.id), state: 'discarded' });
  });
});
