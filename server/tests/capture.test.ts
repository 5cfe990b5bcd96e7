import { randomUUID } from 'node:crypto';
import { request as httpRequest } from 'node:http';
import type {
  OccasionList,
  PastPictures,
  Person,
  PhotoOutlines,
  ProofCard,
  Session,
  Team,
  TrayItem,
} from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { createDataSource } from '../src/dataSource';
import { removePicturesTask } from '../src/features/retention/removePictures';
import { createLogger } from '../src/platform/logger';
import { Client, demoPhoto, personFields } from './client';
import { databaseOf, until } from './services';

jest.setTimeout(180_000);

const SIGNATURE = `Best regards,

Ingrid Halvorsen
Head of Purchasing
Tarn Valley Dairies Ltd
T +44 1632 960 417
ingrid.halvorsen@tarnvalley.example
www.tarnvalley.example`;

let rep: Client;
let manager: Client;
let stranger: Client;
let owner: DataSource;
afterAll(() => owner.destroy());
beforeAll(async () => {
  owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
});

const text = (kind: 'text' | 'code' | 'blank', content: string, occasionId: string | null = null) => ({
  kind,
  text: content,
  takenAt: '2026-11-24T09:00:00.000Z',
  occasionId,
});
const valueOf = ({ proposals }: ProofCard, field: string) => proposals.find((p) => p.field === field)?.value;

async function makeOccasion(fields: object = {}): Promise<string> {
  const id = randomUUID();
  const body = { name: 'Cold-chain open day, Port Ellery', place: 'Port Ellery', ...fields };
  expect((await rep.send('PUT', `/occasions/${id}`, body)).status).toBe(204);
  return id;
}

describe('an occasion', () => {
  it('gives what is photographed under it its kind, tags and owner, up to the person filed', async () => {
    const team = (await rep.get<Team>('/team')).body.items;
    const idris = team.find((who) => who.name === 'Idris Falconer')!;
    const occasionId = await makeOccasion({ kind: 'lead', tags: ['cold chain', 'spring'], ownerId: idris.id });
    const photoId = randomUUID();
    const path = `/photos/${photoId}?takenAt=2026-11-20T10:00:00.000Z&occasion=${occasionId}`;
    expect((await rep.send('PUT', path, demoPhoto('skerry'))).status).toBe(201);
    const [item] = await rep.itemsOf(photoId);
    expect(item!.occasion).toMatchObject({ id: occasionId });
    const { occasion } = (await rep.card(item!.id)).body;
    expect(occasion).toMatchObject({ kind: 'lead', tags: ['cold chain', 'spring'], ownerId: idris.id });

    const filed = await rep.file({
      cardId: item!.id,
      kind: occasion!.kind,
      tags: [...occasion!.tags, 'Spring'],
      ownerId: occasion!.ownerId,
      fields: personFields({ familyName: 'Skerritt' }),
    });
    const { body: person } = await rep.get<Person>(`/people/${filed.body.personId}`);
    expect(person).toMatchObject({ kind: 'lead', tags: ['cold chain', 'spring'], owner: { name: 'Idris Falconer' } });
    const { items } = (await rep.get<OccasionList>('/occasions')).body;
    expect(items.find((o) => o.id === occasionId)).toMatchObject({ inTray: 0, filed: 1 });
  });

  it('sets the country of cards that do not tell theirs', async () => {
    const local = 'Birgit Thaler\nVertrieb\nMilchhof Thaler\nTel. 0512 960 417';
    const phones: (string | undefined)[] = [];
    for (const country of [null, 'AT']) {
      const cardId = randomUUID();
      await rep.send('PUT', `/cards/${cardId}/text`, text('text', local, await makeOccasion({ country })));
      phones.push(valueOf((await rep.card(cardId)).body, 'phone'));
    }
    expect(phones[1]).toMatch(/^\+43/);
    expect(phones[0]).not.toMatch(/^\+43/);
  });

  it('can be changed, is refused with what is wrong, and a second time changes nothing', async () => {
    const id = await makeOccasion();
    const same = { name: 'Walk-ins', startsOn: '2026-03-26', endsOn: '2026-03-24' };
    const wrong = await rep.send<{ detail: string }>('PUT', `/occasions/${id}`, same);
    expect([wrong.status, wrong.body.detail]).toEqual([400, 'The last day lies before the first.']);
    const right = { name: 'Walk-ins', closed: true };
    for (let i = 0; i < 2; i++) expect((await rep.send('PUT', `/occasions/${id}`, right)).status).toBe(204);
    const fresh = randomUUID();
    const both = await Promise.all([1, 2].map(() => rep.send('PUT', `/occasions/${fresh}`, right)));
    expect(both.map((answer) => answer.status)).toEqual([204, 204]);
    const { items } = (await rep.get<OccasionList>('/occasions')).body;
    expect(items.filter((o) => o.id === id)).toMatchObject([{ name: 'Walk-ins', closed: true, place: '' }]);
  });

  it('is where cards of the tray can be moved to, and by which the tray can be asked', async () => {
    const occasionId = await makeOccasion();
    const cardIds = [randomUUID(), randomUUID()];
    for (const id of cardIds) await rep.send('PUT', `/cards/${id}/text`, text('text', SIGNATURE));
    expect(await rep.tray({ occasion: occasionId })).toEqual([]);
    expect((await rep.send('PUT', '/tray/occasion', { cardIds, occasionId })).status).toBe(204);
    expect((await rep.tray({ occasion: occasionId })).map((i) => i.id).sort()).toEqual([...cardIds].sort());
    expect((await rep.tray({ occasion: 'none' })).map((i) => i.id)).not.toContain(cardIds[0]);
    expect((await rep.send('PUT', '/tray/occasion', { cardIds, occasionId: randomUUID() })).status).toBe(404);
  });

  it('of another workspace is neither seen, nor changed, nor inherited from', async () => {
    const id = await makeOccasion({ tags: ['ours'] });
    expect((await stranger.get<OccasionList>('/occasions')).body.items.map((o) => o.id)).not.toContain(id);
    expect((await stranger.send('PUT', `/occasions/${id}`, { name: 'Theirs' })).status).toBe(409);
    const cardId = randomUUID();
    await stranger.send('PUT', `/cards/${cardId}/text`, text('text', SIGNATURE, id));
    expect((await stranger.card(cardId)).body.occasion).toBeNull();
    await stranger.send('PATCH', '/cards', { cardIds: [cardId], state: 'discarded' });
  });
});

describe('a card without a picture', () => {
  it('comes from pasted text, once however often it is sent', async () => {
    const id = randomUUID();
    for (let i = 0; i < 2; i++)
      expect((await rep.send('PUT', `/cards/${id}/text`, text('text', SIGNATURE))).status).toBe(201);
    const { body: card } = await rep.card(id);
    expect(card).toMatchObject({ state: 'toProve', photoId: null, picture: false });
    expect([valueOf(card, 'familyName'), valueOf(card, 'email')]).toEqual([
      'Halvorsen',
      'ingrid.halvorsen@tarnvalley.example',
    ]);
    expect((await rep.tray()).filter((item) => item.id === id)).toHaveLength(1);
    expect((await rep.send('GET', `/cards/${id}/picture`)).status).toBe(404);
  });

  it('comes from a code that says who it is', async () => {
    const id = randomUUID();
    const mecard = 'MECARD:N:Falk,Jorunn;ORG:Nordhavn Fisk;TEL:+4755512345;EMAIL:jorunn@nordhavn.example;;';
    expect((await rep.send('PUT', `/cards/${id}/text`, text('code', mecard))).status).toBe(201);
    const { body: card } = await rep.card(id);
    expect([valueOf(card, 'givenName'), valueOf(card, 'email')]).toEqual(['Jorunn', 'jorunn@nordhavn.example']);
  });

  it('can be blank, to be typed', async () => {
    const id = randomUUID();
    await rep.send('PUT', `/cards/${id}/text`, text('blank', ''));
    expect((await rep.card(id)).body).toMatchObject({ state: 'needsPerson', proposals: [] });
    const filed = await rep.file({ cardId: id, fields: personFields({ familyName: 'Quill' }) });
    expect(filed.status).toBe(201);
  });

  it.each([
    ['text', 'The doors are in the yard. See you on Monday.'],
    ['code', 'https://nowhere'],
  ] as const)('is not made of %s that says nothing about a person', async (kind, content) => {
    const id = randomUUID();
    const { status, body } = await rep.send<{ code: string }>('PUT', `/cards/${id}/text`, text(kind, content));
    expect([status, body.code]).toEqual([422, 'nothing-read']);
    expect((await rep.card(id)).status).toBe(404);
  });
});

describe('the same file', () => {
  it('is recognised, and taken when a person insists', async () => {
    const send = (id: string, query: string) =>
      rep.send<{ code: string }>('PUT', `/photos/${id}?takenAt=2026-11-20T10:00:00.000Z${query}`, demoPhoto('kestrel'));
    expect((await send(randomUUID(), '')).status).toBe(201);
    const again = randomUUID();
    const refused = await send(again, '&file=1');
    expect([refused.status, refused.body.code]).toEqual([409, 'same-file']);
    expect((await send(again, '')).status).toBe(201);
  });
});

describe('a photograph over a slow line', () => {
  const received = (id: string, who = rep) => who.get<{ bytes: number; whole: boolean }>(`/photos/${id}/received`);
  const range = (from: number, size: number) => ({ 'content-range': `bytes ${from}-${size - 1}/${size}` });
  const put = (id: string, bytes: Buffer, headers: Record<string, string>) =>
    rep.send<{ code: string }>('PUT', `/photos/${id}?takenAt=2026-11-20T10:00:00.000Z`, bytes, headers);

  /** Sends the beginning of a photograph and breaks off. */
  async function breakOff(id: string, bytes: Buffer, upTo: number): Promise<void> {
    const { hostname, port, pathname } = new URL(process.env.DOSSIER_TEST_ADDRESS!);
    const path = `${pathname}/photos/${id}?takenAt=2026-11-20T10:00:00.000Z`;
    const headers = { cookie: rep.cookie, 'content-type': 'image/jpeg', 'content-length': String(bytes.length) };
    const request = httpRequest({ hostname, port, method: 'PUT', path, headers });
    request.on('error', () => undefined);
    await new Promise<void>((resolve) => request.write(bytes.subarray(0, upTo), () => resolve()));
    request.destroy();
    await until(async () => (await received(id)).status === 200);
  }

  it('goes on from where the line broke, and becomes the one photograph that was taken', async () => {
    const id = randomUUID();
    const bytes = demoPhoto('skerry');
    await breakOff(id, bytes, 40_000);
    const { body } = await received(id);
    expect(body.whole).toBe(false);
    expect(body.bytes).toBeGreaterThan(0);
    expect(body.bytes).toBeLessThanOrEqual(40_000);
    expect((await received(id, stranger)).status).toBe(404);
    const rest = await put(id, bytes.subarray(body.bytes), range(body.bytes, bytes.length));
    expect(rest.status).toBe(201);
    const kept = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/photos/${id}/picture`, { headers: { cookie: rep.cookie } }); // prettier-ignore
    expect(Buffer.from(await kept.arrayBuffer()).equals(bytes)).toBe(true);
    expect((await received(id)).body).toEqual({ bytes: 0, whole: true });
    for (const item of await rep.itemsOf(id))
      await rep.send('PATCH', '/cards', { cardIds: [item.id], state: 'discarded' });
  });

  it('is asked for from its beginning when nothing leads up to what comes, and refused when it cannot be placed', async () => {
    const bytes = demoPhoto('skerry');
    const [id, other] = [randomUUID(), randomUUID()];
    expect((await received(id)).status).toBe(404);
    expect((await put(id, bytes.subarray(9), range(9, bytes.length))).body.code).toBe('out-of-range');
    expect((await put(other, bytes, { 'content-range': 'bytes 0-9/10000000000' })).status).toBe(400);
    expect((await put(other, bytes, { 'content-range': 'bytes 5-9/20' })).status).toBe(400);
    expect((await put(other, bytes.subarray(0, 9), range(15 * 1024 * 1024 - 1, 16 * 1024 * 1024))).status).toBe(413);
  });
});

describe('the back photographed after its front', () => {
  it('is joined to it as soon as both are read, in whatever order they are', async () => {
    const [front, back] = [randomUUID(), randomUUID()];
    const at = '?takenAt=2026-11-20T10:00:00.000Z';
    await rep.send('PUT', `/photos/${back}${at}&backOf=${front}`, demoPhoto('kestrel'));
    const [waiting] = await rep.itemsOf(back);
    await rep.send('PUT', `/photos/${front}${at}`, demoPhoto('skerry'));
    const [item] = await rep.itemsOf(front);
    const card = await until(async () => {
      const { body } = await rep.card(item!.id);
      return body.back ? body : undefined;
    });
    expect(card.back!.cardId).toBe(waiting!.id);
    expect((await rep.tray()).map((i) => i.id)).not.toContain(waiting!.id);
  });
});

describe('borders set by hand', () => {
  const outlinesOf = async (photoId: string) => (await rep.get<PhotoOutlines>(`/photos/${photoId}/outlines`)).body;
  const change = (photoId: string, outlines: object[]) =>
    rep.send<{ code: string }>('PUT', `/photos/${photoId}/outlines`, { outlines });

  it('read again only the card that was changed, which keeps its id, and take out what has no border', async () => {
    const photoId = randomUUID();
    await rep.sendPhoto(photoId, demoPhoto('table'));
    const items = await rep.itemsOf(photoId);
    expect(items).toHaveLength(4);
    // Read a second time as well: what is told of them stays as it is from then on.
    await until(async () => (await rep.itemsOf(photoId)).every(({ rereading }) => !rereading));
    const before = await outlinesOf(photoId);
    const cards = await Promise.all(before.outlines.map(async (o) => (await rep.card(o.cardId)).body));
    const [one, two, three] = before.outlines;
    const moved = one!.quad!.map(([x, y]) => [x + 3, y + 3]);
    const kept = before.outlines
      .filter((o) => o !== three)
      .map(({ cardId, quad }) => ({ cardId, quad, upright: false }));
    const answer = await change(
      photoId,
      kept.map((o) => (o.cardId === one!.cardId ? { ...o, quad: moved } : o)),
    );
    expect(answer.status).toBe(204);
    const left = await rep.itemsOf(photoId);
    expect(left.map((i) => i.id).sort()).toEqual(kept.map((o) => o.cardId).sort());
    const after = await outlinesOf(photoId);
    expect(after.outlines.find((o) => o.cardId === one!.cardId)!.quad).not.toEqual(one!.quad);
    expect((await rep.card(two!.cardId)).body).toEqual(cards[1]);
    expect(valueOf((await rep.card(one!.cardId)).body, 'email')).toBe(valueOf(cards[0]!, 'email'));
    expect((await rep.card(three!.cardId)).body.state).toBe('discarded');
    expect((await rep.send('GET', `/cards/${one!.cardId}/picture`)).status).toBe(200);
  });

  it('find a card that was missed, also one on its side', async () => {
    const [item] = await rep.photograph(demoPhoto('kestrel'));
    const { outlines } = await outlinesOf(item!.photoId!);
    const [a, b, c, d] = outlines[0]!.quad!;
    expect((await change(item!.photoId!, [])).status).toBe(204);
    expect((await outlinesOf(item!.photoId!)).outlines).toEqual([]);
    await change(item!.photoId!, [{ cardId: null, quad: [b, c, d, a], upright: false }]);
    const [found] = await rep.itemsOf(item!.photoId!);
    expect(found!.id).not.toBe(item!.id);
    expect(found!.name).toBe(item!.name);
  });

  it('are refused where they are none, and while the photograph is being read', async () => {
    const [item] = await rep.photograph(demoPhoto('kestrel'));
    const photoId = item!.photoId!;
    const crossed = [[0, 0], [300, 300], [300, 0], [0, 300]]; // prettier-ignore
    expect((await change(photoId, [{ cardId: null, quad: crossed, upright: false }])).body.code).toBe('no-border');
    const stray = { cardId: randomUUID(), quad: [[0, 0], [300, 0], [300, 200], [0, 200]], upright: false }; // prettier-ignore
    expect((await change(photoId, [stray])).body.code).toBe('card-gone');
    const inState = (state: string) => owner.query('update photo set state = $2 where id = $1', [photoId, state]);
    await inState('reading');
    expect((await change(photoId, [])).body.code).toBe('being-read');
    await inState('read');
    expect((await stranger.send('PUT', `/photos/${photoId}/outlines`, { outlines: [] })).status).toBe(404);
  });
});

describe('several cards of the tray', () => {
  it('are set aside, taken out and put back together, or not at all', async () => {
    const cardIds = [randomUUID(), randomUUID()];
    for (const id of cardIds) await rep.send('PUT', `/cards/${id}/text`, text('text', SIGNATURE));
    const set = (state: string, ids = cardIds) => rep.send('PATCH', '/cards', { cardIds: ids, state });
    expect((await set('setAside')).status).toBe(204);
    expect((await rep.tray({ show: 'setAside' })).map((i) => i.id)).toEqual(expect.arrayContaining(cardIds));
    expect((await rep.tray({ show: 'open' })).map((i) => i.id)).not.toContain(cardIds[0]);
    expect((await set('discarded')).status).toBe(204);
    expect((await rep.tray()).map((i) => i.id)).not.toContain(cardIds[0]);
    expect((await set('toProve')).status).toBe(204);
    await rep.file({ cardId: cardIds[0]!, fields: personFields({ familyName: 'Halvorsen' }) });
    expect((await set('discarded')).status).toBe(409);
    expect((await rep.card(cardIds[1]!)).body.state).toBe('toProve');
    expect((await set('discarded', [cardIds[1]!, randomUUID()])).status).toBe(404);
  });
});

describe('a card filed without a network', () => {
  it('is refused when somebody with its address is known, and filed when nobody is', async () => {
    const fields = personFields({ familyName: 'Brack', emails: ['sefa.brack@lowfold.example'] });
    const make = async () => {
      const cardId = randomUUID();
      await rep.send('PUT', `/cards/${cardId}/text`, text('text', SIGNATURE));
      return cardId;
    };
    expect((await rep.file({ cardId: await make(), fields, uncompared: true })).status).toBe(201);
    const second = await rep.file({ cardId: await make(), fields, uncompared: true });
    expect([second.status, second.body.code]).toEqual([409, 'perhaps-known']);
  });
});

describe('pictures', () => {
  const picturesOf = async (item: TrayItem) => [
    (await rep.get(`/cards/${item.id}/picture`)).status,
    (await rep.get(`/photos/${item.photoId}/picture`)).status,
  ];
  const photographAndFile = async (occasionId: string): Promise<TrayItem> => {
    const photoId = randomUUID();
    await rep.send(
      'PUT',
      `/photos/${photoId}?takenAt=2026-11-20T10:00:00.000Z&occasion=${occasionId}`,
      demoPhoto('skerry'),
    );
    const [item] = await rep.itemsOf(photoId);
    expect(await picturesOf(item!)).toEqual([200, 200]);
    await rep.file({ cardId: item!.id, fields: personFields({ familyName: 'Skerritt' }) });
    return item!;
  };
  const kept = (item: TrayItem, wanted: number[]) =>
    until(async () => JSON.stringify(await picturesOf(item)) === JSON.stringify(wanted));

  it('of filed cards are kept, cut, or removed, as the occasion says', async () => {
    const onlyCard = await photographAndFile(await makeOccasion({ keepPictures: 'card' }));
    const nothing = await photographAndFile(await makeOccasion({ keepPictures: 'none' }));
    await kept(onlyCard, [200, 404]);
    await kept(nothing, [404, 404]);
    const everything = await photographAndFile(await makeOccasion({ keepPictures: 'photo' }));
    const { body } = await rep.card(nothing.id);
    expect([body.picture, valueOf(body, 'familyName')]).toEqual([false, 'Skerritt']);
    expect((await rep.get<Person>(`/people/${body.personId}`)).body.cardIds).toEqual([]);
    expect(await picturesOf(everything)).toEqual([200, 200]);
  });

  const setting = (body: object) => manager.send('PUT', '/picture-settings', body);

  it('go the way that was set when their card was filed, and not before', async () => {
    try {
      const before = await photographAndFile(await makeOccasion());
      expect((await setting({ keepPictures: 'none', keepDays: null })).status).toBe(204);
      const after = await photographAndFile(await makeOccasion());
      await kept(after, [404, 404]);
      await setting({ keepPictures: 'photo', keepDays: null });
      expect(await picturesOf(before)).toEqual([200, 200]);
      expect((await setting({ keepPictures: 'all', keepDays: null })).status).toBe(400);
    } finally {
      await setting({ keepPictures: 'photo', keepDays: null });
    }
  });

  it('of the past go a day after somebody said so, who was told how many there are, and can be kept until then', async () => {
    const item = await photographAndFile(await makeOccasion());
    const nothing = { keepPictures: 'none', keepDays: null };
    const { body: past } = await manager.send<PastPictures>('POST', '/picture-settings/preview', nothing);
    expect(past.cards).toBeGreaterThan(0);
    expect(past.photos).toBeGreaterThan(0);
    const whole = { keepPictures: 'photo', keepDays: null };
    expect((await manager.send<PastPictures>('POST', '/picture-settings/preview', whole)).body).toEqual({ cards: 0, photos: 0 }); // prettier-ignore
    const clearAt = async () => (await manager.get<Session>('/session')).body.workspace.clearAt;
    const database = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
    const owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
    const look = () => removePicturesTask(database, createLogger('silent', 'test'))({}, {} as never);
    try {
      await setting({ ...nothing, past: true });
      await setting(whole);
      expect(Date.parse((await clearAt())!)).toBeGreaterThan(Date.now() + 23 * 60 * 60 * 1000);
      await look();
      expect(await picturesOf(item)).toEqual([200, 200]);
      expect((await manager.send('DELETE', '/picture-settings/past')).status).toBe(204);
      expect(await clearAt()).toBeNull();
      await setting({ ...nothing, past: true });
      await owner.query(`update workspace set clear_at = now() - interval '1 minute' where clear_at is not null`);
      await look();
      // The worker may be at it as well.
      await kept(item, [404, 404]);
      expect(await clearAt()).toBeNull();
    } finally {
      await setting(whole);
      await owner.destroy();
      await database.destroy();
    }
  });

  it('are removed once they are older than was set when their card was filed', async () => {
    await setting({ keepPictures: 'photo', keepDays: 1 });
    const item = await photographAndFile(await makeOccasion());
    await setting({ keepPictures: 'photo', keepDays: null });
    const owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
    await owner.query(`update card set keep_until = keep_until - interval '2 days' where id = $1`, [item.id]);
    await owner.destroy();
    // The hourly look through all workspaces finds what nobody's change has brought up.
    const serving = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
    await removePicturesTask(serving, createLogger('silent', 'test'))({}, {} as never);
    await serving.destroy();
    await kept(item, [404, 404]);
  });
});
