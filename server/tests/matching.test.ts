import { randomUUID } from 'node:crypto';
import type {
  Duplicates,
  FiledByItself,
  Matches,
  Merged,
  Person,
  PersonFields,
  TagList,
  Tray,
  TrayTwins,
} from '@dossier/contract';
import fc from 'fast-check';
import type { DataSource } from 'typeorm';
import { createDataSource } from '../src/dataSource';
import { Client, demoPhoto, personFields } from './client';
import { databaseOf, until } from './services';

jest.setTimeout(180_000);

let rep: Client;
let owner: DataSource;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
});
afterAll(() => owner.destroy());

const phone = (value: string) => ({ value, kind: 'mobile' as const, extension: '' });
const GIVEN = 'Ysolde Corwin Tamsin Leopold Marguerite Oswin Philippa Gunnar Beatrice Dmitri Winifred Ignacio'.split(
  ' ',
);
const FAMILY =
  'Quillhampton Braithwell Ostlund Vandermolen Fitzwarren Szymczak Haldorsen Montclair Underhay Pruszkowski Eglantine Zimmerlin Jarvholm Castellane Wetherspar Ruyterkade Nyqvist Thornbeck Ixworth Llanfair Gudmundsen Abercastle Yarrowby Delacroix Mapplebeck Kristeller Saltonstall'.split(
    ' ',
  );
const TITLES = ['Buyer', 'Plant manager', 'Dispatcher', 'Head of quality', 'Owner'];
/** Made-up people that no other test knows, and that have nothing in common with each other. */
let number = 0;
const somebody = (fields: Partial<PersonFields> = {}): PersonFields => {
  const familyName = FAMILY[number % FAMILY.length]!;
  const domain = `${familyName.toLowerCase()}-${TITLES.length * 7 + number}.example`;
  const made = personFields({
    givenName: GIVEN[(number * 5) % GIVEN.length],
    familyName,
    title: TITLES[number % TITLES.length],
    company: `${['Brine', 'Kestrel', 'Juniper', 'Halyard', 'Osprey', 'Copperleaf', 'Windrush'][number % 7]}${number} ${['Packers', 'Creamery', 'Fisheries'][number % 3]}`,
    emails: [`post.${number}@${domain}`],
    phones: [phone(`+4477009${String((number * 7919) % 100_000).padStart(5, '0')}`)],
    postalCode: `TM${number} ${number % 9}AA`,
    ...fields,
  });
  number++;
  if (number > FAMILY.length) throw new Error('There are not enough made-up people for these tests.');
  return made;
};
const person = async (id: string) => (await rep.get<Person>(`/people/${id}`)).body;
const matchesOf = async (fields: PersonFields, cardId: string | null = null) =>
  (await rep.send<Matches>('POST', '/matches', { fields, cardId })).body.matches;

/** Every row of these people, as it is in the database. */
async function rowsOf(...ids: string[]): Promise<object> {
  const rows: Record<string, unknown> = {};
  for (const [table, column] of [
    ['person', 'id'],
    ['employment', 'person_id'],
    ['reach', 'person_id'],
    ['note', 'person_id'],
    ['card', 'person_id'],
    ['consent', 'person_id'],
    ['match_key', 'person_id'],
    ['filing_receipt', 'person_id'],
  ])
    rows[table!] = await owner.query(`select * from ${table} where ${column} = any($1) order by 1, 2, 3`, [ids]);
  return rows;
}

describe('who is perhaps known', () => {
  it('is found by a name misread, with the reasons, and follows the fields', async () => {
    const fields = somebody({ emails: [], phones: [] });
    const id = await rep.filed(fields);
    const misread = { ...fields, familyName: fields.familyName.replace('m', 'rn') };
    const [match] = await matchesOf(misread);
    expect(match).toMatchObject({ person: { id }, newJob: false });
    expect(match!.evidence.map(({ words }) => words)).toContain('same firm');
    expect(await matchesOf({ ...misread, familyName: 'Abernethy', givenName: 'Otto' })).toEqual([]);
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
    const [match] = await matchesOf({ ...fields, familyName: 'Barckenrigde' });
    expect(match?.person.id).toBe(id);
  });

  it('is offered in a new job, and filed so: the old one ends and stays', async () => {
    const fields = somebody();
    const id = await rep.filed(fields);
    const elsewhere = {
      ...fields,
      company: 'Skerry Fish',
      title: 'Owner',
      emails: ['y@skerryfish.example'],
      postalCode: 'PE1 1AA',
    };
    const [match] = await matchesOf(elsewhere);
    expect(match).toMatchObject({ person: { id }, newJob: true });
    const known = { personId: id, version: match!.person.version, newJob: true };
    expect((await rep.file({ cardId: await rep.typedCard(), fields: elsewhere, known })).body.outcome).toBe('newJob');
    const after = await person(id);
    expect(after.formerJobs).toMatchObject([{ company: fields.company, title: fields.title }]);
    expect(after.fields).toMatchObject({ company: 'Skerry Fish', title: 'Owner' });
    expect(after.history[0]!.action).toBe('newJob');
  });

  it('is asked once: who was said to be somebody else is not offered again', async () => {
    const fields = somebody();
    const id = await rep.filed(fields);
    const cardId = await rep.typedCard();
    expect((await rep.send('POST', '/not-same', { ids: [cardId, id] })).status).toBe(204);
    expect(await matchesOf(fields, cardId)).toEqual([]);
    expect(await matchesOf(fields)).toHaveLength(1);
    const other = await rep.filed(fields, { cardId, notSame: [id] });
    await rep.send('POST', '/sweeps');
    const { groups } = await sweepDone();
    expect(groups.filter(({ people }) => people.some((p) => p.id === other))).toEqual([]);
  });

  it('is one firm for all spellings of it', async () => {
    const fields = somebody();
    await rep.filed({ ...fields, company: `${fields.company} Ltd` });
    const colleague = await rep.filed({ ...somebody(), company: fields.company.toUpperCase() });
    const [{ companies }] = await owner.query(
      `select count(distinct company_id)::int as companies from employment e join company c on c.id = e.company_id where c.match_key = (
         select match_key from company c join employment e on e.company_id = c.id where e.person_id = $1)`,
      [colleague],
    );
    expect(companies).toBe(1);
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
    expect((await person(second)).id).toBe(first);
    expect((await person(first)).fields.title).toBe('Head buyer');
    for (const id of body.mergeIds.toReversed())
      expect((await rep.send('POST', `/merges/${id}/undo`)).status).toBe(204);
    expect((await person(second)).id).toBe(second);
  });

  it('can be cancelled, and is nobody else’s business', async () => {
    await rep.send('POST', '/sweeps');
    await rep.send('DELETE', '/sweeps/latest');
    expect(['cancelled', 'done']).toContain((await sweepDone()).sweep!.state);
    const other = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await other.get<Duplicates>('/duplicates')).body.groups).toEqual([]);
  });
});

describe('a merge', () => {
  const two = async () => {
    const fields = somebody();
    const into = await rep.filed(fields, { note: 'Prefers the phone.', tags: ['fair'] });
    const other = await rep.filed(
      {
        ...fields,
        givenName: `${fields.givenName[0]}.`,
        company: 'Larkspur Foods',
        emails: ['second@larkspur.example'],
        locality: 'Tarnmoor',
      },
      {
        note: 'Asked for prices.',
        tags: ['Fair', 'route'],
        consent: { channels: ['email'], scope: 'offers', wording: 'May we write?', how: 'spoken' },
      },
    );
    return { into, other, fields };
  };
  const merge = async ({ into, other }: { into: string; other: string }) =>
    rep.send<Merged & { code: string }>('POST', '/merges', {
      into: { id: into, version: (await person(into)).version },
      others: [{ id: other, version: (await person(other)).version }],
    });

  it('moves everything, loses nothing, and undone leaves every row as it was', async () => {
    const pair = await two();
    const before = await rowsOf(pair.into, pair.other);
    const { status, body } = await merge(pair);
    expect(status).toBe(201);
    const merged = await person(pair.into);
    expect(merged.fields.emails).toContain('second@larkspur.example');
    expect(merged.fields).toMatchObject({
      givenName: pair.fields.givenName,
      locality: 'Tarnmoor',
      company: 'Larkspur Foods',
    });
    expect(merged.notes.map(({ text }) => text).sort()).toEqual(['Asked for prices.', 'Prefers the phone.']);
    expect(merged.tags).toEqual(['fair', 'route']);
    expect(merged.consents).toHaveLength(1);
    expect(merged.history.filter(({ action }) => action === 'filed')).toHaveLength(2);
    expect((await person(pair.other)).id).toBe(pair.into);
    expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
    expect(await rowsOf(pair.into, pair.other)).toEqual(before);
    expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
    expect((await person(pair.into)).history[0]!.action).toBe('unmerged');
  });

  it('undone later keeps what was changed since, and refuses when that stands against it', async () => {
    const pair = await two();
    const { body } = await merge(pair);
    const merged = await person(pair.into);
    const edit = (fields: Partial<PersonFields>, version: number) =>
      rep.send('PUT', `/people/${pair.into}`, {
        version,
        kind: merged.kind,
        tags: merged.tags,
        rating: 'Warm',
        fields: { ...merged.fields, ...fields },
      });
    await edit({ suffix: 'MBA', locality: 'Port Ellery' }, merged.version);
    const refused = await rep.send<{ code: string; detail: string }>('POST', `/merges/${body.mergeId}/undo`);
    expect([refused.status, refused.body.code]).toEqual([409, 'changed-since']);
    expect(refused.body.detail).toContain('locality: Port Ellery');
    await edit({ suffix: 'MBA' }, merged.version + 1);
    expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
    const after = await person(pair.into);
    expect(after.fields).toMatchObject({
      suffix: 'MBA',
      locality: '',
      emails: (await person(pair.into)).fields.emails,
    });
    expect(after.fields.emails).not.toContain('second@larkspur.example');
    expect((await person(pair.other)).fields).toMatchObject({
      givenName: `${pair.fields.givenName[0]}.`,
      locality: 'Tarnmoor',
    });
  });

  it('is refused for a record that changed, or with itself', async () => {
    const pair = await two();
    const stale = { into: { id: pair.into, version: 7 }, others: [{ id: pair.other, version: 1 }] };
    expect((await rep.send<Merged & { code: string }>('POST', '/merges', stale)).body.code).toBe('person-changed');
    expect((await merge({ into: pair.into, other: pair.into })).status).toBe(409);
  });
});

describe('a record', () => {
  it('changed by two at once keeps the first change and tells the second', async () => {
    const id = await rep.filed(somebody());
    const { fields, version, kind, tags } = await person(id);
    const edit = (title: string) =>
      rep.send<{ code: string }>('PUT', `/people/${id}`, {
        version,
        kind,
        tags,
        rating: null,
        fields: { ...fields, title },
      });
    const answers = await Promise.all([edit('Chief buyer'), edit('Dispatcher')]);
    expect(answers.map(({ status }) => status).sort()).toEqual([204, 409]);
    const after = await person(id);
    expect(after.history[0]).toMatchObject({
      action: 'edited',
      changes: [{ field: 'title', before: fields.title, after: after.fields.title }],
    });
  });

  it('has consent with its words until it is withdrawn', async () => {
    const id = await rep.filed(somebody());
    const consent = {
      channels: ['email', 'phone'],
      scope: 'News of cold-store doors',
      wording: 'May we write to you?',
      how: 'written',
    };
    expect((await rep.send('POST', `/people/${id}/consents`, consent)).status).toBe(204);
    const [given] = (await person(id)).consents;
    expect(given).toMatchObject({ ...consent, by: 'Ottilie Brandt', withdrawnAt: null });
    await rep.send('POST', `/consents/${given!.id}/withdraw`);
    await rep.send('POST', `/consents/${given!.id}/withdraw`);
    const after = await person(id);
    expect(after.consents[0]!.withdrawnAt).not.toBeNull();
    expect(after.history.map(({ action }) => action)).toEqual(['consentWithdrawn', 'consentGiven', 'filed']);
    expect((await rep.send('POST', `/people/${id}/consents`, { ...consent, channels: [] })).status).toBe(400);
  });

  it('keeps its tags when one of them is given the word of another', async () => {
    const id = await rep.filed(somebody(), { tags: ['cold chain', 'coldchain', 'visit'] });
    await rep.send('POST', '/tags/rename', { from: 'coldchain', to: 'cold chain' });
    expect((await person(id)).tags).toEqual(['cold chain', 'visit']);
    const { items } = (await rep.get<TagList>('/tags')).body;
    expect(items.map(({ tag }) => tag)).not.toContain('coldchain');
  });

  it('deleted is in no list and offered to nobody, and comes back', async () => {
    const fields = somebody();
    const id = await rep.filed(fields);
    await rep.send('DELETE', `/people/${id}`);
    expect(await matchesOf(fields)).toEqual([]);
    expect((await rep.get<{ total: number }>(`/people?q=${fields.familyName}`)).body.total).toBe(0);
    expect((await person(id)).deletedAt).not.toBeNull();
    await rep.send('POST', `/people/${id}/restore`);
    expect((await rep.get<{ total: number }>(`/people?q=${fields.familyName}`)).body.total).toBe(1);
  });

  it('erased leaves only that it was: no picture, no reading, no value in the log, nothing to undo a merge with', async () => {
    const [item] = await rep.photograph(demoPhoto('quillan'));
    const fields = somebody();
    const { body } = await rep.file({ cardId: item!.id, fields, note: 'Secret of the trade' });
    const twin = await rep.filed(fields);
    await rep.send('POST', '/merges', { into: { id: body.personId, version: 1 }, others: [{ id: twin, version: 1 }] });
    expect((await rep.send('POST', `/people/${body.personId}/erase`)).status).toBe(204);
    expect((await rep.get(`/people/${body.personId}`)).status).toBe(404);
    for (const path of [`/cards/${item!.id}`, `/cards/${item!.id}/picture`, `/photos/${item!.photoId}/picture`])
      expect([path, (await rep.get(path)).status]).toEqual([path, 404]);
    const tables = await owner.query<{ name: string }[]>(
      `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
    );
    for (const { name } of tables) {
      const [{ count }] = await owner.query(
        `select count(*)::int from ${name} t where t::text ilike $1 or t::text like '%Secret of the trade%'`,
        [`%${fields.familyName}%`],
      );
      expect([name, count]).toEqual([name, 0]);
    }
    const left = await owner.query<{ action: string; changes: object }[]>(
      'select action, changes from change_log where person_id = $1',
      [body.personId],
    );
    expect(left.at(-1)).toMatchObject({ changes: [] });
    expect(left.map(({ action }) => action)).toContain('erased');
  });
});

describe('filing without a person', () => {
  afterAll(() => rep.send('PUT', '/filing-settings', { filesItself: false, ratings: ['Hot', 'Warm', 'Cool'] }));

  it('happens only when the workspace says so, only to cards that leave nothing to ask, and can be taken back', async () => {
    const [before] = await rep.photograph(demoPhoto('ashgrove'));
    expect(before!.state).toBe('toProve');
    await rep.send('PATCH', '/cards', { cardIds: [before!.id], state: 'discarded' });
    expect((await rep.send('PUT', '/filing-settings', { filesItself: true, ratings: ['Hot', 'Cold'] })).status).toBe(
      204,
    );
    const [item] = await rep.photograph(demoPhoto('tidewater'));
    const filed = await until(async () => {
      const { body } = await rep.get<FiledByItself>('/filed-by-itself');
      return body.items.find(({ cardId }) => cardId === item!.id);
    });
    expect((await person(filed.personId)).history.map(({ action }) => action)).toEqual(['filedByItself']);
    // The same card once more has somebody to be compared with: it waits for a person.
    const [again] = await rep.photograph(await sharpened(demoPhoto('tidewater')));
    expect(again!.state).toBe('toProve');
    expect((await rep.send('POST', '/filed-by-itself/take-back', { personIds: [filed.personId] })).status).toBe(204);
    const { items } = (await rep.get<Tray>('/tray')).body;
    expect(items.map(({ id }) => id)).toEqual(expect.arrayContaining([item!.id, again!.id]));
    expect((await rep.get(`/people/${filed.personId}`)).status).toBe(404);
  });
});

/** The same picture in other bytes. */
async function sharpened(bytes: Buffer): Promise<Buffer> {
  const { default: sharp } = await import('sharp');
  return sharp(bytes).jpeg({ quality: 88 }).toBuffer();
}

describe('many filings at once', () => {
  it('never lose a value that nobody took away', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ letter: fc.constantFrom(...'abcdef'), by: fc.constantFrom(0, 1) }), {
          minLength: 2,
          maxLength: 5,
        }),
        async (filings) => {
          const fields = somebody();
          const id = await rep.filed(fields);
          const colleague = await Client.signedIn('idris@keldermoss.example');
          await Promise.all(
            filings.map(async ({ letter, by }, i) => {
              const client = [rep, colleague][by]!;
              const cardId = await client.typedCard();
              // As the application does: look, add, and look again when somebody was faster.
              for (;;) {
                const { body: seen } = await client.get<Person>(`/people/${id}`);
                const emails = [...new Set([...seen.fields.emails, `${letter}${i}@quay.example`])];
                const { status } = await client.file({
                  cardId,
                  fields: { ...seen.fields, emails },
                  known: { personId: id, version: seen.version },
                });
                if (status < 300) return;
                expect(status).toBe(409);
              }
            }),
          );
          const after = await person(id);
          expect(after.fields.emails.sort()).toEqual(
            [...fields.emails, ...filings.map(({ letter }, i) => `${letter}${i}@quay.example`)].sort(),
          );
          expect(after.version).toBe(1 + filings.length);
        },
      ),
      { numRuns: 4 },
    );
  });

  it('of one card make one person', async () => {
    const cardId = await rep.typedCard();
    const colleague = await Client.signedIn('idris@keldermoss.example');
    const fields = somebody();
    const answers = await Promise.all([rep, colleague].map((client) => client.file({ cardId, fields }, randomUUID())));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
    expect(await matchesOf(fields)).toHaveLength(1);
  });
});
