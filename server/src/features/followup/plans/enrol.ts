import { after, begin, dueStep, type CourseEvent } from '@dossier/core/followup';
import type { Enrolment, EnrolmentList, EnrolmentMove } from '@dossier/contract';
import { IsNull, Not, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { log, Person } from '../../people';
import { calendarOf } from '../calendarOf';
import { lastMeeting, type Meeting } from '../lastMeeting';
import { courseOf, nextMoment, planOf, saveCourse } from './courses';
import { EnrolmentRecord, PlanRecord } from './entities';
import { tellEnded } from './happens';
import { stopSending } from './queries';
import { planNow } from './service';
import { stepWords } from './stepWords';

/** @property noteLine the only note that its messages can carry */
export interface Start extends Meeting {
  personId: string;
  planId: string;
}

/**
 * Puts somebody into a plan, in the caller's transaction; whoever is in it already stays where they are. A plan that is switched off
 * takes nobody.
 * @returns the id of their course; undefined where none began
 */
export async function enrol(
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  { personId, planId, occasionId, noteLine }: Start,
  at: Date,
): Promise<string | undefined> {
  const plan = await manager.findOneBy(PlanRecord, { id: planId, workspaceId, isOn: true, removedAt: IsNull() });
  if (!plan) return undefined;
  const { version } = plan;
  const { steps, stopsAt } = await planOf(manager, { planId, version });
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
    const meeting = await lastMeeting(manager, personId);
    const id = await enrol(manager, who, { personId, planId, ...meeting }, new Date());
    if (!id) throw conflict('in-plan', 'They are in this plan already.');
    return id;
  });
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
  const { workspaceId } = who;
  return inWorkspace(database, workspaceId, async (manager) => {
    const record = await manager.findOne(EnrolmentRecord, {
      where: { id, workspaceId },
      lock: { mode: 'pessimistic_write' },
    });
    if (!record) throw notFound('This plan');
    if (record.status === 'ended') throw conflict('plan-ended', 'This plan has ended for them already.');
    if (to !== 'newVersion') return move(manager, who, record, to);
    const now = new Date();
    const plan = await planOf(manager, record);
    const newest = await planNow(manager, workspaceId, record.planId);
    // A step that is no more: it goes on with the first that follows where they were.
    const place = plan.steps.findIndex((step) => step.id === record.nextStep);
    const next = plan.steps.slice(place).find((step) => newest.steps.some((one) => one.id === step.id))?.id ?? null;
    const course = next ? { ...courseOf(record), next } : after(courseOf(record), plan, { kind: 'stopped', at: now });
    await manager.update(EnrolmentRecord, { id }, { version: newest.version });
    await saveCourse(manager, id, course, newest, await calendarFor(manager, record), now);
  });
}

const calendarFor = async (manager: EntityManager, { personId }: EnrolmentRecord) =>
  calendarOf(manager, await manager.findOneByOrFail(Person, { id: personId }));

async function move(
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  record: EnrolmentRecord,
  to: 'skip' | keyof typeof EVENT,
): Promise<void> {
  const now = new Date();
  const plan = await planOf(manager, record);
  const event: CourseEvent =
    to === 'skip' ? { kind: 'skipped', stepId: record.nextStep!, at: now } : { kind: EVENT[to], at: now };
  const course = after(courseOf(record), plan, event);
  await saveCourse(manager, record.id, course, plan, await calendarFor(manager, record), now);
  if (course.status !== 'ended') return;
  await stopSending(manager, workspaceId, record.id);
  await tellEnded(manager, record, course.ending ?? 'stopped', now, accountId);
}

/** Stops a plan for somebody who is in it, in the caller's transaction. */
export async function takeOut(manager: EntityManager, who: SignedIn, planId: string, personId: string): Promise<void> {
  const record = await manager.findOne(EnrolmentRecord, {
    where: { planId, personId, workspaceId: who.workspaceId, status: Not('ended') },
    lock: { mode: 'pessimistic_write' },
  });
  if (record) await move(manager, who, record, 'stop');
}

const EVENT = { pause: 'paused', resume: 'resumed', now: 'hurried', stop: 'stopped' } as const;
