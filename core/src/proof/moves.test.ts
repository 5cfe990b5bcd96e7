import fc from 'fast-check';
import { proposeFields } from '../reading';
import { FIELD_NAMES, type FieldProposal } from '../reading/fields';
import { readingOf } from '../reading/readingOf.testing';
import { draftOf, movePart, moveField, putFirst, putIntoField, swapFields, swapPartners, type Draft } from '.';
import { otherCase, partsToMove } from './wording';

const proposal = (field: FieldProposal['field'], value: string, line?: number): FieldProposal => ({
  field,
  value,
  sources: line === undefined ? [] : [{ line, from: 0, to: value.length }],
  confidence: 0.6,
  reasons: [],
});
const valuesOf = (draft: Draft) => Object.fromEntries(draft.fields.map((f) => [f.field, f.value]));
const idOf = (draft: Draft, field: string) => draft.fields.find((f) => f.field === field)!.id;

describe('the main one of a kind', () => {
  const draft = draftOf([
    proposal('givenName', 'Nella'),
    proposal('phone', '+441632960117'),
    proposal('phone', '+447700900651'),
    proposal('phone', '+441632960118'),
  ]);

  it('is the one that is put before the others', () => {
    const { fields } = putFirst(draft, 'p3');
    expect(fields.map((f) => f.id)).toEqual(['p0', 'p3', 'p1', 'p2']);
  });

  it('stays as it is for the first one, one that is alone, and what cannot stand twice', () => {
    for (const id of ['p0', 'p1', 'p9']) expect(putFirst(draft, id)).toBe(draft);
  });

  it('is not one that is left out', () => {
    const left = { ...draft, fields: draft.fields.map((f) => (f.id === 'p1' ? { ...f, leftOut: true } : f)) };
    expect(putFirst(left, 'p2')).toBe(left);
    expect(putFirst(left, 'p3').fields.map((f) => f.id)).toEqual(['p0', 'p1', 'p3', 'p2']);
  });
});

describe('parts that stand in the wrong field', () => {
  it.each([
    ['familyName', 'Harrowfield MBA', 'MBA', 'suffix'],
    ['givenName', 'Dr. Nella', 'Dr.', 'prefix'],
    ['givenName', 'Nella Ruth', 'Ruth', 'middleName'],
    ['title', 'Head Buyer, Purchasing', 'Purchasing', 'department'],
    ['title', 'Leiterin | Abteilung Einkauf', 'Abteilung Einkauf', 'department'],
  ] as const)('in the %s “%s” is “%s”', (field, value, text, to) => {
    expect(partsToMove({ field, value })).toEqual([
      expect.objectContaining({ text, field: to, from: value.lastIndexOf(text) }),
    ]);
  });

  it.each([
    ['familyName', 'van der Berg'],
    ['familyName', 'Voss'],
    ['givenName', 'Nella'],
    ['title', 'Purchasing'],
    ['title', 'Director of Sales and Marketing'],
    ['company', 'Harrowfield MBA'],
  ] as const)('is nothing in the %s “%s”', (field, value) => {
    expect(partsToMove({ field, value })).toEqual([]);
  });

  it('are moved by one act, with their place on the card and without the comma', () => {
    const before = draftOf([proposal('title', 'Head Buyer, Purchasing', 3)]);
    const id = before.fields[0]!.id;
    const after = movePart(before, id, partsToMove(before.fields[0]!)[0]!);
    expect(valuesOf(after)).toEqual({ title: 'Head Buyer', department: 'Purchasing' });
    expect(after.fields.find((f) => f.field === 'department')!.sources).toEqual([{ line: 3, from: 12, to: 22 }]);
    expect(after.fields.every((f) => f.confidence === 1)).toBe(true);
  });
});

describe('moving between fields', () => {
  const draft = draftOf([
    proposal('givenName', 'Voss', 0),
    proposal('familyName', 'Nella', 1),
    proposal('title', 'Buyer'),
  ]);

  it('swaps two with their places, and swapping again brings them back', () => {
    const [given, family] = [idOf(draft, 'givenName'), idOf(draft, 'familyName')];
    const once = swapFields(draft, given, family);
    expect(valuesOf(once)).toMatchObject({ givenName: 'Nella', familyName: 'Voss' });
    expect(once.fields[0]!.sources).toEqual(draft.fields[1]!.sources);
    expect(valuesOf(swapFields(once, given, family))).toEqual(valuesOf(draft));
    expect(swapFields(draft, given, 'nowhere')).toBe(draft);
  });

  it('gives a whole field to another one that is empty, or puts it behind what stands there', () => {
    expect(valuesOf(moveField(draft, idOf(draft, 'title'), 'department'))).toEqual({
      givenName: 'Voss',
      familyName: 'Nella',
      department: 'Buyer',
    });
    expect(valuesOf(moveField(draft, idOf(draft, 'givenName'), 'familyName'))).toEqual({ familyName: 'Nella Voss', title: 'Buyer' }); // prettier-ignore
  });

  it('offers to swap what is commonly mixed up', () => {
    expect(swapPartners(draft, draft.fields[0]!).map((f) => f.field)).toEqual(['familyName']);
    expect(swapPartners(draft, draft.fields[2]!)).toEqual([]);
  });

  it('puts text picked from the picture in place of a value or behind it', () => {
    const id = idOf(draft, 'title');
    const picked = [{ line: 4, from: 2, to: 9 }];
    expect(putIntoField(draft, id, 'Head Buyer', picked, false).fields[2]).toMatchObject({ value: 'Head Buyer', sources: picked, confidence: 1 }); // prettier-ignore
    expect(putIntoField(draft, id, 'Fruit', picked, true).fields[2]).toMatchObject({ value: 'Buyer Fruit', sources: picked }); // prettier-ignore
  });

  it('loses no text, whatever is moved where', () => {
    const letters = (d: Draft) => [...d.fields.map((f) => f.value).join('')].filter((c) => /\p{L}/u.test(c)).sort().join(''); // prettier-ignore
    fc.assert(
      fc.property(
        fc.constantFrom(
          'NELLA VOSS\nHead Buyer, Purchasing\nHarrowfield Creamery Ltd',
          'Dr. Amara Bello MBA\nArea Manager',
        ),
        fc.array(fc.tuple(fc.nat(20), fc.constantFrom(...FIELD_NAMES), fc.boolean()), { maxLength: 6 }),
        (card, moves) => {
          const begin = draftOf(proposeFields(readingOf(card.split('\n'))).fields);
          const end = moves.reduce((now, [n, to, whole]) => {
            const field = now.fields[n % now.fields.length]!;
            const part = partsToMove(field)[0];
            return whole || !part ? moveField(now, field.id, to) : movePart(now, field.id, part);
          }, begin);
          expect(letters(end)).toBe(letters(begin));
        },
      ),
    );
  });
});

describe('the other case', () => {
  it.each([
    ['familyName', 'MCALLISTER', 'McAllister'],
    ['title', 'HEAD OF SALES', 'Head of Sales'],
    ['company', 'HARROWFIELD CREAMERY LTD', 'Harrowfield Creamery Ltd'],
    ['email', 'Nella@Harrowfield.example', 'nella@harrowfield.example'],
  ] as const)('of %s %s is %s, and the same again brings capitals back', (field, printed, natural) => {
    expect(otherCase({ field, value: printed })).toBe(natural);
    expect(otherCase({ field, value: natural })).toBe(natural.toUpperCase());
  });
});
