import fc from 'fast-check';
import { emptyPersonFields } from '../../people';
import { anyPerson } from '../anyPerson.testing';
import { PEOPLE_JSON, readPeopleJson } from './readPeopleJson';

const file = (people: unknown, rest: object = {}) => JSON.stringify({ ...PEOPLE_JSON, people, ...rest });

describe('people as JSON', () => {
  it('come back as they were', () => {
    const id = '01900000-0000-7000-8000-000000000001';
    fc.assert(
      fc.property(anyPerson, fc.constantFrom('lead', 'contact'), (fields, kind) => {
        const taken = { id, version: 3, fields, kind, rating: 'Hot', tags: ['cold chain'], owner: 'Pim Aldous', notes: [{ text: 'One\nTwo', author: 'Pim Aldous', at: '2026-03-24T09:00:00Z' }] }; // prettier-ignore
        expect(readPeopleJson(file([taken]))).toEqual([
          { fields, kind, rating: 'Hot', tags: ['cold chain'], owner: 'Pim Aldous', note: 'One\nTwo', uid: `urn:uuid:${id}`, pictures: [] },
        ]); // prettier-ignore
      }),
    );
  });

  it('bring the pictures of their latest card', () => {
    const picture = (base64: string) => ({ type: 'image/jpeg', base64 });
    const cards = [
      { id: 'b', side: 'front', frontId: null, picture: picture('QUJD') },
      { id: 'c', side: 'back', frontId: 'b', picture: picture('REVG') },
      { id: 'a', side: 'front', frontId: null, picture: picture('no picture') },
    ];
    expect(readPeopleJson(file([{ fields: {}, cards }]))![0]!.pictures.map(({ base64 }) => base64)).toEqual([
      'QUJD',
      'REVG',
    ]);
  });

  it('of another kind or a version to come are not taken for them', () => {
    for (const text of [
      '',
      '{',
      '[]',
      'null',
      '{"people":[]}',
      file([], { version: 2 }),
      file([], { format: 'other' }),
    ])
      expect([text, readPeopleJson(text)]).toEqual([text, undefined]);
    expect(readPeopleJson(`\uFEFF${file([])}`)).toEqual([]);
  });

  it('in any state are read to an end, and hold nothing that cannot be written', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (fields, person) => {
        const read = readPeopleJson(file([{ ...Object(person), fields }, person]))!;
        for (const one of read) expect(Object.keys(one.fields).sort()).toEqual(Object.keys(emptyPersonFields()).sort());
      }),
    );
  });
});
