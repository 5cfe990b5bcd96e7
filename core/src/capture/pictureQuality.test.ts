import { adviceFor, isPoorPicture, type PictureQuality } from '.';

const GOOD: PictureQuality = {
  smallestText: 24,
  blur: 0.08,
  softness: 0.09,
  highlight: 0.9,
  glare: 0,
  exposure: 0.7,
  textContrast: 0.5,
  groundContrast: 0.3,
};
const codes = (change: Partial<PictureQuality>) => adviceFor({ ...GOOD, ...change }).map((a) => a.code);

describe('advice about a picture', () => {
  it('has none for a good one, for a card without text, and for one read before this was measured', () => {
    expect(codes({})).toEqual([]);
    expect(codes({ smallestText: 0, blur: 0, softness: 0, highlight: 0 })).toEqual([]);
    expect(codes({ softness: undefined, highlight: undefined })).toEqual([]);
  });

  it.each([
    [{ smallestText: 12 }, 'closer'],
    [{ softness: 0.22 }, 'still'],
    [{ highlight: 0.4 }, 'dark'],
  ] as const)('says what to do for %j', (change, code) => {
    expect(codes(change)).toEqual([code]);
  });

  it('does not call a dark card with light print too dark', () => {
    expect(codes({ exposure: 0.1, highlight: 0.8 })).toEqual([]);
  });

  it('puts light first, since the rest may follow from it', () => {
    expect(codes({ highlight: 0.3, softness: 0.3, smallestText: 10 })).toEqual(['dark', 'still', 'closer']);
  });
});

describe('a picture so bad that its reading is trusted less', () => {
  it.each([
    [{ smallestText: 7 }, true],
    [{ blur: 0.6 }, true],
    [{ glare: 0.4 }, true],
    [{ exposure: 0.08, textContrast: 0.06 }, true],
    [{ exposure: 0.1, textContrast: 0.5 }, false],
    [{ groundContrast: 0.008 }, false],
    [{}, false],
  ] as const)('is %j: %s', (change, poor) => {
    expect(isPoorPicture({ ...GOOD, ...change })).toBe(poor);
  });
});
