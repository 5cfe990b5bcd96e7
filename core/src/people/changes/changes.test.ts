import fc from 'fast-check';
import { emptyPersonFields } from '../personFields';
import { applyChange, MOST_TAGS, undoChange, type ChangeableRecord, type RecordChange } from '.';

const nameOf = (id: string) => `Owner ${id}`;
const AT = '2026-03-24T10:00:00Z';
const record: ChangeableRecord = {
  kind: 'lead',
  ownerId: 'a',
  rating: null,
  status: null,
  closed: null,
  qualifiedAt: null,
  tags: ['cold chain', 'Visit'],
  fields: { ...emptyPersonFields(), givenName: 'Corwin', familyName: 'Sealthwaite', locality: 'Port Ellery' },
};
const applied = (change: RecordChange, to = record) => {
  const answer = applyChange(to, change, nameOf, AT);
  if (!answer || typeof answer === 'string') throw new Error(`Not applied: ${answer}`);
  return answer;
};

describe('a change of many', () => {
  it.each<[RecordChange, object[]]>([
    [{ kind: 'contact' }, [{ field: 'kind', before: 'lead', after: 'contact' }]],
    [{ ownerId: 'b' }, [{ field: 'owner', before: 'Owner a', after: 'Owner b' }]],
    [{ rating: 'Warm' }, [{ field: 'rating', before: '', after: 'Warm' }]],
    [{ status: 'Called' }, [{ field: 'status', before: '', after: 'Called' }]],
    [
      { closed: { reason: 'No need', words: 'Has a dry store' } },
      [{ field: 'closed', before: '', after: 'No need: Has a dry store' }],
    ],
    [
      { addTags: ['visit', 'dairy'] },
      [{ field: 'tags', before: 'cold chain, Visit', after: 'cold chain, Visit, dairy' }],
    ],
    [{ removeTags: ['VISIT'] }, [{ field: 'tags', before: 'cold chain, Visit', after: 'cold chain' }]],
    [
      { field: { name: 'locality', value: 'Skerrivore' } },
      [{ field: 'locality', before: 'Port Ellery', after: 'Skerrivore' }],
    ],
  ])('%j', (change, changes) => {
    expect(applied(change).changes).toEqual(changes);
  });

  it('leaves alone whoever is so already', () => {
    for (const change of [
      { kind: 'lead' },
      { addTags: ['COLD CHAIN'] },
      { rating: null },
      { removeTags: ['dairy'] },
    ] as const)
      expect(applyChange(record, change, nameOf, AT)).toBeUndefined();
  });

  it('closes and rates leads alone; whoever becomes a contact is not closed any more', () => {
    const why = { reason: 'No need', words: '' };
    const closed = { at: '2026-03-01T10:00:00Z', ...why };
    const contact = { ...record, kind: 'contact' as const };
    expect(applyChange(contact, { closed: why }, nameOf, AT)).toBe('no-lead');
    expect(applyChange(contact, { status: 'Called' }, nameOf, AT)).toBe('no-lead');
    expect(applied({ kind: 'contact' }, { ...record, closed }).record).toMatchObject({
      kind: 'contact',
      closed: null,
      qualifiedAt: AT,
    });
    // Closed once more for the same reason it is closed since then.
    expect(applyChange({ ...record, closed }, { closed: why }, nameOf, AT)).toBeUndefined(); // prettier-ignore
    expect(applied({ closed: null }, { ...record, closed }).changes).toEqual([{ field: 'closed', before: 'No need', after: '' }]); // prettier-ignore
  });

  it('is refused where a record would have too many tags, or nothing to be found by', () => {
    const full = { ...record, tags: Array.from({ length: MOST_TAGS }, (_, i) => `tag ${i}`) };
    expect(applyChange(full, { addTags: ['one more'] }, nameOf, AT)).toBe('too-many-tags');
    const firm = { ...record, fields: { ...emptyPersonFields(), company: 'Anchor Nets' } };
    expect(applyChange(firm, { field: { name: 'company', value: '' } }, nameOf, AT)).toBe('nameless');
  });
});

describe('taking it back', () => {
  const word = fc.constantFrom('cold chain', 'visit', 'Dairy', 'dairy', 'orchards');
  const changes = fc.record(
    {
      addTags: fc.array(word, { maxLength: 3 }),
      removeTags: fc.array(word, { maxLength: 2 }),
      ownerId: fc.constantFrom('a', 'b'),
      kind: fc.constantFrom('lead' as const, 'contact' as const),
      rating: fc.constantFrom(null, 'Warm', 'Cold'),
      closed: fc.constantFrom(null, { reason: 'No need', words: '' }),
      field: fc.record({
        name: fc.constantFrom('locality' as const, 'title' as const),
        value: fc.constantFrom('', 'Skerrivore'),
      }),
    },
    { requiredKeys: [] },
  );

  it('gives back exactly what was, when nothing came between', () => {
    fc.assert(
      fc.property(changes, (change) => {
        const after = applyChange(record, change, nameOf, AT);
        if (!after || typeof after === 'string') return;
        const back = undoChange(record, after.record, after.record, nameOf);
        const result = typeof back === 'object' ? back.record : after.record;
        expect({ ...result, tags: [...result.tags].sort() }).toEqual({ ...record, tags: [...record.tags].sort() });
      }),
    );
  });

  it('keeps what came later, and says what stands against it', () => {
    const after = applied({
      addTags: ['dairy'],
      rating: 'Warm',
      field: { name: 'locality', value: 'Skerrivore' },
    }).record;
    const later = { ...after, tags: [...after.tags, 'orchards'], kind: 'contact' as const };
    expect(undoChange(record, after, later, nameOf)).toMatchObject({
      record: {
        kind: 'contact',
        rating: null,
        tags: ['cold chain', 'Visit', 'orchards'],
        fields: { locality: 'Port Ellery' },
      },
    });
    expect(undoChange(record, after, { ...after, rating: 'Cold' }, nameOf)).toBe('rating');
    expect(undoChange(record, after, record, nameOf)).toBeUndefined();
  });
});
