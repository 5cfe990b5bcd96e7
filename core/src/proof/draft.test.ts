import fc from 'fast-check';
import { proposeFields, type FieldProposal } from '../reading';
import { readingOf } from '../reading/readingOf.testing';
import {
  addAddress,
  addField,
  deleteField,
  doubtfulCharacters,
  draftOf,
  editField,
  guessOf,
  isDoubtful,
  leaveOut,
  looseLines,
  mergedDrafts,
  noteOf,
  personFieldsOf,
  settledBy,
  settleField,
  spanArea,
  spanQuad,
  withBackOf,
  withSecondReading,
  type Draft,
} from '.';
import { complaintAbout } from './complaints';

const reading = readingOf([
  { text: 'Nella Voss', probability: 0.5 },
  'Dispatch Manager',
  'nella@harrowfield.example',
  'Seen. Heard. Understood.',
]);
const proposals = proposeFields(reading).fields;
const draft = draftOf(proposals);
const idOf = (field: string) => draft.fields.find((f) => f.field === field)!.id;

describe('a draft on the proof desk', () => {
  it('begins with the proposals', () => {
    expect(personFieldsOf(draft)).toMatchObject({
      givenName: 'Nella',
      familyName: 'Voss',
      title: 'Dispatch Manager',
      emails: ['nella@harrowfield.example'],
    });
    expect(guessOf(proposals).name).toBe('Nella Voss');
  });

  it('takes a person’s word: an edited or settled field is not doubtful any more', () => {
    const given = idOf('givenName');
    expect(isDoubtful(draft.fields.find((f) => f.id === given)!)).toBe(true);
    for (const changed of [editField(draft, given, { value: 'Nellie' }), settleField(draft, given)]) {
      expect(isDoubtful(changed.fields.find((f) => f.id === given)!)).toBe(false);
    }
    expect(personFieldsOf(editField(draft, given, { value: ' Nellie ' })).givenName).toBe('Nellie');
  });

  it('files neither what is left out nor what is deleted, and brings the first back', () => {
    const without = leaveOut(draft, idOf('title'), true);
    expect(personFieldsOf(without).title).toBe('');
    expect(personFieldsOf(leaveOut(without, idOf('title'), false)).title).toBe('Dispatch Manager');
    expect(deleteField(draft, idOf('title')).fields.map((f) => f.field)).not.toContain('title');
  });

  it('lists the lines that nothing claims, and gives them to fields', () => {
    expect(looseLines(draft, reading.lines.length)).toEqual([3]);
    const given = addField(draft, 'note', 'Seen. Heard. Understood.', [{ line: 3, from: 0, to: 24 }]);
    expect(looseLines(given, reading.lines.length)).toEqual([]);
    expect(noteOf(given)).toBe('Seen. Heard. Understood.');
    expect(personFieldsOf(addField(draft, 'title', 'Yard')).title).toBe('Dispatch Manager, Yard');
    expect(personFieldsOf(addField(draft, 'email', 'office@harrowfield.example')).emails).toHaveLength(2);
  });

  it('keeps fields in their usual order and their ids apart', () => {
    const twice = addField(addField(draft, 'phone', '1'), 'phone', '2');
    expect(new Set(twice.fields.map((f) => f.id)).size).toBe(twice.fields.length);
    expect(
      addField(draft, 'department')
        .fields.map((f) => f.field)
        .indexOf('department'),
    ).toBe(draft.fields.findIndex((f) => f.field === 'title') + 1);
  });

  it('says what is wrong with an address', () => {
    const [email] = addField({ fields: [], nextId: 0 }, 'email', 'nella@harrowfield').fields;
    expect(complaintAbout(email!)).toMatch(/not a complete e-mail/);
    expect(complaintAbout({ ...email!, value: 'nella@harrowfield.example' })).toBeUndefined();
    expect(complaintAbout({ ...email!, leftOut: true })).toBeUndefined();
  });
});

describe('where a field stands on the card', () => {
  it('marks the characters that the engine was unsure of', () => {
    const line = {
      ...reading.lines[2]!,
      characters: reading.lines[2]!.characters.map((c, i) => (i === 3 || i === 4 ? { ...c, probability: 0.4 } : c)),
    };
    const doubtful = { ...reading, lines: [reading.lines[0]!, reading.lines[1]!, line, reading.lines[3]!] };
    const email = draftOf(proposeFields(doubtful).fields).fields.find((f) => f.field === 'email')!;
    expect(doubtfulCharacters(email, doubtful)).toEqual([{ from: 3, to: 5 }]);
    expect(doubtfulCharacters({ ...email, confidence: 1 }, doubtful)).toEqual([]);
    expect(doubtfulCharacters({ ...email, value: 'somebody@else.example' }, doubtful)).toEqual([{ from: 0, to: 21 }]);
  });

  it('cuts the strip of a part of a line, inside the picture', () => {
    const whole = spanArea(reading, { line: 0, from: 0, to: 10 })!;
    const part = spanArea(reading, { line: 0, from: 6, to: 10 })!;
    expect(part.left).toBeGreaterThan(whole.left);
    expect(part.left + part.width).toBeLessThanOrEqual(reading.width);
    expect(spanQuad(reading, { line: 99, from: 0, to: 1 })).toBeUndefined();
  });

  it('leaves as much room around a part of a line as around the whole', () => {
    const [tight, roomy] = [0, 0.3].map((margin) => spanQuad(reading, { line: 0, from: 2, to: 6 }, margin)!);
    const by = 0.3 * (tight![3][1] - tight![0][1]);
    expect(roomy![0][0]).toBeCloseTo(tight![0][0] - by, 6);
    expect(roomy![1][0]).toBeCloseTo(tight![1][0] + by, 6);
    expect(roomy![2][1]).toBeCloseTo(tight![2][1] + by, 6);
  });
});

describe('a back joined to a card on the desk', () => {
  const front = {
    field: 'title',
    value: 'Buyer',
    sources: [{ line: 0, from: 0, to: 5 }],
    confidence: 0.9,
    reasons: [],
  } as const;
  const phone = {
    field: 'phone',
    value: '+441632960117',
    sources: [{ line: 0, from: 0, to: 5, side: 'back' }],
    confidence: 0.9,
    reasons: [],
  } as const;

  it('brings its fields in, in their place, and leaves what a person wrote', () => {
    const edited = editField(draftOf([front]), 'p0', { value: 'Head Buyer' });
    const joined = withBackOf(edited, [front, phone]);
    expect(joined.fields.map((f) => f.value)).toEqual(['Head Buyer', '+441632960117']);
    expect(withBackOf(joined, [front, phone]).fields).toHaveLength(2);
  });

  it('takes them away with it, but not what a person has settled', () => {
    const joined = withBackOf(draftOf([front]), [phone]);
    expect(withBackOf(joined, [front]).fields.map((f) => f.value)).toEqual(['Buyer']);
    const settled = settleField(joined, joined.fields[1]!.id);
    expect(withBackOf(settled, [front]).fields).toHaveLength(2);
  });

  it('claims no line of the front', () => {
    expect(looseLines(withBackOf(draftOf([]), [phone]), 2)).toEqual([0, 1]);
  });
});

describe('a card read a second time while it lies on the desk', () => {
  const proposal = (rest: Partial<FieldProposal>): FieldProposal => ({ field: 'email', value: 'ida@quay.example', sources: [], confidence: 0.97, reasons: [], ...rest }); // prettier-ignore
  const offer = [{ value: 'lda@quay.example', reason: { code: 'readTheSecondTime' as const } }];

  it('is as doubtful as both readings make it, in its place, but for what a person has settled', () => {
    const begun = draftOf([proposal({ field: 'title', value: 'Buyer', confidence: 0.6 }), proposal({}), proposal({ field: 'phone', value: '+441632960117' })]); // prettier-ignore
    const worked = settleField(editField(begun, 'p2', { value: '+441632960118' }), 'p0');
    const now = withSecondReading(worked, [
      proposal({ field: 'title', value: 'Buyer', confidence: 0.2 }),
      proposal({ confidence: 0.4, runnersUp: offer }),
      proposal({ field: 'phone', value: '+441632960117', confidence: 0.3 }),
    ]);
    expect(now.fields.map(({ id, value, confidence }) => [id, value, confidence])).toEqual([['p0', 'Buyer', 1], ['p1', 'ida@quay.example', 0.4], ['p2', '+441632960118', 1]]); // prettier-ignore
    expect(now.fields[1]!.runnersUp).toEqual(offer);
    expect(withSecondReading(now, [proposal({ confidence: 0.4, runnersUp: offer })])).toBe(now);
  });

  it('brings nothing back that a person has taken away, and adds nothing', () => {
    const begun = draftOf([proposal({}), proposal({ field: 'phone', value: '', confidence: 0.4 })]);
    const without = deleteField(begun, 'p1');
    expect(withSecondReading(without, [proposal({}), proposal({ field: 'phone', value: '', confidence: 0.4 })])).toBe(without); // prettier-ignore
  });
});

describe('another address', () => {
  it('stands behind the main one, part by part, and is filed with a name', () => {
    const two = addAddress(addField(draft, 'street', '9 Quay Road'), 'Address 2');
    const part = (field: string) => two.fields.find((f) => f.field === field && f.label === 'Address 2')!.id;
    const filled = editField(editField(two, part('street'), { value: '2 Harbour Steps' }), part('locality'), {
      value: 'Port Ellery',
    });
    const person = personFieldsOf(filled);
    expect(person.street).toBe('9 Quay Road');
    expect(person.more).toEqual([
      {
        label: 'Address 2',
        value: '2 Harbour Steps, Port Ellery',
        address: { street: '2 Harbour Steps', postalCode: '', locality: 'Port Ellery', region: '', country: '' },
      },
    ]);
    expect(personFieldsOf(addAddress(draft, 'Address 2')).more).toEqual([]);
    expect(two.fields.filter((f) => f.field === 'street').map((f) => f.label)).toEqual([undefined, 'Address 2']);
  });

  it('keeps fields with names of their own apart', () => {
    const own = addField(addField(draft, 'more', '@nella', [], 'Social handle'), 'more', 'de, en', [], 'Languages');
    expect(personFieldsOf(own).more).toEqual([
      { label: 'Social handle', value: '@nella' },
      { label: 'Languages', value: 'de, en' },
    ]);
  });
});

describe('a draft that grew apart on two devices', () => {
  const at = (second: number) => new Date(Date.UTC(2026, 10, 20, 10, 0, second)).toISOString();
  const begun = draftOf([
    { field: 'title', value: 'Buyer', sources: [], confidence: 0.5, reasons: [] },
    { field: 'email', value: 'a@b.example', sources: [], confidence: 0.9, reasons: [] },
  ]);
  const on = (device: string) => ({ ...begun, mark: device });
  const values = (draft: Draft) => draft.fields.map(({ value }) => value).sort();

  it('keeps a field that each of them added', () => {
    const mine = settledBy(on('x'), addField(on('x'), 'email', 'x@b.example'), 'Ottilie', at(1));
    const theirs = settledBy(on('y'), addField(on('y'), 'email', 'y@b.example'), 'Pim', at(2));
    const wanted = ['Buyer', 'a@b.example', 'x@b.example', 'y@b.example'];
    expect(values(mergedDrafts(mine, theirs))).toEqual(wanted);
    expect(values(mergedDrafts(theirs, mine))).toEqual(wanted);
  });

  it('does not bring back what one of them deleted, unless the other settled it later', () => {
    const edited = settledBy(on('x'), editField(on('x'), 'p0', { value: 'Head buyer' }), 'Ottilie', at(1));
    const deleted = settledBy(edited, deleteField(edited, 'p0'), 'Ottilie', at(2));
    // As it comes back from a save that was under way.
    expect(values(mergedDrafts(deleted, edited))).toEqual(['a@b.example']);
    expect(values(mergedDrafts(edited, deleted))).toEqual(['a@b.example']);
    const later = settledBy(edited, editField(edited, 'p0', { value: 'Chief buyer' }), 'Pim', at(3));
    expect(values(mergedDrafts(deleted, later))).toEqual(['Chief buyer', 'a@b.example']);
  });

  it('comes to the same whichever brings the other in, and brought in twice it is brought in once', () => {
    const act = fc.record({
      what: fc.constantFrom('edit', 'delete', 'add', 'leaveOut'),
      id: fc.constantFrom('p0', 'p1'),
      text: fc.constantFrom('one', 'two', 'three'),
    });
    const grown = (device: string, acts: readonly { what: string; id: string; text: string }[], from: number): Draft =>
      acts.reduce(
        (draft, { what, id, text }, i) => {
          const after =
            what === 'add'
              ? addField(draft, 'website', `${text}.${device}.example`)
              : what === 'delete'
                ? deleteField(draft, id)
                : what === 'leaveOut'
                  ? leaveOut(draft, id, true)
                  : editField(draft, id, { value: text });
          return after === draft ? draft : settledBy(draft, after, device, at(from + 2 * i));
        },
        on(device) as Draft,
      );
    fc.assert(
      fc.property(fc.array(act, { maxLength: 6 }), fc.array(act, { maxLength: 6 }), (a, b) => {
        const [mine, theirs] = [grown('x', a, 0), grown('y', b, 1)];
        const merged = mergedDrafts(mine, theirs);
        expect(values(merged)).toEqual(values(mergedDrafts(theirs, mine)));
        expect(mergedDrafts(merged, theirs)).toBe(merged);
        // Nothing that was added is lost.
        for (const { id, field } of [...mine.fields, ...theirs.fields])
          if (field === 'website') expect(merged.fields.map((f) => f.id)).toContain(id);
      }),
    );
  });
});
