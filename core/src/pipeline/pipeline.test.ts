import fc from 'fast-check';
import { chanceOf, isStale, lacksOf, staysOf, sumsOf, togetherIn, type Standing } from '.';

const day = (n: number) => new Date(Date.UTC(2026, 2, n));

describe('sums of money', () => {
  it('are kept apart by currency, the largest first, with the chance in them', () => {
    const sums = sumsOf([
      { value: 1000, currency: 'EUR', chance: 50 },
      { value: 0.1, currency: 'EUR', chance: 100 },
      { value: 0.2, currency: 'EUR', chance: 100 },
      { value: 3000, currency: 'NOK', chance: 10 },
    ]);
    expect(sums).toEqual([
      { currency: 'NOK', value: 3000, weighted: 300 },
      { currency: 'EUR', value: 1000.3, weighted: 500.3 },
    ]);
  });

  it('come together only at rates that the workspace has set', () => {
    const sums = sumsOf([
      { value: 100, currency: 'EUR', chance: 40 },
      { value: 1000, currency: 'NOK', chance: 50 },
      { value: 7, currency: 'GBP', chance: 50 },
    ]);
    expect(togetherIn('EUR', [{ currency: 'NOK', rate: 0.09 }], sums)).toEqual({
      sum: { currency: 'EUR', value: 190, weighted: 85 },
      without: ['GBP'],
    });
  });

  it('are those of a plain recount, in whatever order', () => {
    const one = fc.record({
      value: fc.integer({ min: 0, max: 10_000_000 }).map((cents) => cents / 100),
      currency: fc.constantFrom('EUR', 'NOK', 'GBP'),
      chance: fc.integer({ min: 0, max: 100 }),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 30 }), (all) => {
        const sums = sumsOf(all);
        expect(sumsOf([...all].reverse())).toEqual(sums);
        for (const { currency, value, weighted } of sums) {
          const own = all.filter((each) => each.currency === currency);
          expect(value).toBeCloseTo(
            own.reduce((sum, each) => sum + each.value, 0),
            2,
          );
          expect(Math.abs(weighted - own.reduce((sum, each) => sum + (each.value * each.chance) / 100, 0))).toBeLessThan(0.006); // prettier-ignore
        }
      }),
    );
  });
});

describe('the history of stages', () => {
  it('tells how long it was where', () => {
    const at = (n: number, stageId: string, state: Standing['state'] = 'open') => ({ at: day(n), stageId, state });
    const stays = staysOf([at(1, 'a'), at(3, 'b'), at(4, 'b'), at(8, 'b', 'won')], day(10));
    expect(stays.map(({ stageId, state, ms }) => [stageId, state, ms / 86_400_000])).toEqual([
      ['a', 'open', 2],
      ['b', 'open', 5],
      ['b', 'won', 2],
    ]);
    expect(stays.at(-1)!.until).toBeNull();
  });

  it('adds up to the time since it began, whatever was done with it', () => {
    const step = fc.record({
      ms: fc.nat(5_000_000),
      stageId: fc.constantFrom('a', 'b', 'c'),
      state: fc.constantFrom('open' as const, 'won' as const, 'lost' as const),
    });
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 20 }), fc.nat(9_000_000), (steps, rest) => {
        let at = day(1).getTime();
        const standings = steps.map(({ ms, ...step }) => ({ ...step, at: new Date((at += ms)) }));
        const now = new Date(at + rest);
        const stays = staysOf(standings, now);
        expect(stays.reduce((sum, { ms }) => sum + ms, 0)).toBe(now.getTime() - standings[0]!.at.getTime());
        stays.slice(1).forEach((stay, i) => expect(stay.from).toEqual(stays[i]!.until));
        expect(stays.at(-1)).toMatchObject({ stageId: steps.at(-1)!.stageId, state: steps.at(-1)!.state, until: null });
      }),
    );
  });
});

describe('a chance', () => {
  it.each([
    ['open', null, 30],
    ['open', 0, 0],
    ['open', 75, 75],
    ['won', 30, 100],
    ['lost', 30, 0],
  ] as const)('of something %s with %s is %i', (state, chance, expected) =>
    expect(chanceOf({ state, chance }, { chance: 30 })).toBe(expected),
  );

  it('is stale once it has been where it is for as long as the workspace says', () => {
    const since = { state: 'open' as const, stageSince: day(1) };
    expect([day(10), day(11)].map((now) => isStale(since, { staleDays: 10 }, now))).toEqual([false, true]);
    expect(isStale(since, { staleDays: null }, day(300))).toBe(false);
    expect(isStale({ ...since, state: 'won' }, { staleDays: 10 }, day(300))).toBe(false);
  });
});

it('says what a lead lacks', () => {
  const known = { givenName: 'Inga', familyName: 'Quay', company: 'Quay Pilots', email: 'inga@quay.example', phone: '' }; // prettier-ignore
  expect(lacksOf(known)).toEqual([]);
  expect(lacksOf({ ...known, familyName: '', email: '', company: '' })).toEqual(['name', 'company', 'reach']);
});
