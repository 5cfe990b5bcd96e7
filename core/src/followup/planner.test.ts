import fc from 'fast-check';
import { isQuiet, nextAwake, type Calendar } from './calendar';
import { END, type Happening, type Plan, type PlanAct } from './plan';
import { after, begin, dueStep, rehearse, stepFor, type Course, type CourseEvent } from './planner';

const HOLIDAYS = new Set(['2026-12-25', '2026-12-28', '2027-01-01', '2026-05-04']);
const calendarIn = (timeZone: string, quiet = { from: '18:00', to: '08:00' }): Calendar => ({
  timeZone,
  quiet,
  workingDays: [1, 2, 3, 4, 5],
  isHoliday: (day) => HOLIDAYS.has(day),
  sendsOnDaysOff: false,
});
const LONDON = calendarIn('Europe/London');

const message: PlanAct = { do: 'message', templateId: 't' };
const ring: PlanAct = { do: 'call', text: 'Ring' };
const days = (amount: number, unit: 'hours' | 'days' | 'workingDays' = 'days') => ({ amount, unit });
const plan = (...acts: [PlanAct, ReturnType<typeof days>][]): Plan => ({
  steps: acts.map(([act, wait], i) => ({ id: `s${i}`, act, wait })),
  stopsAt: ['answered', 'booked', 'bounced'],
});
const at = (text: string) => new Date(text);
const moments = (plan: Plan, start: string, calendar = LONDON) =>
  rehearse(plan, at(start), calendar).map((due) => due.at.toISOString());

describe('when steps are due', () => {
  it('sends at once in the day, and in the morning what would go out at night', () => {
    expect(moments(plan([message, days(0)]), '2026-11-30T10:15:00Z')).toEqual(['2026-11-30T10:15:00.000Z']);
    expect(moments(plan([message, days(0)]), '2026-11-30T21:00:00Z')).toEqual(['2026-12-01T08:00:00.000Z']);
    expect(moments(plan([message, days(0)]), '2026-11-30T03:00:00Z')).toEqual(['2026-11-30T08:00:00.000Z']);
  });
  it('passes over weekends and holidays', () => {
    // Christmas is a Friday and the day after it off too: Tuesday is the first that is not.
    expect(moments(plan([message, days(1)]), '2026-12-24T10:00:00Z')).toEqual(['2026-12-29T08:00:00.000Z']);
    expect(moments(plan([ring, days(1)]), '2026-12-24T10:00:00Z')).toEqual(['2026-12-25T10:00:00.000Z']);
  });
  it('counts working days where the person is', () => {
    expect(moments(plan([message, days(3, 'workingDays')]), '2026-11-27T10:00:00Z')).toEqual([
      '2026-12-02T10:00:00.000Z',
    ]);
    expect(moments(plan([message, days(2, 'workingDays')]), '2026-12-24T10:00:00Z')).toEqual([
      '2026-12-30T10:00:00.000Z',
    ]);
  });
  it('keeps the time of day over the change of clocks', () => {
    expect(moments(plan([ring, days(2)]), '2027-03-27T10:00:00Z')).toEqual(['2027-03-29T09:00:00.000Z']);
  });
  it('is morning where the person is', () => {
    expect(moments(plan([message, days(0)]), '2026-11-30T21:00:00Z', calendarIn('Asia/Tokyo'))).toEqual([
      '2026-11-30T23:00:00.000Z',
    ]);
  });
  it('says so of a calendar without any day', () => {
    expect(() => nextAwake(at('2026-11-30T10:00:00Z'), { ...LONDON, workingDays: [] })).toThrow(RangeError);
  });
});

describe('a course', () => {
  const three = plan([message, days(0)], [ring, days(2)], [message, days(14)]);
  const start = begin(three, at('2026-11-30T10:00:00Z'));
  it('goes on step by step and is done', () => {
    let course: Course = start;
    for (const stepId of ['s0', 's1', 's2'])
      course = after(course, three, { kind: 'done', stepId, at: at('2026-12-01T10:00:00Z') });
    expect(course).toMatchObject({ status: 'ended', ending: 'done', next: null });
  });
  it('ends where they answer, and nothing begins it again', () => {
    const over = after(start, three, { kind: 'answered', at: at('2026-11-30T11:00:00Z') });
    expect(over).toMatchObject({ status: 'ended', ending: 'answered' });
    expect(after(over, three, { kind: 'resumed', at: at('2026-12-01T11:00:00Z') })).toBe(over);
    expect(dueStep(over, three, LONDON)).toBeUndefined();
  });
  it('does nothing while it rests', () => {
    const resting = after(start, three, { kind: 'paused', at: at('2026-11-30T11:00:00Z') });
    expect(stepFor(resting, three, LONDON, at('2027-11-30T11:00:00Z'))).toBeUndefined();
    expect(after(resting, three, { kind: 'resumed', at: at('2026-12-01T11:00:00Z') }).status).toBe('running');
  });
  it('waits no longer for a step once somebody hurries it, except for the morning, and only for that one', () => {
    const slow = plan([message, days(9)], [ring, days(3)]);
    const hurried = after(begin(slow, at('2026-11-30T10:00:00Z')), slow, {
      kind: 'hurried',
      at: at('2026-11-30T21:00:00Z'),
    });
    expect(dueStep(hurried, slow, LONDON)!.at.toISOString()).toBe('2026-12-01T08:00:00.000Z');
    const next = after(hurried, slow, { kind: 'done', stepId: 's0', at: at('2026-12-01T08:00:00Z') });
    expect(dueStep(next, slow, LONDON)!.at.toISOString()).toBe('2026-12-04T08:00:00.000Z');
  });
  it('passes over a step, and hears of one that is not its next without going on', () => {
    expect(after(start, three, { kind: 'skipped', stepId: 's0', at: at('2026-11-30T12:00:00Z') }).next).toBe('s1');
    expect(after(start, three, { kind: 'done', stepId: 's2', at: at('2026-11-30T12:00:00Z') })).toBe(start);
  });
  it('goes another way where something has happened', () => {
    const branching: Plan = {
      steps: [
        { id: 'ask', wait: days(1), act: { do: 'branch', when: 'answered', goTo: 'thank' } },
        { id: 'nudge', wait: days(0), act: message },
        { id: 'thank', wait: days(0), act: message },
        { id: 'over', wait: days(0), act: { do: 'branch', when: 'answered', goTo: END } },
        { id: 'never', wait: days(0), act: ring },
      ],
      stopsAt: [],
    };
    const ids = (happened: Happening[]) =>
      rehearse(branching, at('2026-11-30T10:00:00Z'), LONDON, happened).map(({ step }) => step.id);
    expect(ids(['answered'])).toEqual(['ask', 'thank', 'over']);
    expect(ids([])).toEqual(['ask', 'nudge', 'thank', 'over', 'never']);
  });
});

const anyAct = fc.constantFrom<PlanAct>(message, ring, { do: 'tags', add: ['a'], remove: [] });
const anyWait = fc.record({
  amount: fc.integer({ min: 0, max: 40 }),
  unit: fc.constantFrom('hours' as const, 'days' as const, 'workingDays' as const),
});
const anyPlan: fc.Arbitrary<Plan> = fc
  .tuple(
    fc.array(fc.tuple(anyAct, anyWait), { minLength: 1, maxLength: 8 }),
    fc.subarray<Happening>(['answered', 'booked', 'bounced']),
  )
  .map(([steps, stopsAt]) => ({ ...plan(...steps), stopsAt }));
const anyTime = fc.constantFrom('00:00', '06:30', '08:00', '12:00', '18:00', '22:15', '23:59');
const anyCalendar = fc
  .record({
    timeZone: fc.constantFrom(
      'Europe/London',
      'America/New_York',
      'Asia/Kolkata',
      'Australia/Lord_Howe',
      'Pacific/Apia',
      'UTC',
    ),
    from: anyTime,
    to: anyTime,
  })
  .map(({ timeZone, from, to }) => calendarIn(timeZone, { from, to }));
const anyMoment = fc.date({ min: at('2026-01-01T00:00:00Z'), max: at('2027-12-31T00:00:00Z'), noInvalidDate: true });
const HOUR = 3_600_000;
/** Hours to go on, and what happens then. */
const anyHappenings = fc.array(
  fc.tuple(
    fc.integer({ min: 0, max: 400 }),
    fc.constantFrom(
      'tick' as const,
      'answered' as const,
      'booked' as const,
      'bounced' as const,
      'withdrawn' as const,
      'closed' as const,
      'paused' as const,
      'resumed' as const,
      'hurried' as const,
      'stopped' as const,
      'skip' as const,
    ),
  ),
  { maxLength: 30 },
);

describe('whatever happens in whatever order', () => {
  it('no step is done before its time, in quiet hours, on a day off, twice, or after the end', () => {
    fc.assert(
      fc.property(anyPlan, anyCalendar, anyMoment, anyHappenings, (any, calendar, start, happenings) => {
        let course = begin(any, start);
        let now = start;
        const done: string[] = [];
        for (const [hours, what] of happenings) {
          now = new Date(now.getTime() + hours * HOUR);
          const wasOver = course.status === 'ended';
          for (let step = stepFor(course, any, calendar, now); step; step = stepFor(course, any, calendar, now)) {
            expect(wasOver).toBe(false);
            expect(course.status).toBe('running');
            expect(dueStep(course, any, calendar)!.at.getTime()).toBeLessThanOrEqual(now.getTime());
            if (step.act.do === 'message') expect(isQuiet(now, calendar)).toBe(false);
            expect(done).not.toContain(step.id);
            done.push(step.id);
            course = after(course, any, { kind: 'done', stepId: step.id, at: now });
          }
          if (what === 'tick') continue;
          const event: CourseEvent =
            what === 'skip' ? { kind: 'skipped', stepId: course.next ?? '', at: now } : { kind: what, at: now };
          const next = after(course, any, event);
          if (course.status === 'ended') expect(next).toBe(course);
          if (['withdrawn', 'closed', 'stopped'].includes(what)) expect(next.status).toBe('ended');
          course = next;
        }
        // In the order of the plan.
        expect(done).toEqual([...done].sort());
      }),
      { numRuns: 300 },
    );
  });

  it('a rehearsal ends, goes forwards in time, and sends in nobody’s night', () => {
    fc.assert(
      fc.property(anyPlan, anyCalendar, anyMoment, (any, calendar, start) => {
        const dues = rehearse(any, start, calendar);
        expect(dues).toHaveLength(any.steps.length);
        let before = start;
        for (const { step, at: moment } of dues) {
          expect(moment.getTime()).toBeGreaterThanOrEqual(before.getTime());
          if (step.act.do === 'message') expect(isQuiet(moment, calendar)).toBe(false);
          before = moment;
        }
      }),
      { numRuns: 200 },
    );
  });

  it('the first moment awake is the first', () => {
    fc.assert(
      fc.property(anyCalendar, anyMoment, (calendar, start) => {
        const awake = nextAwake(start, calendar);
        expect(awake.getTime()).toBeGreaterThanOrEqual(start.getTime());
        expect(isQuiet(awake, calendar)).toBe(false);
        for (let moment = start.getTime(); moment < awake.getTime(); moment += 15 * 60_000)
          expect(isQuiet(new Date(moment), calendar)).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
});
