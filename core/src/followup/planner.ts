import { afterWait, nextAwake, type Calendar } from './calendar';
import { END, reachesPerson, type Happening, type Plan, type PlanStep } from './plan';

export type Ending = 'done' | 'stopped' | Happening | 'withdrawn' | 'closed' | 'deleted' | 'merged';

/** How far somebody is in a plan. */
export interface Course {
  status: 'running' | 'paused' | 'ended';
  ending: Ending | null;
  /** The step that is to be done next; undefined once there is none. */
  next: string | null;
  /** From when its wait is counted. */
  since: Date;
  /** Whether its wait is over because somebody said so; quiet hours still are. */
  hurried: boolean;
  /** What has happened since it began. */
  happened: readonly Happening[];
}

export type CourseEvent =
  | { kind: 'done' | 'skipped'; stepId: string; at: Date }
  | { kind: Happening; at: Date }
  | { kind: 'withdrawn' | 'closed' | 'deleted' | 'merged' | 'stopped'; at: Date }
  | { kind: 'paused' | 'resumed' | 'hurried'; at: Date };

export function begin({ steps }: Plan, at: Date): Course {
  const next = steps[0]?.id ?? null;
  return {
    status: next ? 'running' : 'ended',
    ending: next ? null : 'done',
    next,
    since: at,
    hurried: false,
    happened: [],
  };
}

const ended = (course: Course, ending: Ending): Course => ({ ...course, status: 'ended', ending, next: null });

/** What becomes of a course when something happens. Whatever comes after its end changes nothing. */
export function after(course: Course, plan: Plan, event: CourseEvent): Course {
  if (course.status === 'ended') return course;
  switch (event.kind) {
    case 'done':
    case 'skipped':
      return event.stepId === course.next ? onwards(course, plan, event.stepId, event.at) : course;
    case 'answered':
    case 'booked':
    case 'bounced': {
      if (plan.stopsAt.includes(event.kind)) return ended(course, event.kind);
      return { ...course, happened: [...new Set([...course.happened, event.kind])] };
    }
    case 'paused':
      return { ...course, status: 'paused' };
    case 'resumed':
      // What would have been due meanwhile is not all done at once: its wait goes on from here where it is over.
      return course.status === 'paused' ? { ...course, status: 'running' } : course;
    case 'hurried':
      return { ...course, status: 'running', since: event.at, hurried: true };
    default:
      return ended(course, event.kind);
  }
}

function onwards(course: Course, plan: Plan, doneId: string, at: Date): Course {
  const place = plan.steps.findIndex(({ id }) => id === doneId);
  const step = plan.steps[place];
  if (!step) return ended(course, 'done');
  const next = followerOf(course, plan, place);
  return next ? { ...course, next: next.id, since: at, hurried: false } : ended({ ...course, since: at }, 'done');
}

function followerOf({ happened }: Course, { steps }: Plan, place: number): PlanStep | undefined {
  const { act } = steps[place]!;
  if (act.do !== 'branch' || !happened.includes(act.when)) return steps[place + 1];
  return act.goTo === END ? undefined : steps.find(({ id }, at) => at > place && id === act.goTo);
}

export interface Due {
  step: PlanStep;
  at: Date;
}

/** The next step and when its time comes; undefined where nothing is to come. What reaches the person waits until they are awake. */
export function dueStep(course: Course, plan: Plan, calendar: Calendar): Due | undefined {
  if (course.status !== 'running') return undefined;
  const step = plan.steps.find(({ id }) => id === course.next);
  if (!step) return undefined;
  const at = course.hurried ? course.since : afterWait(course.since, step.wait, calendar);
  return { step, at: reachesPerson(step.act) ? nextAwake(at, calendar) : at };
}

/** The step that may be done at `now`, and undefined before its time, in quiet hours, while it rests and after its end. */
export function stepFor(course: Course, plan: Plan, calendar: Calendar, now: Date): PlanStep | undefined {
  const due = dueStep(course, plan, calendar);
  if (!due || due.at > now) return undefined;
  // Its time may have come in the evening and this be the night after.
  return reachesPerson(due.step.act) && nextAwake(now, calendar) > now ? undefined : due.step;
}

/** When to look again: for a step whose time has come in quiet hours, the end of these. */
export function lookAgainAt(course: Course, plan: Plan, calendar: Calendar, now: Date): Date | undefined {
  const due = dueStep(course, plan, calendar);
  if (!due) return undefined;
  if (due.at > now) return due.at;
  return reachesPerson(due.step.act) ? nextAwake(now, calendar) : now;
}

/** The whole of a plan for one person, as it goes when nothing happens but what is given: each step with its moment. */
export function rehearse(plan: Plan, startedAt: Date, calendar: Calendar, happened: readonly Happening[] = []): Due[] {
  const days: Due[] = [];
  let course: Course = { ...begin(plan, startedAt), happened };
  for (let due = dueStep(course, plan, calendar); due; due = dueStep(course, plan, calendar)) {
    days.push(due);
    course = after(course, plan, { kind: 'done', stepId: due.step.id, at: due.at });
  }
  return days;
}
