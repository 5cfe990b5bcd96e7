import { addressOf, EVERYBODY, isNarrowed, paramsOf, placeOf, placeOfAddress, toggled } from './place';

const place = {
  ...EVERYBODY,
  q: 'weber & söhne',
  marks: { tag: ['cold chain', 'a=b'], kind: ['lead'] },
  filedFrom: '2026-03-01',
  sort: '-filed',
};

describe('the place of a list', () => {
  it('is the same after it went through an address', () => {
    expect(placeOfAddress(addressOf(place))).toEqual(place);
    expect(placeOfAddress(addressOf(EVERYBODY))).toEqual(EVERYBODY);
    expect(addressOf(EVERYBODY)).toBe('');
    expect(placeOf(paramsOf(place))).toEqual(place);
    expect(Object.values(paramsOf(EVERYBODY)).filter((value) => value !== undefined)).toEqual([]);
  });

  it('passes over what lists know nothing of, and says a value once', () => {
    expect(placeOf({ tag: ['visit', 'visit'], colour: 'green', kind: 'lead', q: ['one', 'two'] })).toEqual({
      ...EVERYBODY,
      q: 'one',
      marks: { tag: ['visit'], kind: ['lead'] },
    });
  });

  it('has a value more, or less', () => {
    const more = toggled(EVERYBODY, 'tag', 'visit');
    expect([isNarrowed(EVERYBODY), isNarrowed(more)]).toEqual([false, true]);
    expect(more.marks).toEqual({ tag: ['visit'] });
    expect(toggled(more, 'tag', 'open day').marks).toEqual({ tag: ['visit', 'open day'] });
    expect(toggled(more, 'tag', 'visit')).toEqual(EVERYBODY);
  });
});
