import fc from 'fast-check';
import { firstFree, freeTimes, type BookingRules, type Interval } from './freeTimes';

const WORKDAYS = [[], ...Array.from({ length: 5 }, () => [{ from: '09:00', to: '12:00' }]), []];
const RULES: BookingRules = {
  timeZone: 'Europe/London',
  minutes: 30,
  bufferMinutes: 0,
  noticeHours: 0,
  daysAhead: 7,
  hours: WORKDAYS,
  isDayOff: () => false,
};
const at = (text: string): Date => new Date(text);
/** A Monday. */
const MONDAY = at('2026-11-30T08:00:00Z');
const told = (times: readonly Date[]): string[] => times.map((time) => time.toISOString().slice(0, 16));

describe('free times', () => {
  it('are those of the working hours, where whoever is booked is', () => {
    const found = freeTimes({ ...RULES, daysAhead: 0 }, [], MONDAY);
    expect(told(found)).toEqual(['09:00', '09:30', '10:00', '10:30', '11:00', '11:30'].map((time) => `2026-11-30T${time}`)); // prettier-ignore
  });

  it('leave out what is taken, with the buffer around it', () => {
    const taken = [{ from: at('2026-11-30T10:00:00Z'), until: at('2026-11-30T10:30:00Z') }];
    expect(told(freeTimes({ ...RULES, daysAhead: 0, bufferMinutes: 15 }, taken, MONDAY))).toEqual(
      ['09:00', '11:00', '11:30'].map((time) => `2026-11-30T${time}`),
    );
  });

  it('leave out days off, and what is too soon', () => {
    const found = freeTimes({ ...RULES, daysAhead: 2, noticeHours: 2, isDayOff: (day) => day === '2026-12-01' }, [], MONDAY); // prettier-ignore
    expect(told(found)[0]).toBe('2026-11-30T10:00');
    expect(told(found).some((time) => time.startsWith('2026-12-01'))).toBe(false);
    expect(told(found).filter((time) => time.startsWith('2026-12-02'))).toHaveLength(6);
  });

  it('have no time that the clock leaps over', () => {
    const night = [{ from: '00:00', to: '04:00' }];
    const hours = Array.from({ length: 7 }, () => night);
    const found = freeTimes({ ...RULES, hours, daysAhead: 0, minutes: 60 }, [], at('2027-03-28T00:00:00Z'));
    expect(told(found)).toEqual(['2027-03-28T00:00', '2027-03-28T01:00', '2027-03-28T02:00']);
  });

  it('never meet anything that is taken, whatever the rules', () => {
    const anInterval = fc
      .tuple(fc.integer({ min: 0, max: 60 * 24 * 10 }), fc.integer({ min: 1, max: 300 }))
      .map(([from, minutes]): Interval => {
        const start = MONDAY.getTime() + from * 60_000;
        return { from: new Date(start), until: new Date(start + minutes * 60_000) };
      });
    fc.assert(
      fc.property(
        fc.array(anInterval, { maxLength: 12 }),
        fc.constantFrom(15, 30, 45, 60),
        fc.integer({ min: 0, max: 60 }),
        fc.constantFrom('Europe/London', 'America/St_Johns', 'Asia/Kathmandu', 'UTC'),
        (taken, minutes, bufferMinutes, timeZone) => {
          const rules = { ...RULES, minutes, bufferMinutes, timeZone };
          for (const start of freeTimes(rules, taken, MONDAY)) {
            expect(start >= MONDAY).toBe(true);
            const end = start.getTime() + minutes * 60_000;
            for (const { from, until } of taken) {
              const gap = from.getTime() >= end ? from.getTime() - end : start.getTime() - until.getTime();
              expect(gap).toBeGreaterThanOrEqual(bufferMinutes * 60_000);
            }
          }
        },
      ),
    );
  });

  it('nearest to one that is taken are offered in its place', () => {
    const free = freeTimes({ ...RULES, daysAhead: 1 }, [], MONDAY);
    expect(told(firstFree(free, at('2026-11-30T11:30:00Z'), 3))).toEqual(['10:30', '11:00', '11:30'].map((time) => `2026-11-30T${time}`)); // prettier-ignore
  });
});
