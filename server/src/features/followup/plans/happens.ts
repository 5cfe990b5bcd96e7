import { after, type CourseEvent } from '@dossier/core/followup';
import { Not, type EntityManager } from 'typeorm';
import { log, Person } from '../../people';
import { calendarOf } from '../calendarOf';
import { courseOf, planOf, saveCourse } from './courses';
import { EnrolmentRecord, PlanRecord } from './entities';
import { stopSending } from './queries';

/**
 * Something has happened that plans go by: each that somebody is in goes on accordingly, or ends. Where it ends, what it has written and
 * not sent is no longer sent.
 * @returns how many ended
 */
export async function happensTo(
  manager: EntityManager,
  workspaceId: string,
  personId: string,
  event: CourseEvent,
): Promise<number> {
  const records = await manager.find(EnrolmentRecord, {
    where: { workspaceId, personId, status: Not('ended') },
    order: { id: 'ASC' },
    lock: { mode: 'pessimistic_write' },
  });
  if (records.length === 0) return 0;
  const person = await manager.findOneByOrFail(Person, { id: personId });
  const calendar = await calendarOf(manager, person);
  let ended = 0;
  for (const record of records) {
    const plan = await planOf(manager, record);
    const course = after(courseOf(record), plan, event);
    await saveCourse(manager, record.id, course, plan, calendar, event.at);
    if (course.status !== 'ended') continue;
    ended++;
    await stopSending(manager, workspaceId, record.id);
    await tellEnded(manager, record, course.ending ?? 'done', event.at, null);
  }
  return ended;
}

export async function tellEnded(
  manager: EntityManager,
  { planId, personId, workspaceId }: EnrolmentRecord,
  ending: string,
  at: Date,
  accountId: string | null,
): Promise<void> {
  const plan = await manager.findOneByOrFail(PlanRecord, { id: planId });
  const changes = [{ field: 'plan', before: plan.name, after: ending }];
  await log(manager, { workspaceId, accountId }, { personId, action: 'planEnded', at, changes });
}
