import 'reflect-metadata';
import { randomBytes, randomUUID } from 'node:crypto';
import type { AskedReading, Problem } from '@dossier/contract';
import sharp from 'sharp';
import { createDataSource } from '../src/dataSource';
import { forgetRead } from '../src/features/exchange/readings/forgetRead';
import { Client, demoPhoto } from './client';
import { databaseOf, until } from './services';

jest.setTimeout(180_000);

let rep: Client;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
});

const raw = { 'content-type': 'image/jpeg' };
const ask = (given: Buffer | { text: string }, query = '', headers: Record<string, string> = {}) =>
  rep.send<AskedReading>('POST', `/readings?wait=60${query}`, given, {
    ...(Buffer.isBuffer(given) && raw),
    ...headers,
  });
const inTray = async (id: string) => (await rep.tray()).some((item) => item.photoId === id || item.id === id);

/** Somebody whom nobody else of these tests is. */
const clean = (familyName: string) =>
  `Ingrid ${familyName}\nHead of procurement\n${familyName} Shipyard Ltd\ningrid@${familyName.toLowerCase()}.example\n+44 1632 960${String(familyName.length).padStart(3, '1')}`;

describe('a picture', () => {
  it('goes in, and what stands on its cards comes out; it lies in no tray', async () => {
    const { status, body, headers } = await ask(demoPhoto('skerry'), '&pictures=1');
    expect([status, body.state, body.cards.length]).toEqual([200, 'done', 1]);
    expect(headers.get('location')).toBe(`/api/v1/readings/${body.id}`);
    const [card] = body.cards;
    expect(card!.fields).toMatchObject({ givenName: 'Tobias', familyName: 'Skerritt', company: 'Skerry Fish Auctions Ltd' }); // prettier-ignore
    expect(card!.fields.emails).toEqual(['t.skerritt@skerryfish.example']);
    expect(card!.outcome).toEqual({ state: 'read' });
    expect(card!.lines.length).toBeGreaterThan(4);
    expect(Buffer.from(card!.picture!, 'base64').subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
    expect(await inTray(body.id)).toBe(false);
    const again = await rep.get<AskedReading>(`/readings/${body.id}`);
    expect(again.body.cards[0]!.picture).toBeUndefined();
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await stranger.get(`/readings/${body.id}`)).status).toBe(404);
  });

  it('may come as the file of a form, or not at all', async () => {
    const form = (name: string | null, bytes: Buffer) => {
      const body = new FormData();
      if (name) body.set(name, new Blob([new Uint8Array(bytes)]), 'card.jpg');
      else body.set('text', 'nothing');
      return fetch(`${process.env.DOSSIER_TEST_ADDRESS}/readings?wait=60`, { method: 'POST', headers: { cookie: rep.cookie }, body }); // prettier-ignore
    };
    const read = (await (await form('picture', demoPhoto('kestrel'))).json()) as AskedReading;
    expect(read.cards.length).toBeGreaterThan(0);
    const refused = await form(null, Buffer.alloc(0));
    expect([refused.status, ((await refused.json()) as Problem).code]).toEqual([400, 'no-picture']);
    expect((await form('picture', Buffer.from('no picture at all'))).status).toBe(415);
    expect((await form('picture', Buffer.alloc(16_000_000))).status).toBe(413);
    expect((await ask(Buffer.alloc(0))).status).toBe(400);
    expect((await ask(Buffer.from('GIF89a is none'))).status).toBe(415);
    expect((await rep.send('POST', '/readings?file=customer', demoPhoto('skerry'), raw)).status).toBe(400);
    expect((await rep.send('POST', '/readings', Buffer.from('half a form'), { 'content-type': 'multipart/form-data' })).status).toBe(400); // prettier-ignore
    expect((await rep.send('POST', '/readings', Buffer.from('--x\r\nContent'), { 'content-type': 'multipart/form-data; boundary=x' })).status).toBe(400); // prettier-ignore
  });

  it('under the same key is the same reading, also when it comes three times at once', async () => {
    const key = { 'idempotency-key': `gate ${randomUUID()}` };
    const answers = await Promise.all([1, 2, 3].map(() => ask(demoPhoto('kestrel'), '', key)));
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    expect(new Set(answers.map(({ body }) => body.id)).size).toBe(1);
    expect(new Set(answers.flatMap(({ body }) => body.cards.map(({ id }) => id))).size).toBe(answers[0]!.body.cards.length); // prettier-ignore
    expect((await ask(demoPhoto('kestrel'), '', { 'idempotency-key': 'x'.repeat(101) })).status).toBe(400);
  });

  it('that was only to be read can be sent as a photograph, as if it had never come', async () => {
    const [r, g, b] = randomBytes(3);
    const picture = await sharp({ create: { width: 320, height: 200, channels: 3, background: { r: r!, g: g!, b: b! } } }).png().toBuffer(); // prettier-ignore
    const sent = () => rep.send('PUT', `/photos/${randomUUID()}?takenAt=2026-11-20T10:00:00.000Z&file=1`, picture);
    expect((await ask(picture, '', { 'content-type': 'image/png' })).status).toBe(200);
    expect((await sent()).status).toBe(201);
    expect((await sent()).status).toBe(409);
  });

  it('that is asked for without waiting is answered at once, and again when it is done', async () => {
    const { status, body } = await rep.send<AskedReading>('POST', '/readings', demoPhoto('skerry'), raw);
    expect([200, 202]).toContain(status);
    const done = await until(async () => {
      const answer = await rep.get<AskedReading>(`/readings/${body.id}`);
      return answer.status === 200 && answer.body;
    });
    expect(done.cards).toHaveLength(1);
  });

  it('that nothing can be read of says so', async () => {
    const broken = Buffer.concat([demoPhoto('skerry').subarray(0, 400), Buffer.alloc(2000, 7)]);
    const { body } = await ask(broken);
    expect(body).toMatchObject({ state: 'unreadable', cards: [] });
    expect(body.message).toMatch(/\w/);
    expect(await inTray(body.id)).toBe(false);
  });

  it('that was only to be read is forgotten a day later, with what was read', async () => {
    const { body } = await ask(demoPhoto('skerry'));
    const { body: kept } = await ask({ text: clean('Oldersund') }, '&file=contact');
    const owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
    await owner.query(`update asked_reading set made_at = now() - interval '25 hours' where id = any($1)`, [[body.id, kept.id]]); // prettier-ignore
    const serving = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
    expect(await forgetRead(serving)).toBeGreaterThan(0);
    const left = await owner.query<{ photos: number; cards: number }[]>(
      `select (select count(*)::int from photo where id = $1) as photos, (select count(*)::int from card where photo_id = $1) as cards`,
      [body.id],
    );
    expect(left).toEqual([{ photos: 0, cards: 0 }]);
    expect((await rep.get(`/readings/${body.id}`)).status).toBe(404);
    expect((await rep.get(`/readings/${kept.id}`)).status).toBe(200);
    await Promise.all([owner.destroy(), serving.destroy()]);
  });
});

describe('what is to be filed', () => {
  it('is filed where there is nothing to ask; the second time the person is known', async () => {
    const { body } = await ask({ text: clean('Quistgaard') }, '&file=lead');
    const [card] = body.cards;
    expect(card!.doubts).toEqual([]);
    expect(card!.outcome.state).toBe('filed');
    const { personId } = card!.outcome as { personId: string };
    expect(await rep.person(personId)).toMatchObject({ kind: 'lead', fullName: 'Ingrid Quistgaard' });
    const again = (await ask({ text: clean('Quistgaard') }, '&file=contact')).body.cards[0]!;
    expect(again.outcome).toMatchObject({ state: 'known', personId, fullName: 'Ingrid Quistgaard' });
    expect(await inTray(again.id)).toBe(true);
  });

  it('waits in the tray where somebody must look, and what becomes of it then is told', async () => {
    const { body } = await ask({ text: 'Nobody Else\nHallvard Moorings' }, '&file=contact');
    expect(body.cards[0]!.outcome).toEqual({ state: 'waits' });
    expect(await inTray(body.id)).toBe(true);
    await rep.send('PATCH', '/cards', { cardIds: [body.id], state: 'discarded' });
    const { cards } = (await rep.get<AskedReading>(`/readings/${body.id}`)).body;
    expect(cards[0]!.outcome).toEqual({ state: 'removed' });
  });

  it('is read with the country that it is said to come from', async () => {
    const text = 'Jonas Bergqvist\nBergqvist Segel\njonas@bergqvist-segel.example\n08-123 456 78';
    const numbers = async (country: string) =>
      (await ask({ text }, `&country=${country}`)).body.cards[0]!.fields.phones.map(({ value }) => value);
    expect([await numbers('SE'), await numbers('GB')]).not.toEqual([await numbers('SE'), await numbers('SE')]);
    expect(await numbers('SE')).toEqual(['+46812345678']);
    expect((await ask({ text: ' \n ' })).status).toBe(422);
  });
});
