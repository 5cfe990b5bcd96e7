import { randomUUID } from 'node:crypto';
import type { FiledByItself, Person, TagList } from '@dossier/contract';
import fc from 'fast-check';
import { Client, demoPhoto } from './client';
import { drawnPeople } from './somebody';
import { until } from './services';
import { Sql } from './sql';

jest.setTimeout(180_000);

let rep: Client;
/** Whose role includes what holds for everybody, and what cannot be undone. */
let manager: Client;
let owner: Sql;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  owner = Sql.ofOwner();
});
afterAll(() => owner.destroy());
const somebody = drawnPeople('records');

describe('a record', () => {
  it('changed by two at once keeps the first change and tells the second', async () => {
    const id = await rep.filed(somebody());
    const { fields, version, kind, tags } = await rep.person(id);
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
    const after = await rep.person(id);
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
    const [given] = (await rep.person(id)).consents;
    expect(given).toMatchObject({ ...consent, by: 'Ottilie Brandt', withdrawnAt: null });
    await rep.send('POST', `/consents/${given!.id}/withdraw`);
    await rep.send('POST', `/consents/${given!.id}/withdraw`);
    const after = await rep.person(id);
    expect(after.consents[0]!.withdrawnAt).not.toBeNull();
    expect(after.history.map(({ action }) => action)).toEqual(['consentWithdrawn', 'consentGiven', 'filed']);
    expect((await rep.send('POST', `/people/${id}/consents`, { ...consent, channels: [] })).status).toBe(400);
  });

  it('keeps its tags when one of them is given the word of another', async () => {
    const id = await rep.filed(somebody(), { tags: ['cold chain', 'coldchain', 'visit'] });
    await rep.send('POST', '/tags/rename', { from: 'coldchain', to: 'cold chain' });
    expect((await rep.person(id)).tags).toEqual(['cold chain', 'visit']);
    const { items } = (await rep.get<TagList>('/tags')).body;
    expect(items.map(({ tag }) => tag)).not.toContain('coldchain');
  });

  it('is not given back a tag that was renamed while its form was open', async () => {
    const id = await rep.filed(somebody(), { tags: ['quayfair'] });
    const open = await rep.person(id);
    await rep.send('POST', '/tags/rename', { from: 'quayfair', to: 'quay fair' });
    const edit = { version: open.version, fields: open.fields, kind: open.kind, tags: open.tags, rating: null };
    const refused = await rep.send<{ code: string }>('PUT', `/people/${id}`, edit);
    expect([refused.status, refused.body.code]).toEqual([409, 'person-changed']);
    expect((await rep.person(id)).tags).toEqual(['quay fair']);
  });

  it('can be given to a colleague after it was filed', async () => {
    const id = await rep.filed(somebody());
    const { items } = (await rep.get<{ items: { id: string; name: string }[] }>('/team')).body;
    const before = await rep.person(id);
    const colleague = items.find((one) => one.id !== before.owner.id)!;
    const { version, fields, kind, tags } = before;
    const edit = { version, fields, kind, tags, rating: null, ownerId: colleague.id };
    expect((await rep.send('PUT', `/people/${id}`, edit)).status).toBeLessThan(300);
    expect((await rep.person(id)).owner).toEqual({ id: colleague.id, name: colleague.name });
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const theirs = (await stranger.get<{ user: { id: string } }>('/session')).body.user.id;
    const toStranger = await rep.send('PUT', `/people/${id}`, { ...edit, version: version + 1, ownerId: theirs });
    expect(toStranger.status).toBeGreaterThanOrEqual(400);
    expect((await rep.person(id)).owner.id).toBe(colleague.id);
  });

  it('deleted is in no list and offered to nobody, and comes back', async () => {
    const fields = somebody();
    const id = await rep.filed(fields);
    await rep.send('DELETE', `/people/${id}`);
    expect(await rep.matches(fields)).toEqual([]);
    const found = async () => (await rep.get<{ total: number }>(`/people?q=${fields.emails[0]}`)).body.total;
    expect(await found()).toBe(0);
    expect((await rep.person(id)).deletedAt).not.toBeNull();
    await rep.send('POST', `/people/${id}/restore`);
    expect(await found()).toBe(1);
  });

  it('erased leaves only that it was: no picture, no reading, no value in the log, nothing to undo a merge with', async () => {
    const [item] = await rep.photograph(demoPhoto('quillan'));
    const fields = somebody();
    const { body } = await rep.file({ cardId: item!.id, fields, note: 'Secret of the trade' });
    const twin = await rep.filed(fields);
    await rep.send('POST', '/merges', { into: { id: body.personId, version: 1 }, others: [{ id: twin, version: 1 }] });
    expect((await manager.send('POST', `/people/${body.personId}/erase`)).status).toBe(204);
    expect((await rep.get(`/people/${body.personId}`)).status).toBe(404);
    for (const path of [`/cards/${item!.id}`, `/cards/${item!.id}/picture`, `/photos/${item!.photoId}/picture`])
      expect([path, (await rep.get(path)).status]).toEqual([path, 404]);
    const tables = await owner.query<{ name: string }[]>(
      `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
    );
    for (const { name } of tables) {
      const [{ count }] = await owner.query<[{ count: number }]>(
        `select count(*)::int from ${name} t where t::text ilike $1 or t::text like '%Secret of the trade%'`,
        [`%${fields.emails[0]}%`],
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
  const settings = { filesItself: false, ratings: ['Hot', 'Warm', 'Cool'], limits: { same: 0.95, perhaps: 0.05 } };
  afterAll(() => manager.send('PUT', '/filing-settings', settings));

  it('happens only when the workspace says so, only to cards that leave nothing to ask, and can be taken back', async () => {
    const [before] = await rep.photograph(demoPhoto('ashgrove'));
    expect(before!.state).toBe('toProve');
    await rep.send('PATCH', '/cards', { cardIds: [before!.id], state: 'discarded' });
    expect((await manager.send('PUT', '/filing-settings', { ...settings, filesItself: true })).status).toBe(204);
    const photoId = randomUUID();
    await rep.sendPhoto(photoId, demoPhoto('tidewater'));
    // It may never be seen in the tray: it is filed a moment after it was read.
    const filed = await until(async () => {
      const { items } = (await rep.get<FiledByItself>('/filed-by-itself')).body;
      for (const item of items) if ((await rep.card(item.cardId)).body.photoId === photoId) return item;
    });
    expect((await rep.card(filed.cardId)).body).toMatchObject({ state: 'filed', personId: filed.personId });
    expect((await rep.person(filed.personId)).history.map(({ action }) => action)).toEqual(['filedByItself']);
    // The same card once more has somebody to be compared with: it waits for a person.
    const [again] = await rep.photograph(await sharpened(demoPhoto('tidewater')));
    expect(again!.state).toBe('toProve');
    expect((await rep.send('POST', '/filed-by-itself/take-back', { personIds: [filed.personId] })).status).toBe(204);
    expect((await rep.tray()).map(({ id }) => id)).toEqual(expect.arrayContaining([filed.cardId, again!.id]));
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
          const after = await rep.person(id);
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
    expect(await rep.matches(fields)).toHaveLength(1);
  });
});
