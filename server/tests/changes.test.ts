import { randomUUID } from 'node:crypto';
import type {
  CellsChange,
  CellsChanged,
  ChangePreview,
  PeopleChange,
  PeopleChanges,
  PeopleChangeState,
  PeoplePage,
} from '@dossier/contract';
import { Client } from './client';
import { until } from './services';
import { Sql } from './sql';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let owner: Sql;
/** What only these tests' people have. */
const TAG = `changes ${randomUUID().slice(0, 8)}`;
const LIST = `tag=${encodeURIComponent(TAG)}`;
const filed: string[] = [];
const file = async (givenName: string, fields = {}, rest = {}) => {
  const id = await rep.filed({ givenName, familyName: 'Manyfold', ...fields }, { tags: [TAG], ...rest });
  filed.push(id);
  return id;
};

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  owner = Sql.ofOwner();
});
afterAll(async () => {
  for (const id of filed) await manager.send('POST', `/people/${id}/erase`);
  await owner.query(`delete from person where family_name = 'Manyfold'`);
  await owner.destroy();
});

const change = (who: string[] | string, what: PeopleChange, client = rep) =>
  client.send<PeopleChangeState & { code?: string; detail?: string }>('POST', '/people/changes', {
    who: typeof who === 'string' ? { list: who } : { ids: who },
    what,
  });
const preview = async (who: string[] | string, what: PeopleChange) =>
  (
    await rep.send<ChangePreview>('POST', '/people/changes', {
      who: typeof who === 'string' ? { list: who } : { ids: who },
      what,
      preview: true,
    })
  ).body;
const undo = (id: string, client = rep) => client.send<PeopleChangeState>('POST', `/people/changes/${id}/undo`);
const ended = (id: string) =>
  until(async () => {
    const { body } = await rep.get<PeopleChangeState>(`/people/changes/${id}`);
    return ['done', 'undone', 'stopped'].includes(body.state) ? body : undefined;
  });
const listed = async (query: string) =>
  (await rep.get<PeoplePage>(`/people?${LIST}&${query}`)).body.items.map(({ fullName }) => fullName);

describe('a change of a few', () => {
  it('says first what it would do, does it, stands in each history, and is taken back as a whole', async () => {
    const one = await file('Aldous', { locality: 'Port Ellery' });
    const two = await file('Brynja', { locality: 'Skerrivore' }, { kind: 'lead' });
    const before = await Promise.all([one, two].map((id) => rep.person(id)));
    const occasionId = randomUUID();
    await rep.send('PUT', `/occasions/${occasionId}`, { name: 'Harbour walk' });
    const { id: colleague } = (await manager.get<{ user: { id: string } }>('/session')).body.user;
    const what: PeopleChange = {
      addTags: ['quay visit'],
      kind: 'lead',
      rating: 'Warm',
      ownerId: colleague,
      occasionId,
      field: { name: 'company', value: 'Brack Manyfold Lighters' },
      note: 'Wants to see the dock seals.',
    };

    expect(await preview([one, two, randomUUID()], what)).toEqual({ total: 2, changed: 2, same: 0, left: [] });
    expect(await Promise.all([one, two].map((id) => rep.person(id)))).toEqual(before);

    const { status, body } = await change([one, two], what);
    expect([status, body.state, body.total, body.changed, body.leftTotal]).toEqual([202, 'done', 2, 2, 0]);
    for (const person of await Promise.all([one, two].map((id) => rep.person(id)))) {
      expect(person).toMatchObject({ kind: 'lead', rating: 'Warm', owner: { id: colleague } });
      expect(person.tags).toEqual([TAG, 'quay visit']);
      expect(person.fields).toMatchObject({ company: 'Brack Manyfold Lighters' });
      expect(person.notes.map(({ text }) => text)).toContain('Wants to see the dock seals.');
      expect(person.history[0]).toMatchObject({ action: 'edited', actor: 'Ottilie Brandt' });
      expect(person.history[0]!.changes.map(({ field }) => field)).toEqual(
        expect.arrayContaining(['company', 'tags', 'owner', 'rating', 'occasion', 'note']),
      );
    }
    // Lists and matching know it at once.
    expect(await listed(`q=lighters&occasion=${occasionId}&rating=Warm`)).toEqual([
      'Aldous Manyfold',
      'Brynja Manyfold',
    ]);
    const [known] = await rep.matches((await rep.person(one)).fields);
    expect(known?.person.id).toBe(one);

    expect((await undo(body.id)).body).toMatchObject({ state: 'undone', total: 2, changed: 2, leftTotal: 0 });
    const after = await Promise.all([one, two].map((id) => rep.person(id)));
    for (const [i, person] of after.entries()) {
      const { kind, rating, tags, fields, owner: whose, notes } = before[i]!;
      expect(person).toMatchObject({ kind, rating, tags, fields, owner: whose, notes });
    }
    expect(await listed('rating=Warm')).toEqual([]);
  });

  it('leaves alone who is so already, and says who cannot be changed and why', async () => {
    const so = await file('Cato', {}, { kind: 'lead' });
    const other = await file('Dagny');
    const nameless = await rep.filed({ company: 'Manyfold Anchors' }, { tags: [TAG] });
    filed.push(nameless);
    expect(await preview([so, other], { kind: 'lead' })).toMatchObject({ total: 2, changed: 1, same: 1 });
    const blank: PeopleChange = { field: { name: 'company', value: '' } };
    expect(await preview([nameless, other], blank)).toEqual({
      total: 2,
      changed: 0,
      same: 1,
      left: [{ why: 'nameless', people: 1, names: ['Manyfold Anchors'] }],
    });
    const { body } = await change([nameless, other], blank);
    expect(body).toMatchObject({ changed: 0, leftTotal: 1, left: [{ personId: nameless, why: 'nameless' }] });
    expect((await rep.person(so)).version).toBe(1);
  });

  it('taken back keeps what somebody changed since, and says so', async () => {
    const [one, two] = [await file('Eyvind'), await file('Fenna')];
    const { body } = await change([one, two], { rating: 'Hot', addTags: ['seal fair'] });
    const { version, fields, tags, kind } = await rep.person(two);
    await manager.send('PUT', `/people/${two}`, { version, fields, tags, kind, rating: 'Cold' });
    expect((await undo(body.id)).body).toMatchObject({
      changed: 1,
      leftTotal: 1,
      left: [{ personId: two, fullName: 'Fenna Manyfold', why: 'changedSince', field: 'rating' }],
    });
    expect(await rep.person(one)).toMatchObject({ rating: null, tags: [TAG] });
    expect(await rep.person(two)).toMatchObject({ rating: 'Cold', tags: [TAG, 'seal fair'] });
    // A second time it is done once.
    expect((await undo(body.id)).body).toMatchObject({ state: 'undone', changed: 1, leftTotal: 1 });
  });

  it('deletes, and brings back', async () => {
    const ids = [await file('Gudmund'), await file('Hedda')];
    const assistant = await Client.signedIn('pim@keldermoss.example');
    expect((await change(ids, { deleted: true }, assistant)).status).toBe(403);
    const { body } = await change(ids, { deleted: true }, manager);
    expect(await listed('q=gudmund')).toEqual([]);
    const later = await change(ids, { rating: 'Warm' });
    expect(later.body).toMatchObject({ changed: 0, leftTotal: 2, left: [{ why: 'gone' }, { why: 'gone' }] });
    expect((await undo(body.id)).status).toBe(404);
    expect((await undo(body.id, manager)).body).toMatchObject({ changed: 2 });
    expect(await listed('q=gudmund')).toEqual(['Gudmund Manyfold']);
  });

  it.each<[string, object, number]>([
    ['nothing to change', { who: { ids: [randomUUID()] }, what: {} }, 400],
    ['nobody', { who: { ids: [] }, what: { kind: 'lead' } }, 400],
    ['nobody there', { who: { ids: [randomUUID()] }, what: { kind: 'lead' } }, 400],
    ['a list that cannot be', { who: { list: 'shoesize=43' }, what: { kind: 'lead' } }, 400],
    ['a stranger as owner', { who: { ids: [randomUUID()] }, what: { ownerId: randomUUID() } }, 404],
    ['an occasion of nobody', { who: { ids: [randomUUID()] }, what: { occasionId: randomUUID() } }, 404],
    ['a field that is none', { who: { ids: [randomUUID()] }, what: { field: { name: 'shoesize', value: '43' } } }, 400],
  ])('is refused for %s', async (_what, body, status) => {
    expect((await rep.send('POST', '/people/changes', body)).status).toBe(status);
  });

  it('does not wait for, or stop, whoever writes down something about one of them', async () => {
    const id = await file('Sverre');
    await owner.transaction(async (manager) => {
      // As the database does for every note, task, card or other change of many that is about a person.
      await manager.query('select from person where id = $1 for key share', [id]);
      expect((await change([id], { rating: 'Cold' })).body).toMatchObject({ state: 'done', changed: 1 });
    });
  });

  it('touches nobody of another workspace', async () => {
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const id = await file('Idunn');
    expect((await change([id], { rating: 'Mine' }, stranger)).status).toBe(400);
    const { body } = await change([id], { rating: 'Warm' });
    expect((await undo(body.id, stranger)).status).toBe(404);
    expect((await stranger.get(`/people/changes/${body.id}`)).status).toBe(404);
    expect((await stranger.get<PeopleChanges>('/people/changes')).body.items.map((one) => one.id)).not.toContain(
      body.id,
    );
    expect((await rep.person(id)).rating).toBe('Warm');
  });
});

describe('a change of everybody in a list', () => {
  const MANY = 460;
  const names = (index: number) => `Crew ${String(index).padStart(3, '0')}`;
  beforeAll(async () => {
    const model = await file('Model');
    // As many as no hand files: copies of one.
    await owner.query(
      `insert into person select (jsonb_populate_record(p, jsonb_build_object('id', gen_random_uuid(),
         'given_name', 'Crew ' || lpad(i::text, 3, '0'), 'full_name', 'Crew ' || lpad(i::text, 3, '0') || ' Manyfold',
         'sort_name', 'manyfold crew ' || lpad(i::text, 3, '0'), 'tags', jsonb_build_array('crew')))).*
       from person p, generate_series(0, $2 - 1) i where p.id = $1`,
      [model, MANY],
    );
  });
  const crew = 'tag=crew';
  const count = async (query: string) => (await rep.get<PeoplePage>(`/people?tag=crew&${query}&limit=1`)).body.total;

  it('goes on in the background but for those left out, tells how far it is, and is taken back', async () => {
    const { items } = (await rep.get<PeoplePage>('/people?tag=crew&limit=1')).body;
    expect(items[0]!.fullName).toBe(`${names(0)} Manyfold`);
    const started = await rep.send<PeopleChangeState>('POST', '/people/changes', {
      who: { list: crew, except: [items[0]!.id] },
      what: { rating: 'Warm', note: 'Met on the quay.' },
    });
    expect(started.body).toMatchObject({ total: MANY - 1, by: 'Ottilie Brandt' });
    const done = await ended(started.body.id);
    expect(done).toMatchObject({ state: 'done', done: MANY - 1, changed: MANY - 1, leftTotal: 0 });
    expect(await count('rating=Warm')).toBe(MANY - 1);
    const latest = (await manager.get<PeopleChanges>('/people/changes')).body.items;
    expect(latest.find(({ id }) => id === started.body.id)).toMatchObject({
      what: { rating: 'Warm', note: 'Met on the quay.' },
      by: 'Ottilie Brandt',
      isOwn: true,
    });
    await undo(started.body.id);
    expect(await ended(started.body.id)).toMatchObject({ state: 'undone', changed: MANY - 1, done: MANY - 1 });
    expect(await count('rating=Warm')).toBe(0);
    expect(await count('q=quay')).toBe(0);
  });

  it('can be stopped: who was reached is different, who was not is as before, and both are so again after undoing', async () => {
    const started = await change(crew, { rating: 'Hot' });
    const stopped = await rep.send<PeopleChangeState>('DELETE', `/people/changes/${started.body.id}`);
    const { state, done, changed } = stopped.body;
    expect(['stopped', 'done']).toContain(state);
    expect(changed).toBe(done);
    expect(await count('rating=Hot')).toBe(changed);
    await undo(started.body.id);
    await ended(started.body.id);
    expect(await count('rating=Hot')).toBe(0);
  });

  it('and one beside it do not stand in each other’s way', async () => {
    const both = await Promise.all([change(crew, { rating: 'Warm' }), change(crew, { addTags: ['both'] })]);
    for (const { status, body } of both) {
      expect(status).toBe(202);
      expect(await ended(body.id)).toMatchObject({ state: 'done', changed: expect.anything() });
    }
    expect(await count('rating=Warm')).toBe(MANY);
    const [someone] = (await rep.get<PeoplePage>('/people?tag=crew&limit=1')).body.items;
    expect(someone).toMatchObject({ rating: 'Warm', tags: ['crew', 'both'] });
    expect((await rep.get<PeoplePage>('/people?tag=both&limit=1')).body.total).toBe(MANY);
  });
});

describe('cells', () => {
  const write = (cells: CellsChange['cells'], client = rep) =>
    client.send<CellsChanged>('POST', '/people/cells', { cells });

  it('are written as the form would, each person once, and refused one by one', async () => {
    const [one, two] = [await file('Jorunn'), await file('Ketil')];
    const { status, body } = await write([
      { personId: one, version: 1, column: 'title', text: ' Dock  master ' },
      { personId: one, version: 1, column: 'phone', text: '07700 900512' },
      { personId: one, version: 1, column: 'kind', text: 'friend' },
      { personId: two, version: 1, column: 'kind', text: 'contact' },
      { personId: two, version: 1, column: 'title', text: 'x'.repeat(300) },
      { personId: randomUUID(), version: 1, column: 'title', text: 'Nobody' },
    ]);
    expect(status).toBe(200);
    const outcomes = body.cells.map(({ column, outcome, words }) => [column, outcome, words]);
    expect(outcomes).toHaveLength(6);
    expect(outcomes).toEqual(
      expect.arrayContaining([
        ['title', 'changed', 'Dock master'],
        ['phone', 'changed', '+44 7700 900512'],
        ['kind', 'refused', 'Write Lead or Contact.'],
        ['kind', 'same', 'Contact'],
        ['title', 'refused', expect.any(String)],
        ['title', 'gone', expect.any(String)],
      ]),
    );
    const person = await rep.person(one);
    expect(person).toMatchObject({
      version: 2,
      fields: { title: 'Dock master', phones: [{ value: '+447700900512' }] },
    });
    expect(person.history.filter(({ action }) => action === 'edited')).toHaveLength(1);
    expect((await rep.person(two)).version).toBe(1);
    expect(body.versions).toEqual(
      expect.arrayContaining([
        { personId: one, version: 2 },
        { personId: two, version: 1 },
      ]),
    );
  });

  it('of somebody who was changed since stay as they are', async () => {
    const id = await file('Livunn', { title: 'Rigger' });
    const { fields, tags, kind } = await rep.person(id);
    await manager.send('PUT', `/people/${id}`, {
      version: 1,
      fields: { ...fields, title: 'Boss' },
      tags,
      kind,
      rating: null,
    });
    const { body } = await write([{ personId: id, version: 1, column: 'title', text: 'Cook' }]);
    expect(body.cells).toEqual([{ personId: id, column: 'title', outcome: 'changedSince', words: 'Boss' }]);
    expect((await rep.person(id)).fields.title).toBe('Boss');
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const theirs = await write([{ personId: id, version: 2, column: 'title', text: 'Mine' }], stranger);
    expect(theirs.body.cells[0]!.outcome).toBe('gone');
    expect((await write([{ personId: id, version: 2, column: 'shoesize' as 'title', text: '43' }])).status).toBe(400);
  });
});
