import { dueStep, lookAgainAt, type Calendar, type Course, type Plan } from '@dossier/core/followup';
import type { EntityManager } from 'typeorm';
import { EnrolmentRecord, PlanVersion } from './entities';

export const courseOf = ({ status, ending, nextStep, since, hurried, happened }: EnrolmentRecord): Course => ({
  status,
  ending,
  next: nextStep,
  since,
  hurried,
  happened,
});

/** The plan as it was when somebody was put into it. */
export async function planOf(
  manager: EntityManager,
  { planId, version }: Pick<EnrolmentRecord, 'planId' | 'version'>,
): Promise<Plan> {
  const { steps, stopsAt } = await manager.findOneByOrFail(PlanVersion, { planId, version });
  return { steps, stopsAt };
}

/** Writes down how far somebody is now, and when to look again. */
export async function saveCourse(
  manager: EntityManager,
  id: string,
  course: Course,
  plan: Plan,
  calendar: Calendar,
  now: Date,
): Promise<void> {
  const isOver = course.status === 'ended';
  await manager.update(
    EnrolmentRecord,
    { id },
    {
      status: course.status,
      ending: course.ending,
      nextStep: course.next,
      since: course.since,
      hurried: course.hurried,
      happened: [...course.happened],
      dueAt: lookAgainAt(course, plan, calendar, now) ?? null,
      held: null,
      heldAt: null,
      ...(isOver && { endedAt: now }),
    },
  );
}

/** The moment of the next step, whatever holds it. */
export const nextMoment = (record: EnrolmentRecord, plan: Plan, calendar: Calendar) =>
  dueStep({ ...courseOf(record), status: record.status === 'paused' ? 'running' : record.status }, plan, calendar);
