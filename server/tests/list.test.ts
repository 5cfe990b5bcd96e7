import { randomUUID } from 'node:crypto';
import type { ListViews, PeopleFacets, PeoplePage, PersonFields } from '@dossier/contract';
import { foldedWords } from '@dossier/core/people/search';
import fc from 'fast-check';
import { Client, personFields } from './client';
import { mobile } from './somebody';
import { until } from './services';
import { Sql } from './sql';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let owner: Sql;
/** What only these tests' people have. */
const TAG = `lists ${randomUUID().slice(0, 8)}`;
const ids: Record<'corwin' | 'ottoline' | 'ragnvald' | 'ingunn', string> = {
  corwin: '',
  ottoline: '',
  ragnvald: '',
  ingunn: '',
};

const people: Record<keyof typeof ids, [Partial<PersonFields>, { kind?: 'lead'; note?: string; tags?: string[] }]> = {
  corwin: [
    {
      givenName: 'Corwin',
      familyName: 'Sealthwaitby',
      title: 'Plant manager',
      company: 'Brackwaterholm Quays',
      emails: ['corwin@brackwaterholm.example'],
      phones: [mobile('+447700900417')],
      locality: 'Port Ellery',
      country: 'GB',
    },
    { note: 'Leaking docksealing, wants a visit before the herring season.' },
  ],
  ottoline: [
    {
      givenName: 'Ottoline',
      familyName: 'Ångmarker',
      company: 'Fjällkylverk AB',
      locality: 'Göteborg',
      country: 'SE',
      phones: [mobile('+46701740633')],
    },
    { kind: 'lead', tags: ['quaywalk'] },
  ],
  ragnvald: [{ givenName: 'Ragnvald', familyName: 'Zettermoor', company: '', emails: ['r@zettermoor.example'] }, {}],
  ingunn: [{ givenName: 'Ingunn', familyName: 'Brackwaterholm', company: 'Anchor Nets' }, { kind: 'lead' }],
};

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  owner = Sql.ofOwner();
  for (const name of Object.keys(ids) as (keyof typeof ids)[]) {
    const [fields, { tags = [], ...rest }] = people[name];
    ids[name] = await rep.filed(fields, { ...rest, tags: [TAG, ...tags] });
  }
});
afterAll(async () => {
  for (const id of Object.values(ids)) await manager.send('POST', `/people/${id}/erase`);
  await owner.destroy();
});

const list = (query: Record<string, string | string[]>) => {
  const address = new URLSearchParams({ tag: TAG });
  for (const [name, value] of Object.entries(query)) for (const each of [value].flat()) address.append(name, each);
  return rep.get<PeoplePage>(`/people?${address}`);
};
const namesOf = async (query: Record<string, string | string[]>) => {
  const { body } = await list(query);
  return body.items.map(({ id }) => Object.entries(ids).find(([, own]) => own === id)![0]);
};

describe('a list of people', () => {
  it.each([
    ['a name with a slip', 'Sealthwatby', ['corwin']],
    ['a long name with two slips', 'sealtwahitby', ['corwin']],
    ['another order of the words', 'sealthwaitby corwin', ['corwin']],
    ['the first letter', 'z', ['ragnvald']],
    ['a beginning with a slip', 'sealthvai', ['corwin']],
    ['a short beginning with a wrong letter', 'sealr', ['corwin']],
    ['a short beginning with a letter too few', 'selth', ['corwin']],
    ['a short beginning with a letter too many', 'seallt', ['corwin']],
    ['a short beginning with two letters changed over', 'selat', ['corwin']],
    ['accents left out', 'angmarker', ['ottoline']],
    ['a company', 'fjallkyl', ['ottoline']],
    ['a middle of a word', 'lkylver', ['ottoline']],
    ['a title', 'plant', ['corwin']],
    ['an e-mail address', 'r@zettermoor.example', ['ragnvald']],
    ['a number as it is dialled at home', '07700 900417', ['corwin']],
    ['a number with its country', '+44 (0)7700', ['corwin']],
    ['the last four digits', '0633', ['ottoline']],
    ['a town', 'goteborg', ['ottoline']],
    ['a tag', 'quaywalk', ['ottoline']],
    ['a word of a note', 'docksealing', ['corwin']],
    ['a name and a word of a note', 'herring corwin', ['corwin']],
    ['the best first: who is called so before whose firm is', 'brackwaterholm', ['ingunn', 'corwin']],
    ['nothing that is there', 'xylophone', []],
    ['nobody by points and dashes', '…—!', []],
  ])('finds %s', async (_what, q, expected) => {
    expect(await namesOf({ q })).toEqual(expected);
  });

  it('shows where it was found', async () => {
    const [note] = (await list({ q: 'docksealing' })).body.items[0]!.found;
    expect(note).toMatchObject({ field: 'note' });
    expect(note!.ranges.map(([from, to]) => note!.text.slice(from, to))).toEqual(['docksealing']);
    const [phone] = (await list({ q: '0417' })).body.items[0]!.found;
    expect([phone!.field, phone!.text.slice(...phone!.ranges[0]!)]).toEqual(['phones', '0417']);
  });

  it.each([
    ['name', ['ottoline', 'ingunn', 'corwin', 'ragnvald']],
    ['-name', ['ragnvald', 'corwin', 'ingunn', 'ottoline']],
    ['company', ['ingunn', 'corwin', 'ottoline', 'ragnvald']],
    ['filed', ['ingunn', 'ragnvald', 'ottoline', 'corwin']],
    ['-filed', ['corwin', 'ottoline', 'ragnvald', 'ingunn']],
  ])('is ordered by %s, page by page', async (sort, expected) => {
    const seen: string[] = [];
    let cursor: string | null = '';
    while (cursor !== null) {
      const page: PeoplePage = (await list({ sort, limit: '1', ...(cursor && { cursor }) })).body;
      expect(page).toMatchObject({ total: 4, counted: 'exact' });
      seen.push(...page.items.map(({ id }) => Object.entries(ids).find(([, own]) => own === id)![0]));
      cursor = page.next;
    }
    expect(seen).toEqual(expected);
  });

  it('goes on page by page among those found by a word', async () => {
    const first = (await list({ q: 'brackwaterholm', limit: '1' })).body;
    const second = (await list({ q: 'brackwaterholm', limit: '1', cursor: first.next! })).body;
    expect([first, second].map(({ items }) => items[0]!.id)).toEqual([ids.ingunn, ids.corwin]);
    expect(second.next).toBeNull();
  });

  it('is narrowed: any of the values of one facet, all of the facets together', async () => {
    expect(await namesOf({ kind: 'lead' })).toEqual(['ottoline', 'ingunn']);
    expect(await namesOf({ kind: 'lead', country: 'SE' })).toEqual(['ottoline']);
    expect(await namesOf({ country: ['SE', 'GB'] })).toEqual(['ottoline', 'corwin']);
    expect(await namesOf({ email: 'yes', phone: 'no' })).toEqual(['ragnvald']);
    expect(await namesOf({ town: 'Port Ellery', consent: 'none', task: 'none' })).toEqual(['corwin']);
    const today = new Date().toISOString().slice(0, 10);
    expect(await namesOf({ filedFrom: today, filedTo: today })).toHaveLength(4);
    expect(await namesOf({ filedTo: '2026-01-01' })).toEqual([]);
  });

  it('is narrowed by a firm and by who agreed to be written to, until they do not any more', async () => {
    const { companyId } = (await list({ q: 'sealthwaitby' })).body.items[0]!;
    expect(await namesOf({ company: companyId! })).toEqual(['corwin']);
    await rep.send('POST', `/people/${ids.corwin}/consents`, { channels: ['email'], scope: 'Offers', how: 'spoken' });
    expect(await namesOf({ consent: 'email' })).toEqual(['corwin']);
    const [consent] = (await rep.person(ids.corwin)).consents;
    await rep.send('POST', `/consents/${consent!.id}/withdraw`);
    expect(await namesOf({ consent: 'email' })).toEqual([]);
  });

  it('counts what it can be narrowed by, a facet that is in use as if it were not', async () => {
    const { body } = await rep.get<PeopleFacets>(
      `/people/facets?${new URLSearchParams({ tag: TAG, kind: 'lead' })}&facet=kind&facet=country&facet=tag&facet=company`,
    );
    const values = (facet: string) =>
      body.facets.find((one) => one.facet === facet)!.values.map(({ label, people: n }) => [label, n]);
    expect(values('kind')).toEqual([['contact', 2], ['lead', 2]]); // prettier-ignore
    expect(values('country')).toEqual([['SE', 1]]);
    expect(values('company').sort()).toEqual([['Anchor Nets', 1], ['Fjällkylverk AB', 1]]); // prettier-ignore
    expect(body.facets[0]!.counted).toBe('exact');
    // A firm at which none of these works is chosen: it has its name, and nobody.
    const { companyId } = (await list({ q: 'sealthwaitby' })).body.items[0]!;
    const chosen = new URLSearchParams({ tag: TAG, kind: 'lead', company: companyId!, facet: 'company' });
    const { facets } = (await rep.get<PeopleFacets>(`/people/facets?${chosen}`)).body;
    expect(facets[0]!.values).toContainEqual({ value: companyId, label: 'Brackwaterholm Quays', people: 0 });
  });

  it('follows a record through change, deletion, return and merge', async () => {
    const { fields, version, kind, tags } = await rep.person(ids.ragnvald);
    const edit = { version, kind, tags, rating: null, fields: { ...fields, familyName: 'Qvistgaardsen' } };
    await rep.send('PUT', `/people/${ids.ragnvald}`, edit);
    expect([await namesOf({ q: 'qvistgaardsen' }), await namesOf({ q: 'ragnvald zettermoor' })]).toEqual([
      ['ragnvald'],
      ['ragnvald'],
    ]);
    await rep.send('DELETE', `/people/${ids.ragnvald}`);
    expect(await namesOf({ q: 'qvistgaardsen' })).toEqual([]);
    await rep.send('POST', `/people/${ids.ragnvald}/restore`);
    expect(await namesOf({ q: 'qvistgaardsen' })).toEqual(['ragnvald']);
  });

  it.each([
    ['sort', 'shoesize'],
    ['shoesize', '43'],
    ['kind', 'friend'],
    ['filedFrom', 'yesterday'],
    ['owner', 'me'],
    ['cursor', 'eyJ9'],
    ['limit', '1000'],
  ])('refuses %s=%s and names it', async (name, value) => {
    const { status, body } = await rep.get<{ detail: string; errors?: { path: string; message: string }[] }>(
      `/people?${new URLSearchParams({ [name]: value })}`,
    );
    expect(status).toBe(400);
    if (name !== 'cursor') expect(JSON.stringify(body)).toContain(name === 'sort' ? value : name);
  });

  it('refuses to count what is no facet, and names it', async () => {
    const { status, body } = await rep.get('/people/facets?facet=shoesize');
    expect(status).toBe(400);
    expect(JSON.stringify(body)).toContain('There is no facet “shoesize”');
  });

  it('is of one workspace', async () => {
    const other = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await other.get<PeoplePage>(`/people?${new URLSearchParams({ tag: TAG })}`)).body.items).toEqual([]);
    expect((await other.get<PeoplePage>('/people?q=sealthwaitby')).body.items).toEqual([]);
    expect((await other.get<PeopleFacets>('/people/facets?facet=tag')).body.facets[0]!.values).not.toContainEqual(
      expect.objectContaining({ value: TAG }),
    );
  });
});

describe('views', () => {
  const views = async (client: Client) => (await client.get<ListViews>('/people-views')).body.items;
  const keep = (client: Client, body: object) => client.send<{ id: string }>('POST', '/people-views', body);

  it('are one’s own, or the team’s; only whose they are changes them, or a manager what is for the team', async () => {
    const own = (await keep(rep, { name: 'Cold leads', query: 'kind=lead&tag=cold%20chain' })).body.id;
    const team = (await keep(rep, { name: 'Quay people', query: 'q=quay&sort=-filed', forTeam: true })).body.id;
    expect((await views(rep)).map(({ id }) => id)).toEqual(expect.arrayContaining([own, team]));
    expect((await views(manager)).map(({ id }) => id)).toContain(team);
    expect((await views(manager)).map(({ id }) => id)).not.toContain(own);
    const fields = { name: 'Quay folk', query: 'q=quay', forTeam: true };
    const assistant = await Client.signedIn('pim@keldermoss.example');
    expect((await assistant.send('PUT', `/people-views/${team}`, fields)).status).toBe(404);
    expect((await manager.send('PUT', `/people-views/${team}`, fields)).status).toBe(204);
    expect((await manager.send('DELETE', `/people-views/${own}`)).status).toBe(404);
    expect((await views(rep)).find(({ id }) => id === team)).toMatchObject({
      name: 'Quay folk',
      owner: 'Ottilie Brandt',
    });
    for (const id of [own, team]) expect((await rep.send('DELETE', `/people-views/${id}`)).status).toBe(204);
  });

  it.each([['shoesize=43'], ['sort=shoesize'], ['kind=friend'], ['cursor=eyJ9']])(
    'are not kept of what a list cannot be: %s',
    async (query) => {
      expect((await keep(rep, { name: 'Odd', query })).status).toBe(400);
    },
  );
});

describe('the listing of people', () => {
  it('folds words as the application does', async () => {
    const samples = [
      'Straße',
      'ΝΙΚΟΛΑΟΣ Ελλάς',
      'İstanbul ısı',
      'Łódź',
      'a\u0308b',
      'हिन्दी',
      'ガギ',
      'Þór Æsir œuvre',
      '½ ² Ⅷ',
      '☎ 🇬🇧 a📞b',
    ];
    const agree = async (text: string) => {
      const [row] = await owner.query<{ words: string[] }[]>('select folded_words($1) as words', [text]);
      expect([text, row!.words.sort()]).toEqual([text, [...new Set(foldedWords(text))].sort()]);
    };
    for (const text of samples) await agree(text);
    const letters = fc.stringMatching(/^[\u0020-\u024f\u0370-\u03ff\u0400-\u04ff\u0590-\u05ff]{0,30}$/u);
    await fc.assert(fc.asyncProperty(letters, agree), { numRuns: 200 });
  });

  it('says of everybody what their records say, whatever was done to them in these tests', async () => {
    const kept = () =>
      owner.query<object[]>(
        'select person_id, sort_name, sort_company, filed_at, touched_at, next_on, marks, words, name_words, digits from person_listing order by person_id',
      );
    const before = await kept();
    expect(before.length).toBeGreaterThan(3);
    await owner.query('delete from person_listing');
    await owner.query('select list_people_again(array(select id from person))');
    expect(await kept()).toEqual(before);
  });

  it('says all of somebody about whom two write at once', async () => {
    const id = await rep.filed(personFields({ givenName: 'Two', familyName: 'Atonce' }), { note: 'Nothing yet.' });
    const listed = async () => (await owner.query<{ marks: string[]; words: string[] }[]>('select marks, words from person_listing where person_id = $1', [id]))[0]; // prettier-ignore
    const other = Sql.ofOwner();
    let second: Promise<unknown> = Promise.resolve();
    await owner.transaction(async (first) => {
      await first.query(
        `insert into consent (id, workspace_id, person_id, channels, scope, wording, how, given_at, by)
         select gen_random_uuid(), workspace_id, id, '{email}', 'news', 'May write.', 'said', now(), owner_id from person where id = $1`,
        [id],
      );
      second = other.query(`update note set text = 'Wants sealwagons.' where person_id = $1`, [id]);
      await until(async () => {
        const waiting = await owner.query(
          `select from pg_stat_activity where wait_event_type = 'Lock' and query like 'update note set text%'`,
        );
        return waiting.length > 0;
      });
    });
    await second;
    await other.destroy();
    const told = await listed();
    await owner.query('select list_people_again(array[$1]::uuid[])', [id]);
    expect(told).toEqual(await listed());
  });

  it('knows no word of somebody who was erased', async () => {
    const id = await rep.filed(personFields({ givenName: 'Wilhelmine', familyName: 'Unzerstreuth' }), {
      note: 'Spoke of gangwayplanks.',
    });
    const known = () =>
      owner.query<object[]>(`select word from listed_word where word in ('unzerstreuth', 'gangwayplanks')`);
    expect(await known()).toHaveLength(2);
    await manager.send('POST', `/people/${id}/erase`);
    expect(await known()).toEqual([]);
  });
});
