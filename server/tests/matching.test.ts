import { randomUUID } from 'node:crypto';
import type { Duplicates, LatestSweep, TrayTwins } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { createDataSource } from '../src/dataSource';
import { nightlySweepsTask } from '../src/features/matching/nightlySweeps';
import { Client } from './client';
import { drawnPeople } from './somebody';
import { databaseOf, until } from './services';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let owner: DataSource;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
});
afterAll(() => owner.destroy());
const somebody = drawnPeople('matching');

describe('who is perhaps known', () => {
  it('is found by a name misread, with the reasons, and follows the fields', async () => {
    const fields = somebody({ emails: [], phones: [] });
    const id = await rep.filed(fields);
    const misread = { ...fields, familyName: fields.familyName.replace('m', 'rn') };
    const [match] = await rep.matches(misread);
    expect(match).toMatchObject({ person: { id }, newJob: false });
    expect(match!.evidence.map(({ words }) => words)).toContain('same firm');
    expect(await rep.matches({ ...misread, familyName: 'Abernethy', givenName: 'Otto' })).toEqual([]);
  });

  it('is found by letters alone when nothing else agrees', async () => {
    const fields = somebody({
      familyName: 'Brackenridge',
      company: '',
      emails: [],
      phones: [],
      postalCode: '',
      title: '',
    });
    const id = await rep.filed(fields);
    const [match] = await rep.matches({ ...fields, familyName: 'Barckenrigde' });
    expect(match?.person.id).toBe(id);
  });

  it('is offered in a new job, and filed so: the old one ends and stays', async () => {
    const fields = somebody();
    const id = await rep.filed(fields);
    const elsewhere = {
      ...fields,
      company: 'Grainlock Moorings',
      title: 'Owner',
      emails: ['y@grainlock-moorings.example'],
      postalCode: 'PE1 1AA',
    };
    const [match] = await rep.matches(elsewhere);
    expect(match).toMatchObject({ person: { id }, newJob: true });
    const known = { personId: id, version: match!.person.version, newJob: true };
    expect((await rep.file({ cardId: await rep.typedCard(), fields: elsewhere, known })).body.outcome).toBe('newJob');
    const after = await rep.person(id);
    expect(after.formerJobs).toMatchObject([{ company: fields.company, title: fields.title }]);
    expect(after.fields).toMatchObject({ company: 'Grainlock Moorings', title: 'Owner' });
    expect(after.history[0]!.action).toBe('newJob');
  });

  it('is asked once: who was said to be somebody else is not offered again', async () => {
    const fields = somebody();
    const id = await rep.filed(fields);
    const cardId = await rep.typedCard();
    expect((await rep.send('POST', '/not-same', { ids: [cardId, id] })).status).toBe(204);
    expect(await rep.matches(fields, cardId)).toEqual([]);
    expect(await rep.matches(fields)).toHaveLength(1);
    const other = await rep.filed(fields, { cardId, notSame: [id] });
    await rep.send('POST', '/sweeps');
    const { groups } = await sweepDone();
    expect(groups.filter(({ people }) => people.some((p) => p.id === other))).toEqual([]);
  });

  it('is asked about from the likelihood that the workspace has set', async () => {
    const fields = somebody();
    await rep.filed(fields);
    // The same name in another firm: perhaps, and how surely depends on who else is filed here by now.
    const namesake = { ...somebody(), givenName: fields.givenName, familyName: fields.familyName };
    const [match] = await rep.matches(namesake);
    expect(match).toMatchObject({ band: 'perhaps' });
    const settings = { filesItself: false, ratings: ['Hot', 'Warm', 'Cool'], limits: { same: 0.95, perhaps: 0.05 } };
    const withLimits = (limits: object) => manager.send('PUT', '/filing-settings', { ...settings, limits });
    try {
      expect((await withLimits({ same: 0.99, perhaps: 0.5 })).status).toBe(204);
      expect(await rep.matches(namesake)).toHaveLength(match!.likelihood < 0.5 ? 0 : 1);
      expect((await withLimits({ same: 0.99, perhaps: Math.max(0.01, Math.min(0.5, match!.likelihood - 0.05)) })).status).toBe(204); // prettier-ignore
      expect(await rep.matches(namesake)).toHaveLength(1);
      expect((await withLimits({ same: 0.5, perhaps: 0.5 })).status).toBe(400);
      expect((await withLimits({ same: 0.5, perhaps: 0.02 })).status).toBe(204);
      expect((await rep.matches({ ...fields, emails: [], phones: [] }))[0]).toMatchObject({ band: 'same' });
    } finally {
      await manager.send('PUT', '/filing-settings', settings);
    }
  });

  it('is a little likelier when both cards are from one occasion', async () => {
    const occasion = randomUUID();
    await rep.send('PUT', `/occasions/${occasion}`, { name: 'Quayside Fair' });
    const [one, other] = [await rep.typedCard(), await rep.typedCard()];
    await rep.send('PUT', '/tray/occasion', { cardIds: [one, other], occasionId: occasion });
    const fields = somebody();
    await rep.filed(fields, { cardId: one });
    const likeThem = { ...fields, emails: [], phones: [], company: '' };
    const [met] = await rep.matches(likeThem, other);
    const [elsewhere] = await rep.matches(likeThem);
    expect(met!.evidence.map(({ words }) => words)).toContain('met at the same occasion');
    expect(elsewhere!.evidence.map(({ words }) => words)).not.toContain('met at the same occasion');
    expect(met!.likelihood).toBeGreaterThanOrEqual(elsewhere!.likelihood);
  });

  it('is one firm for all spellings of it', async () => {
    const fields = somebody();
    await rep.filed({ ...fields, company: `${fields.company} Ltd` });
    const colleague = await rep.filed({ ...somebody(), company: `${fields.company.toUpperCase()}, Limited` });
    const [{ companies }] = await owner.query(
      `select count(distinct company_id)::int as companies from employment e join company c on c.id = e.company_id where c.match_key = (
         select match_key from company c join employment e on e.company_id = c.id where e.person_id = $1)`,
      [colleague],
    );
    expect(companies).toBe(1);
  });

  it('is two firms with two legal forms, and nobody’s spelling is changed', async () => {
    const name = `Weber ${randomUUID().slice(0, 6)}`;
    const spellings = [`${name} GmbH`, `${name} AG`, `${name} G.m.b.H.`];
    const people: string[] = [];
    for (const company of spellings) people.push(await rep.filed({ ...somebody(), company }));
    const spelled = await Promise.all(people.map(async (id) => (await rep.person(id)).fields.company));
    expect(spelled).toEqual([spellings[0], spellings[1], spellings[0]]);
  });
});

describe('cards of the tray', () => {
  it('of one person are pointed out before either is filed, until somebody says they are two', async () => {
    const text = 'Corwin Sealthwaite\nHarbour master\nBrackwater Quays\ncorwin@brackwater.example\n+44 7700 900417';
    const ids = [await rep.typedCard(text), await rep.typedCard(text)];
    const twin = async () =>
      (await rep.get<TrayTwins>('/tray/twins')).body.items.find(({ cardIds }) =>
        cardIds.every((id) => ids.includes(id)),
      );
    expect(await twin()).toMatchObject({ sameCard: true });
    await rep.send('POST', '/not-same', { ids });
    expect(await twin()).toBeUndefined();
  });
});

const sweepDone = () =>
  until(async () => {
    const { body } = await rep.get<Duplicates>('/duplicates');
    return body.sweep && !['waiting', 'running'].includes(body.sweep.state) ? body : undefined;
  });

describe('looking through all people', () => {
  it('finds groups, and merges the certain ones in one act that can be undone', async () => {
    const fields = somebody();
    const first = await rep.filed(fields);
    const second = await rep.filed({ ...fields, title: 'Head buyer' });
    const [one, other] = await Promise.all([rep.send('POST', '/sweeps'), rep.send('POST', '/sweeps')]);
    expect([one.status, other.status]).toEqual([202, 202]);
    const found = await sweepDone();
    const group = found.groups.find(({ people }) => people.some(({ id }) => id === first))!;
    expect(group.people.map(({ id }) => id).sort()).toEqual([first, second].sort());
    expect(group).toMatchObject({ band: 'same', newJob: false });
    expect(found.certain).toBeGreaterThan(0);
    const { body } = await rep.send<{ merged: number; mergeIds: string[] }>('POST', '/duplicates/merge');
    expect(body.merged).toBe(found.certain);
    expect((await rep.person(second)).id).toBe(first);
    expect((await rep.person(first)).fields.title).toBe('Head buyer');
    for (const id of body.mergeIds.toReversed())
      expect((await rep.send('POST', `/merges/${id}/undo`)).status).toBe(204);
    expect((await rep.person(second)).id).toBe(second);
  });

  it('merges nobody with whom a person said is somebody else, also not through a third', async () => {
    const fields = somebody();
    const [a, b, c] = [await rep.filed(fields), await rep.filed(fields), await rep.filed(fields)];
    await rep.send('POST', '/not-same', { ids: [a, c] });
    await rep.send('POST', '/sweeps');
    const found = await sweepDone();
    const groups = found.groups.map(({ people }) => people.map(({ id }) => id)).filter((ids) => ids.includes(b!));
    expect(groups).toHaveLength(1);
    expect(groups[0]).toHaveLength(2);
    const { body } = await rep.send<{ mergeIds: string[] }>('POST', '/duplicates/merge');
    expect((await rep.person(a!)).id).not.toBe((await rep.person(c!)).id);
    for (const id of body.mergeIds.toReversed()) await rep.send('POST', `/merges/${id}/undo`);
  });

  it('begins by itself at night where somebody was filed since, and tells how far it is', async () => {
    const latest = async () => (await rep.get<LatestSweep>('/sweeps/latest')).body.sweep;
    await rep.filed(somebody());
    const before = await latest();
    const database = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
    const night = async () => nightlySweepsTask(database)({}, {} as never);
    await night();
    await sweepDone();
    const after = await latest();
    expect(after).toMatchObject({ state: 'done', progress: 1 });
    expect(after!.id).not.toBe(before?.id);
    // Nobody has come since.
    await night();
    expect((await latest())!.id).toBe(after!.id);
    await database.destroy();
  });

  it('can be cancelled, and is nobody else’s business', async () => {
    await rep.send('POST', '/sweeps');
    await rep.send('DELETE', '/sweeps/latest');
    expect(['cancelled', 'done']).toContain((await sweepDone()).sweep!.state);
    const other = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await other.get<Duplicates>('/duplicates')).body.groups).toEqual([]);
  });
});
