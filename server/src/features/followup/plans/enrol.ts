import { after, begin, dueStep, type CourseEvent } from '@dossier/core/followup';
import type { Enrolment, EnrolmentList, EnrolmentMove } from '@dossier/contract';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { log, Person } from '../../people';
import { calendarOf } from '../calendarOf';
import { courseOf, nextMoment, planOf, saveCourse } from './courses';
import { EnrolmentRecord, PlanRecord } from './entities';
import { stopSending, tellEnded } from './happens';
import { planNow } from './service';
import { stepWords } from './stepWords';

export interface Start {
  personId: string;
  planId: string;
  occasionId?: string | null;
  /** The only note that its messages can carry. */
  noteLine?: string;
}

/**
 * Puts somebody into a plan, in the caller's transaction; whoever is in it already stays where they are. A plan that is switched off
 * takes nobody.
 * @returns the id of their course; undefined where none began
 */
export async function enrol(
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  { personId, planId, occasionId = null, noteLine = '' }: Start,
  at: Date,
): Promise<string | undefined> {
  const plan = await manager.findOneBy(PlanRecord, { id: planId, workspaceId, removedAt: IsNull() });
  if (!plan?.isOn) return undefined;
  const { version, steps, stopsAt } = await planNow(manager, workspaceId, planId);
  const course = begin({ steps, stopsAt }, at);
  const person = await manager.findOneByOrFail(Person, { id: personId });
  const due = dueStep(course, { steps, stopsAt }, await calendarOf(manager, person));
  const id = uuidv7();
  const made = await manager
    .createQueryBuilder()
    .insert()
    .into(EnrolmentRecord)
    .values({
      id,
      workspaceId,
      planId,
      version,
      personId,
      occasionId,
      noteLine,
      status: course.status,
      nextStep: course.next,
      since: at,
      happened: [],
      dueAt: due?.at ?? null,
      startedAt: at,
      startedBy: accountId,
    } as object)
    .orIgnore()
    .returning('id')
    .execute();
  if ((made.raw as unknown[]).length === 0) return undefined;
  await log(
    manager,
    { workspaceId, accountId },
    { personId, action: 'planStarted', at, changes: [{ field: 'plan', before: '', after: plan.name }] },
  );
  return id;
}

/** @throws ProblemError 404, 409 where the plan is off or they are in it */
export function enrolByHand(database: DataSource, who: SignedIn, personId: string, planId: string): Promise<string> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    if (!(await manager.existsBy(Person, { id: personId, deletedAt: IsNull() }))) throw notFound('This person');
    const { isOn } = await planNow(manager, who.workspaceId, planId);
    if (!isOn) throw conflict('plan-off', 'This plan is switched off. Switch it on first.');
    const { noteLine, occasionId } = await meetingOf(manager, personId);
    const id = await enrol(manager, who, { personId, planId, noteLine, occasionId }, new Date());
    if (!id) throw conflict('in-plan', 'They are in this plan already.');
    return id;
  });
}

/** What was noted of somebody last, and where they were met. */
export async function meetingOf(
  manager: EntityManager,
  personId: string,
): Promise<{ noteLine: string; occasionId: string | null }> {
  const [note] = await manager.query<{ text: string }[]>(
    `select text from note where person_id = $1 and kind = 'note' order by at desc limit 1`,
    [personId],
  );
  const [card] = await manager.query<{ occasion_id: string }[]>(
    'select occasion_id from card where person_id = $1 and occasion_id is not null order by taken_at desc limit 1',
    [personId],
  );
  return { noteLine: note?.text ?? '', occasionId: card?.occasion_id ?? null };
}

export const enrolmentsOf = (
  database: DataSource,
  { workspaceId }: SignedIn,
  personId: string,
): Promise<EnrolmentList> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const person = await manager.findOneBy(Person, { id: personId });
    if (!person) throw notFound('This person');
    const records = await manager.find(EnrolmentRecord, {
      where: { workspaceId, personId },
      order: { startedAt: 'DESC' },
      take: 50,
    });
    const calendar = await calendarOf(manager, person);
    const items: Enrolment[] = [];
    for (const record of records) {
      const { name } = await manager.findOneByOrFail(PlanRecord, { id: record.planId });
      const plan = await planOf(manager, record);
      const due = nextMoment(record, plan, calendar);
      items.push({
        id: record.id,
        plan: { id: record.planId, name },
        version: record.version,
        status: record.status,
        ending: record.ending,
        startedAt: record.startedAt.toISOString(),
        endedAt: record.endedAt?.toISOString() ?? null,
        next: due ? { words: await stepWords(manager, workspaceId, due.step), at: due.at.toISOString() } : null,
        held: record.held,
      });
    }
    return { items };
  });

/** Pauses somebody's plan, goes on with it, passes over a step, does it now, stops it, or moves them to its newest version. @throws ProblemError 404, 409 */
export function moveEnrolment(database: DataSource, who: SignedIn, id: string, { to }: EnrolmentMove): Promise<void> {
  const { workspaceId, accountId } = who;
  return inWorkspace(database, workspaceId, async (manager) => {
    const record = await manager.findOne(EnrolmentRecord, {
      where: { id, workspaceId },
      lock: { mode: 'pessimistic_write' },
    });
    if (!record) throw notFound('This plan');
    if (record.status === 'ended') throw conflict('plan-ended', 'This plan has ended for them already.');
    const now = new Date();
    const person = await manager.findOneByOrFail(Person, { id: record.personId });
    const calendar = await calendarOf(manager, person);
    const plan = await planOf(manager, record);
    if (to === 'now') {
      // Its wait is over; quiet hours still are.
      await manager.update(
        EnrolmentRecord,
        { id },
        {
          status: 'running',
          since: now,
          dueAt: now,
          held: null,
          heldAt: null,
          ...(await withoutWait(manager, record)),
        },
      );
      return;
    }
    if (to === 'newVersion') {
      const newest = await planNow(manager, workspaceId, record.planId);
      // A step that is no more: it goes on with the first that follows where they were.
      const place = plan.steps.findIndex((step) => step.id === record.nextStep);
      const next = plan.steps.slice(place).find((step) => newest.steps.some((one) => one.id === step.id))?.id ?? null;
      const course = next ? { ...courseOf(record), next } : after(courseOf(record), plan, { kind: 'stopped', at: now });
      await manager.update(EnrolmentRecord, { id }, { version: newest.version });
      await saveCourse(manager, id, course, newest, calendar, now);
      return;
    }
    const event: CourseEvent =
      to === 'skip' ? { kind: 'skipped', stepId: record.nextStep!, at: now } : { kind: EVENT[to], at: now };
    const course = after(courseOf(record), plan, event);
    await saveCourse(manager, id, course, plan, calendar, now);
    if (course.status !== 'ended') return;
    await stopSending(manager, workspaceId, id);
    await tellEnded(manager, record, course.ending ?? 'stopped', now, accountId);
  });
}

const EVENT = { pause: 'paused', resume: 'resumed', stop: 'stopped' } as const;

/** Counted from so long ago that its wait is over. */
async function withoutWait(manager: EntityManager, record: EnrolmentRecord): Promise<Partial<EnrolmentRecord>> {
  const { steps } = await planOf(manager, record);
  const step = steps.find(({ id }) => id === record.nextStep);
  // Twice as many days as it waits: weekends and holidays are in between.
  const days = step ? (step.wait.unit === 'hours' ? step.wait.amount / 24 : step.wait.amount * 2 + 14) : 0;
  return { since: new Date(Date.now() - Math.ceil(days * 86_400_000)) };
}
