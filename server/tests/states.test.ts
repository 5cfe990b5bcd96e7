import { randomUUID } from 'node:crypto';
import type { ConsentGiven, FiledByItself, ProofCard } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { createDataSource } from '../src/dataSource';
import { PHOTO_TRANSITIONS, photoStates } from '../src/features/capture/photoStates';
import { CARD_TRANSITIONS, cardStates } from '../src/features/reading/cardStates';
import { Client, demoPhoto, personFields } from './client';
import { databaseOf, until } from './services';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let owner: DataSource;
/** Who may see the queue. */
let serving: DataSource;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
  serving = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
});
afterAll(() => Promise.all([owner.destroy(), serving.destroy()]));

const rowOf = async (table: 'photo' | 'card', id: string) =>
  (await owner.query<Record<string, unknown>[]>(`select * from ${table} where id = $1`, [id]))[0]!;
const isInTray = async (id: string) => (await rep.tray()).some((item) => item.id === id);
/** A picture kept in other bytes than any other test has sent. */
const other = (name: string) => Buffer.concat([demoPhoto(name), Buffer.from(randomUUID())]);
const erase = (personId: string) => manager.send('POST', `/people/${personId}/erase`);
const named = (card: ProofCard, field: string) => card.proposals.filter((p) => p.field === field).map((p) => p.value);

describe('states', () => {
  it.each([
    ['photo', PHOTO_TRANSITIONS, photoStates],
    ['card', CARD_TRANSITIONS, cardStates],
  ] as const)('of a %s follow the table and nothing else', async (table, transitions, states) => {
    const [item] = await rep.photograph(other('skerry'));
    const id = table === 'photo' ? item!.photoId! : item!.id;
    const all = Object.keys(transitions);
    for (const from of all) {
      for (const to of all) {
        await owner.query(`update ${table} set state = $2 where id = $1`, [id, from]);
        const may = from === to || (transitions as Record<string, readonly string[]>)[from]!.includes(to);
        expect([from, to, await states.moveIfMay(owner.manager, id, to as never)]).toEqual([from, to, may]);
        expect((await rowOf(table, id)).state).toBe(may ? to : from);
      }
    }
    await owner.query(`update ${table} set state = 'discarded' where id = $1`, [id]);
  });
});

describe('a photograph', () => {
  it('that was removed stays out of the tray when its reading fails afterwards', async () => {
    const photoId = randomUUID();
    // Broken in the middle: it is taken, and cannot be read.
    const bytes = other('skerry');
    await rep.sendPhoto(photoId, Buffer.concat([bytes.subarray(0, 400), Buffer.alloc(4_000, 7)]));
    expect((await rep.send('DELETE', `/photos/${photoId}`)).status).toBe(204);
    await until(async () => {
      const jobs = await serving.query<unknown[]>('select from graphile_worker.jobs where key = $1', [
        `read:${photoId}`,
      ]);
      return jobs.length === 0;
    });
    expect((await rowOf('photo', photoId)).state).toBe('discarded');
    expect(await isInTray(photoId)).toBe(false);
  });

  it('with a person who is erased is not read for ever, and keeps the cards of others', async () => {
    const [one, another] = await rep.photograph(other('pair'));
    const { body } = await rep.file({ cardId: one!.id, fields: personFields({ familyName: `Moor ${randomUUID()}` }) });
    // As when its borders were set anew just before.
    await owner.query(`update photo set state = 'reading' where id = $1`, [one!.photoId]);
    expect((await erase(body.personId)).status).toBe(204);
    expect((await rowOf('photo', one!.photoId!)).state).toBe('read');
    expect(await isInTray(another!.id)).toBe(true);
    expect((await rep.get(`/cards/${another!.id}/picture`)).status).toBe(200);

    const [alone] = await rep.photograph(other('skerry'));
    const filed = await rep.file({ cardId: alone!.id, fields: personFields({ familyName: `Moor ${randomUUID()}` }) });
    await owner.query(`update photo set state = 'waiting' where id = $1`, [alone!.photoId]);
    expect((await erase(filed.body.personId)).status).toBe(204);
    expect((await rowOf('photo', alone!.photoId!)).state).toBe('discarded');
  });
});

describe('a back', () => {
  const joined = async () => {
    const front = await rep.typedCard(`Ada Moor\nBuyer\nada.${randomUUID()}@moor.example`);
    const back = await rep.typedCard('Bakery counter\n+44 1632 960311\nwww.moor.example');
    expect((await rep.send('PUT', `/cards/${front}/back`, { cardId: back })).status).toBe(204);
    return { front, back };
  };

  it('goes with its front when that is removed, and comes back with it', async () => {
    const { front, back } = await joined();
    await rep.send('PATCH', '/cards', { cardIds: [front], state: 'discarded' });
    // So that its picture goes when the day of second thoughts is over.
    expect(await rowOf('card', back)).toMatchObject({ state: 'discarded', discarded_at: expect.any(Date) });
    expect(await isInTray(back)).toBe(false);
    await rep.send('PATCH', '/cards', { cardIds: [front], state: 'toProve' });
    expect(await isInTray(front)).toBe(true);
    expect((await rep.card(front)).body.back?.cardId).toBe(back);
  });

  it('keeps its fields when a card from text is read again', async () => {
    const { front } = await joined();
    const before = (await rep.card(front)).body;
    expect(named(before, 'website')).toHaveLength(1);
    await rep.send('POST', '/cards/read-again', { cardIds: [front], country: 'GB', languages: [] });
    const after = (await rep.card(front)).body;
    expect(named(after, 'website')).toEqual(named(before, 'website'));
    expect(named(after, 'phone')).toEqual(named(before, 'phone'));
  });

  it('on its way is waited for before a front is filed by itself', async () => {
    const occasion = randomUUID();
    await rep.send('PUT', `/occasions/${occasion}`, { name: `Quay ${occasion.slice(0, 4)}`, filesItself: true });
    const [frontId, backId] = [randomUUID(), randomUUID()];
    const at = '2026-11-20T10:00:00.000Z';
    // The back is taken first here, and waits: nobody reads it until it is let go.
    await rep.send('PUT', `/photos/${backId}?takenAt=${at}&occasion=${occasion}&backOf=${frontId}`, other('kestrel'));
    await rep.send('PUT', `/photos/${frontId}?takenAt=${at}&occasion=${occasion}`, other('tidewater'));
    const [front] = await until(async () => {
      const cards = await owner.query<{ id: string; state: string }[]>('select id, state from card where photo_id = $1', [frontId]); // prettier-ignore
      const backs = await owner.query<{ state: string }[]>('select state from photo where id = $1', [backId]);
      return cards.length > 0 && backs[0]?.state === 'read' && cards;
    });
    const back = await until(async () => {
      const [row] = await owner.query<{ front_card_id: string | null }[]>('select front_card_id from card where photo_id = $1', [backId]); // prettier-ignore
      return row?.front_card_id ? row : undefined;
    });
    expect(back.front_card_id).toBe(front!.id);
    const discard = () => rep.send('PATCH', '/cards', { cardIds: [front!.id], state: 'discarded' });
    // From here on it is filed no more, if it has not been: nobody is left behind whom other tests would meet.
    await discard();
    const filed = (await rep.get<FiledByItself>('/filed-by-itself')).body.items.find((i) => i.cardId === front!.id);
    // With the back's lines, or left to a person: never the front alone.
    if (filed) {
      expect((await rep.person(filed.personId)).cardIds).toHaveLength(2);
      await rep.send('POST', '/filed-by-itself/take-back', { personIds: [filed.personId] });
      await discard();
    }
  });
});

describe('locks', () => {
  it('are taken in one order: cards and photographs changed by many at once stand in nobody’s way', async () => {
    const items = await rep.photograph(other('table'));
    const photoId = items[0]!.photoId!;
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) => [
        rep.send('POST', '/cards/read-again', { cardIds: items.map(({ id }) => id), country: 'GB', languages: [] }),
        rep.send('PATCH', '/cards', { cardIds: [items[i % items.length]!.id], state: i % 2 ? 'setAside' : 'toProve' }),
        rep.send('DELETE', `/photos/${photoId}`),
        rep.send('PATCH', '/cards', { cardIds: items.map(({ id }) => id).reverse(), state: 'discarded' }),
      ]).flat(),
    );
    for (const { status } of answers) expect(status).toBeLessThan(500);
  });
});

describe('a filed card', () => {
  const consent: ConsentGiven = { channels: ['email'], scope: 'offers', wording: 'May we write?', how: 'spoken' };
  const fields = () =>
    personFields({ familyName: `Moor ${randomUUID()}`, company: 'Moor', emails: [`${randomUUID()}@moor.example`] });

  it('goes back to the tray, and takes with it what only it has taught', async () => {
    const [item] = await rep.photograph(other('kestrel'));
    const domain = `own-${randomUUID().slice(0, 8)}.example`;
    const firm = `Otter ${domain.slice(4, 8)} Ltd`;
    const { body } = await rep.file({
      cardId: item!.id,
      fields: personFields({ familyName: 'Otter', company: firm, emails: [`o@${domain}`] }),
    });
    const taught = () => owner.query<unknown[]>('select from learned_fact where domain = $1', [domain]);
    expect((await taught()).length).toBeGreaterThan(0);
    expect((await rep.send('POST', `/people/${body.personId}/take-back`)).status).toBe(204);
    expect(await taught()).toEqual([]);
    expect(await isInTray(item!.id)).toBe(true);
    expect((await rep.get(`/people/${body.personId}`)).status).toBe(404);
    expect(await owner.query('select from company where name = $1', [firm])).toEqual([]);
    // It can be filed once more.
    expect((await rep.file({ cardId: item!.id, fields: fields() })).status).toBe(201);
  });

  it('stays filed when something was done to its person since: a consent, a correction, another card', async () => {
    const acts: ((id: string) => Promise<{ status: number }>)[] = [
      (id) => rep.send('POST', `/people/${id}/consents`, consent),
      async (id) =>
        rep.send('PUT', `/people/${id}`, { version: 1, fields: (await rep.person(id)).fields, kind: 'lead', tags: ['x'], rating: null }), // prettier-ignore
      async (id) => rep.file({ cardId: await rep.typedCard(), fields: fields(), known: { personId: id, version: 1 } }),
    ];
    for (const act of acts) {
      const id = await rep.filed(fields());
      expect((await act(id)).status).toBeLessThan(300);
      const refused = await rep.send<{ code: string }>('POST', `/people/${id}/take-back`);
      expect([refused.status, refused.body.code]).toEqual([409, 'changed-since']);
      expect((await rep.person(id)).deletedAt).toBeNull();
    }
    // What was asked while filing goes with the filing.
    const asked = await rep.filed(fields(), { consent });
    expect((await rep.send('POST', `/people/${asked}/take-back`)).status).toBe(204);
  });
});
