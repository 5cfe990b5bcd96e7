import { adviceFor, type PictureQuality } from '.';

const GOOD: PictureQuality = {
  smallestText: 24,
  blur: 0.12,
  glare: 0,
  exposure: 0.7,
  textContrast: 0.5,
  groundContrast: 0.3,
};
const codes = (change: Partial<PictureQuality>) => adviceFor({ ...GOOD, ...change }).map((a) => a.code);

describe('advice about a picture', () => {
  it('has none for a good one, and none for a card without text', () => {
    expect(codes({})).toEqual([]);
    expect(codes({ smallestText: 0, blur: 0 })).toEqual([]);
  });

  it.each([
    [{ smallestText: 7 }, 'closer'],
    [{ blur: 0.6 }, 'still'],
    [{ glare: 0.4 }, 'glare'],
    [{ exposure: 0.08, textContrast: 0.06 }, 'dark'],
    [{ groundContrast: 0.008 }, 'ground'],
  ] as const)('says what to do for %j', (change, code) => {
    expect(codes(change)).toEqual([code]);
  });

  it('does not call a dark card with clear print too dark', () => {
    expect(codes({ exposure: 0.1, textContrast: 0.5 })).toEqual([]);
  });

  it('puts glare first, since the rest may follow from it', () => {
    expect(codes({ glare: 0.5, blur: 0.6 })[0]).toBe('glare');
  });
});
