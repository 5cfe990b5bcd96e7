import type { Merged, PersonFields } from '@dossier/contract';
import fc from 'fast-check';
import { Client } from './client';
import { drawnPeople, mobile } from './somebody';
import { Sql } from './sql';

jest.setTimeout(180_000);

let rep: Client;
let owner: Sql;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  owner = Sql.ofOwner();
});
afterAll(() => owner.destroy());
const somebody = drawnPeople('merging');

/** Every row of these people, as it is in the database. */
async function rowsOf(...ids: string[]): Promise<object> {
  const rows: Record<string, unknown> = {};
  for (const [table, column] of [
    ['person', 'id'],
    ['employment', 'person_id'],
    ['contact_point', 'person_id'],
    ['note', 'person_id'],
    ['card', 'person_id'],
    ['consent', 'person_id'],
    ['match_key', 'person_id'],
    ['filing_receipt', 'person_id'],
  ])
    rows[table!] = await owner.query(`select * from ${table} where ${column} = any($1) order by 1, 2, 3`, [ids]);
  return rows;
}

const withoutVersions = (rows: object): object => ({
  ...rows,
  person: (rows as { person: object[] }).person.map((row) => ({ ...row, version: 0 })),
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
      into: { id: into, version: (await rep.person(into)).version },
      others: [{ id: other, version: (await rep.person(other)).version }],
    });

  it('moves everything, loses nothing, and undone leaves every row as it was', async () => {
    const pair = await two();
    const before = await rowsOf(pair.into, pair.other);
    const { status, body } = await merge(pair);
    expect(status).toBe(201);
    const merged = await rep.person(pair.into);
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
    expect((await rep.person(pair.other)).id).toBe(pair.into);
    expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
    expect(withoutVersions(await rowsOf(pair.into, pair.other))).toEqual(withoutVersions(before));
    // Whoever saw one of them before must look again.
    for (const id of [pair.into, pair.other]) expect((await rep.person(id)).version).toBeGreaterThan(1);
    expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
    expect((await rep.person(pair.into)).history[0]!.action).toBe('unmerged');
  });

  it('kept before its tables were renamed is undone as well', async () => {
    const pair = await two();
    const before = await rowsOf(pair.into, pair.other);
    const { body } = await merge(pair);
    await owner.query(
      `update merge set before = before - 'schema' - 'contactPoints' || jsonb_build_object(
         'reach', before -> 'contactPoints',
         'people', (select jsonb_agg(row - 'filed_by_itself_at' || jsonb_build_object('glance_at', row -> 'filed_by_itself_at'))
                    from jsonb_array_elements(before -> 'people') row))
       where id = $1`,
      [body.mergeId],
    );
    expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
    expect(withoutVersions(await rowsOf(pair.into, pair.other))).toEqual(withoutVersions(before));
  });

  it('of any records, undone, leaves every row as it was', async () => {
    const text = (...values: string[]) => fc.constantFrom('', ...values);
    const partial = fc.record({
      title: text('Buyer', 'Head buyer'),
      company: text('Larkspur Foods', 'Larkspur Foods plc', 'Quayside Bakery'),
      emails: fc.uniqueArray(fc.constantFrom('a@larkspur.example', 'b@larkspur.example', 'c@quay.example')),
      phones: fc.uniqueArray(fc.constantFrom('+447700900811', '+447700900812').map(mobile), {
        selector: (p) => p.value,
      }),
      locality: text('Tarnmoor', 'Port Ellery'),
      suffix: text('MBA', 'PhD'),
    });
    const name = somebody();
    await fc.assert(
      fc.asyncProperty(fc.array(partial, { minLength: 2, maxLength: 3 }), async (records) => {
        const ids: string[] = [];
        for (const record of records) {
          const cardId = await rep.typedCard();
          const { body } = await rep.file({ cardId, fields: { ...name, ...record }, notSame: ids });
          ids.push(body.personId);
        }
        const before = await rowsOf(...ids);
        const [into, ...others] = await Promise.all(
          ids.map(async (id) => ({ id, version: (await rep.person(id)).version })),
        );
        const { status, body } = await rep.send<Merged>('POST', '/merges', { into, others });
        expect(status).toBe(201);
        const { emails, phones } = (await rep.person(into!.id)).fields;
        expect(emails.sort()).toEqual([...new Set(records.flatMap((record) => record.emails))].sort());
        expect(new Set(phones.map(({ value }) => value))).toEqual(
          new Set(records.flatMap((record) => record.phones.map(({ value }) => value))),
        );
        expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
        expect(withoutVersions(await rowsOf(...ids))).toEqual(withoutVersions(before));
        // Nothing of this run is known in the next.
        for (const id of ids) await rep.send('DELETE', `/people/${id}`);
      }),
      { numRuns: 12 },
    );
  });

  it('undone later keeps what was changed since, and refuses when that stands against it', async () => {
    const pair = await two();
    const { body } = await merge(pair);
    const merged = await rep.person(pair.into);
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
    const after = await rep.person(pair.into);
    expect(after.fields).toMatchObject({
      suffix: 'MBA',
      locality: '',
      emails: (await rep.person(pair.into)).fields.emails,
    });
    expect(after.fields.emails).not.toContain('second@larkspur.example');
    expect((await rep.person(pair.other)).fields).toMatchObject({
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

  it('takes the newer firm as the job, whatever record stays, and has one current job', async () => {
    const fields = somebody();
    const older = await rep.filed({ ...fields, company: 'Alder Works', title: 'Buyer' });
    const newer = await rep.filed({ ...fields, company: 'Birch Mill', title: 'Head buyer' }, { notSame: [older] });
    const { body } = await merge({ into: older, other: newer });
    const merged = await rep.person(older);
    expect(merged.fields).toMatchObject({ company: 'Birch Mill', title: 'Head buyer' });
    expect(merged.formerJobs.map(({ company, title }) => [company, title])).toEqual([['Alder Works', 'Buyer']]);
    const jobs = () => owner.query('select from employment where person_id = $1 and ended_at is null', [older]);
    expect(await jobs()).toHaveLength(1);
    expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
    expect((await rep.person(older)).fields.company).toBe('Alder Works');
    expect((await rep.person(older)).formerJobs).toEqual([]);
    expect((await rep.person(newer)).fields.company).toBe('Birch Mill');
    expect(await jobs()).toHaveLength(1);
  });

  it('carries over who somebody is not, and forgets that when it is undone', async () => {
    const fields = somebody();
    const [a, b, c] = [await rep.filed(fields), await rep.filed(fields), await rep.filed(fields)] as const;
    await rep.send('POST', '/not-same', { ids: [a, c] });
    const { body } = await merge({ into: b, other: a });
    const apart = async (one: string, other: string) =>
      (await owner.query('select from not_same where one_id = $1 and other_id = $2', [one, other].sort())).length === 1;
    expect(await apart(b, c)).toBe(true);
    expect((await rep.send('POST', `/merges/${body.mergeId}/undo`)).status).toBe(204);
    expect(await apart(b, c)).toBe(false);
    expect(await apart(a, c)).toBe(true);
  });
});
