import fc from 'fast-check';
import { emptyPersonFields } from '../../people';
import { anyPerson } from '../anyPerson.testing';
import { countryCode } from '../countryCode';
import { peopleColumns, repeatsOf, rowState, type RowDraft } from '../table';
import { broughtBack, newDraft, rowOf, settled, withIncoming } from '.';

const words = {
  country: 'GB',
  ratings: ['Hot', 'Warm'],
  statuses: ['New', 'Spoken to'],
  closeReasons: ['No need', 'No money'],
  owners: ['Ottilie Brandt', 'Idris Falconer'],
};
const ID = '01900000-0000-7000-8000-000000000001';
const person = (fields: object, rest: Partial<RowDraft> = {}): RowDraft => ({
  ...newDraft(),
  owner: 'Ottilie Brandt',
  ...rest,
  fields: { ...emptyPersonFields(), ...fields },
});

/** A table of one person as it went out, read again after somebody has written in some of its cells. */
function table(out: RowDraft, written: Record<string, string> = {}, version = 4, keepsState = true) {
  const taken = { ...out, id: ID, version, occasions: [], notes: [], companyId: null, filedAt: new Date(0), touchedAt: new Date(0), nextOn: null, closed: out.closed && { at: '2026-03-24T09:00:00.000Z', ...out.closed }, qualifiedAt: null }; // prettier-ignore
  const columns = peopleColumns(repeatsOf([out])).filter(({ set }) => set);
  const cells = columns.map(({ key, get }) => written[key] ?? get(taken));
  const state = keepsState ? rowState(columns.map(({ key, get }) => [key, get(taken)] as const)) : '';
  return rowOf([...cells, ID, String(version), state], [...columns.map(({ key }) => key), 'id', 'version', 'state'], [], words); // prettier-ignore
}

describe('a table that comes back', () => {
  const out = person({ givenName: 'Nella', familyName: 'Harrowfield', title: 'Buyer', emails: ['n@quay.example'], phones: [{ value: '+441632960117', kind: 'fax', extension: '004' }] }, { tags: ['fish'], rating: 'Hot' }); // prettier-ignore

  it('unchanged changes nothing, whoever it is of', () => {
    const filed = anyPerson.map((fields) => ({ ...fields, country: countryCode(fields.country) ?? fields.country }));
    fc.assert(
      fc.property(filed, (fields) => {
        const now = person(fields);
        expect(broughtBack(now, 4, table(now), words)).toEqual({ draft: now, conflicts: [], faults: [] });
      }),
      { numRuns: 200 },
    );
  });

  it('changes exactly the cells that were changed', () => {
    const row = table(out, { title: 'Head buyer', phone1Extension: '', tags: 'fish; cold chain', rating: '' });
    const { draft, conflicts, faults } = broughtBack(out, 4, row, words);
    expect({ conflicts, faults }).toEqual({ conflicts: [], faults: [] });
    expect(draft).toEqual(person({ ...out.fields, title: 'Head buyer', phones: [{ value: '+441632960117', kind: 'fax', extension: '' }] }, { tags: ['fish', 'cold chain'] })); // prettier-ignore
  });

  it('leaves what was changed here meanwhile, and asks where both were', () => {
    const now = person(
      { ...out.fields, title: 'Plant manager', department: 'Dispatch' },
      { tags: ['fish'], rating: 'Warm' },
    );
    const row = table(out, { title: 'Head buyer', givenName: 'Nell' });
    const { draft, conflicts } = broughtBack(now, 5, row, words);
    expect(draft).toEqual({ ...now, fields: { ...now.fields, givenName: 'Nell' } });
    expect(conflicts).toEqual([{ key: 'title', here: 'Plant manager', file: 'Head buyer' }]);
    expect(settled(draft, conflicts, ['title'], words).draft.fields.title).toBe('Head buyer');
  });

  it('without the marks of its cells is asked about wherever it differs from somebody who was changed since', () => {
    const row = table(out, { title: 'Head buyer' }, 4, false);
    expect(broughtBack(out, 4, row, words)).toMatchObject({
      draft: { fields: { title: 'Head buyer' } },
      conflicts: [],
    });
    expect(broughtBack(out, 5, row, words).conflicts).toEqual([{ key: 'title', here: 'Buyer', file: 'Head buyer' }]);
  });

  it('says what cannot be in a cell', () => {
    expect(broughtBack(out, 4, table(out, { rating: 'Lukewarm' }), words).faults).toEqual([{ key: 'rating', fault: 'Write Hot, Warm, or nothing.' }]); // prettier-ignore
  });
});

describe('somebody who is known', () => {
  const now = person({ familyName: 'Voss', title: 'Buyer', emails: ['v@quay.example'] }, { tags: ['Fish'] });
  const file = person({ familyName: 'Voß', title: 'Head buyer', department: 'Dispatch', emails: ['V@quay.example', 'w@quay.example'], phones: [{ value: '+441632960117', kind: 'work', extension: '' }] }, { tags: ['fish', 'dairy'] }); // prettier-ignore

  it.each(['fill', 'file', 'ask'] as const)('gets what is missing, and otherwise what the rule says: %s', (rule) => {
    const { draft, conflicts } = withIncoming(now, file, rule);
    expect(draft.fields).toMatchObject({ department: 'Dispatch', emails: ['v@quay.example', 'w@quay.example'], phones: file.fields.phones }); // prettier-ignore
    expect(draft.tags).toEqual(['Fish', 'dairy']);
    expect(draft.owner).toBe('Ottilie Brandt');
    expect([draft.fields.familyName, draft.fields.title]).toEqual(rule === 'file' ? ['Voß', 'Head buyer'] : ['Voss', 'Buyer']); // prettier-ignore
    expect(conflicts.map(({ key }) => key)).toEqual(rule === 'ask' ? ['familyName', 'title'] : []);
  });
});
