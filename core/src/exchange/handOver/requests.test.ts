import fc from 'fast-check';
import { bodyOf, changeOf, filledPath, foundIn, isAskedFor, textAt, valueAt } from '.';

describe('a request to another system', () => {
  it('has its values in place, written so that they cannot be anything else', () => {
    const values = { MailA: 'a&b@x.example/..?x=1#y', Size: 38, Marks: ['a'] };
    expect(filledPath('/api/prospects?MailA={MailA}&Size={Size}', values)).toBe('/api/prospects?MailA=a%26b%40x.example%2F..%3Fx%3D1%23y&Size=38'); // prettier-ignore
    expect(filledPath('/api/prospects/{ref}', values, 'P/1')).toBe('/api/prospects/P%2F1');
    expect(filledPath('/x/{dots}', { dots: '..' })).toBeUndefined();
    for (const path of ['/x/{Nothing}', '/x/{ref}', '/x/{Marks}', '/x/{toString}']) expect(filledPath(path, values)).toBeUndefined(); // prettier-ignore
    fc.assert(
      fc.property(fc.string({ minLength: 1, unit: 'grapheme' }), (text) => {
        const path = filledPath('/find/{x}', { x: text });
        if (path === undefined) return expect(text).toMatch(/^\.{0,2}$/);
        expect(new URL(path, 'https://a.example').pathname.split('/')).toHaveLength(3);
        expect(path.slice(1).split('/')).toHaveLength(2);
      }),
    );
  });

  it('has its fields where the other system wants them', () => {
    expect(bodyOf({ a: 1 }, '')).toEqual({ a: 1 });
    expect(bodyOf({ a: 1 }, 'data.attributes')).toEqual({ data: { attributes: { a: 1 } } });
  });
});

describe('an answer of another system', () => {
  const object = { found: { at: 'records.0', refAt: 'ref', linkAt: 'seen', valuesAt: 'values' } };

  it('tells where who was found stands', () => {
    const answer = { records: [{ ref: 17, seen: 'https://a.example/17', values: { Surname: 'Voss' } }] };
    expect(foundIn(answer, object)).toEqual({ ref: '17', link: 'https://a.example/17', values: { Surname: 'Voss' } });
    for (const nobody of [{ records: [] }, {}, null, 'text', { records: [{ ref: '' }] }, { records: [{ ref: {} }] }])
      expect(foundIn(nobody, object)).toBeUndefined();
    expect(foundIn({ records: [{ ref: 'a', values: 'none' }] }, object)).toEqual({
      ref: 'a',
      link: undefined,
      values: {},
    });
  });

  it.each([
    [{ MAIL: 'Ann@Quay.example ' }, true],
    [{ MAIL: 'bert@quay.example' }, false],
    [{ MAIL: ['bert@quay.example', 'ann@quay.example'] }, true],
    [{ MAIL: ['bert@quay.example'] }, false],
    [{ MAIL: null, Surname: 'Voss' }, true],
    [{ MAIL: [{ address: 'x' }, { address: 'y' }] }, true],
    [{}, true],
    [{ MAIL: 'ann@quay.example', LINE: '01632 960 117' }, true],
    [{ MAIL: 'ann@quay.example', LINE: '01632 960 118' }, false],
  ])('with %j is about whom it was asked for: %j', (values, is) => {
    const asked = { MAIL: 'ann@quay.example', LINE: '+44 1632 960117' };
    expect(isAskedFor('/api/people/{ref}?mail={MAIL}&line={LINE}', asked, { values })).toBe(is);
  });

  it('whatever it is, is read without anything but what stands in it', () => {
    expect(valueAt({ a: 1 }, '')).toEqual({ a: 1 });
    for (const place of ['constructor', '__proto__', 'a.toString', 'length', 'a.0.0']) expect(textAt({ a: 'x' }, place)).toBeUndefined(); // prettier-ignore
    fc.assert(fc.property(fc.anything(), fc.string(), (json, place) => void textAt(json, place)));
  });
});

describe('what is sent of a record', () => {
  it('is only what is another one there, and never an empty value', () => {
    const there = { Surname: 'Voss', Rank: 'Buyer', Marks: ['b', 'a'], Size: 38, Line: null, Haven: 'Tarnmoor' };
    const record = { Surname: 'Voss', Rank: 'Owner', Marks: ['a', 'b'], Size: 38, Line: '+441632960117' };
    expect(changeOf(record, there)).toMatchObject({
      send: { Rank: 'Owner', Line: '+441632960117' },
      theirs: [{ to: 'Rank', there: 'Buyer', here: 'Owner' }],
    });
    expect(changeOf(record, record)).toEqual({ send: {}, theirs: [], kept: record });
    expect(changeOf(record, {}).send).toEqual(record);
  });

  it('is nothing that was changed there and not here since it was sent last', () => {
    const sent = { Rank: 'Buyer', House: 'Voss', Haven: 'Tarnmoor' };
    const here = { Rank: 'Buyer', House: 'Voss & Son', Haven: 'Port Ellery' };
    expect(changeOf(here, { Rank: 'Owner', House: 'Voss Ltd', Haven: 'Tarnmoor' }, sent)).toEqual({
      send: { House: 'Voss & Son', Haven: 'Port Ellery' },
      theirs: [
        { to: 'Rank', there: 'Owner', here: 'Buyer' },
        { to: 'House', there: 'Voss Ltd', here: 'Voss & Son' },
      ],
      kept: here,
    });
    // What was emptied there is filled again.
    expect(changeOf(here, {}, here).send).toEqual(here);
  });
});
