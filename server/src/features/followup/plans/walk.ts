import { after, stepFor, type PlanStep } from '@dossier/core/followup';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { inWorkspace } from '../../../platform/workspaceScope';
import { asKind, log, Person } from '../../people';
import { calendarOf } from '../calendarOf';
import { standingOf } from '../gate';
import { lastMeeting } from '../lastMeeting';
import { MessageRecord } from '../messages/entities';
import { fromTemplate, type Held } from '../messages/fromTemplate';
import { addresseeOf } from '../messages/valuesOf';
import { writeMessage } from '../messages/write';
import { Task } from '../tasks/entities';
import { courseOf, planOf, saveCourse } from './courses';
import { EnrolmentRecord, PlanWish } from './entities';
import { enrol, takeOut } from './enrol';
import { happensTo, tellEnded } from './happens';
import { closedInPlans, dueEnrolments, newlyTagged, wakeHeld, withdrawnSince, workspacesWith } from './queries';

const AT_ONCE = 200;
/** What is held is looked at again after so long, even if nothing was done about the person. */
const HELD_MS = 6 * 3_600_000;

/** What plans hand a person over with: known to whoever starts the worker, since that room stands above this one. */
export type HandOver = (
  manager: EntityManager,
  workspaceId: string,
  destinationId: string,
  personId: string,
) => Promise<void>;
export interface Walk {
  database: DataSource;
  handOver: HandOver;
  /** Told of what went wrong with a step. */
  onTrouble: (error: unknown) => void;
  now?: () => Date;
}

/** Does the steps of all plans whose time has come. @returns how many */
export async function walkPlans(walk: Walk): Promise<number> {
  let done = 0;
  for (const workspaceId of await workspacesWith(walk.database.manager, 'due_steps')) done += await walkSome(walk, workspaceId); // prettier-ignore
  return done;
}

/** Puts whoever got a tag into the plan that begins with it. */
export const beginTagged = (database: DataSource): Promise<void> =>
  inEach(database, 'tagged_plans', async (manager, workspaceId) => {
    for (const { plan_id: planId, person_id: personId, by } of await newlyTagged(manager, workspaceId, AT_ONCE)) {
      const meeting = await lastMeeting(manager, personId);
      await enrol(manager, { workspaceId, accountId: by }, { planId, personId, ...meeting }, new Date());
    }
  });

/** Puts those whom a change of many is about into a plan, and whoever it is taken back for out of it again. */
export const grantWishes = (database: DataSource): Promise<void> =>
  inEach(database, 'plan_wishes', async (manager, workspaceId) => {
    const wishes = await manager.find(PlanWish, {
      where: { workspaceId },
      order: { id: 'ASC' },
      take: AT_ONCE,
      // Whoever is put in by another worker just now is put out after that, not before.
      lock: { mode: 'pessimistic_write' },
    });
    for (const { planId, personId, madeBy, begins } of wishes) {
      const who = { workspaceId, accountId: madeBy };
      if (begins)
        await enrol(manager, who, { planId, personId, ...(await lastMeeting(manager, personId)) }, new Date());
      else await takeOut(manager, who, planId, personId);
    }
    await manager.delete(PlanWish, { workspaceId, id: In(wishes.map(({ id }) => id)) });
  });

/** Ends the plans of whoever has withdrawn all that they agreed to, however that was noted. */
export const endWithdrawn = (database: DataSource): Promise<void> =>
  inEach(database, 'withdrawals', async (manager, workspaceId) => {
    for (const personId of await withdrawnSince(manager, workspaceId))
      await happensTo(manager, workspaceId, personId, { kind: 'withdrawn', at: new Date() });
  });

/** Ends the plans of leads that were closed. */
export const endClosed = (database: DataSource): Promise<void> =>
  inEach(database, 'closed_leads', async (manager, workspaceId) => {
    for (const personId of await closedInPlans(manager, workspaceId))
      await happensTo(manager, workspaceId, personId, { kind: 'closed', at: new Date() });
  });

/** What was held is looked at anew once something has been done about the person. */
export const wakePlans = (database: DataSource): Promise<void> => inEach(database, 'held_steps', wakeHeld);

async function inEach(
  database: DataSource,
  what: Parameters<typeof workspacesWith>[1],
  work: (manager: EntityManager, workspaceId: string) => Promise<unknown>,
): Promise<void> {
  for (const workspaceId of await workspacesWith(database.manager, what))
    await inWorkspace(database, workspaceId, (manager) => work(manager, workspaceId));
}

async function walkSome(walk: Walk, workspaceId: string): Promise<number> {
  const { database } = walk;
  const ids = await inWorkspace(database, workspaceId, (manager) => dueEnrolments(manager, workspaceId, AT_ONCE));
  for (const id of ids) {
    // Each by itself: what goes wrong with one keeps no other waiting.
    await inWorkspace(database, workspaceId, (manager) => walkOne(walk, manager, workspaceId, id)).catch(
      (error: unknown) => {
        walk.onTrouble(error);
        return inWorkspace(database, workspaceId, (manager) =>
          hold(manager, id, 'Something went wrong here. It is tried again later.', new Date()),
        );
      },
    );
  }
  return ids.length;
}

const hold = async (
  manager: EntityManager,
  id: string,
  held: string,
  now: Date,
  since: Date | null = null,
): Promise<void> => {
  await manager.update(
    EnrolmentRecord,
    { id },
    { held, heldAt: since ?? now, dueAt: new Date(now.getTime() + HELD_MS) },
  );
};

/** Does one step of one person's plan, in the transaction that says that it is done. */
async function walkOne(
  { handOver, now: clock = () => new Date() }: Walk,
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<void> {
  const found = await manager.findOneBy(EnrolmentRecord, { id, workspaceId });
  // The person first, as everywhere.
  const person = found && (await manager.findOne(Person, { where: { id: found.personId }, lock: { mode: 'for_no_key_update' } })); // prettier-ignore
  const record = await manager.findOne(EnrolmentRecord, {
    where: { id, workspaceId, status: 'running' },
    lock: { mode: 'pessimistic_write', onLocked: 'skip_locked' },
  });
  // Another worker has done it meanwhile, or is at it.
  if (!record?.dueAt || !person || record.dueAt > new Date()) return;
  const now = clock();
  if (person.deletedAt) return void (await happensTo(manager, workspaceId, person.id, { kind: 'deleted', at: now }));
  const plan = await planOf(manager, record);
  const calendar = await calendarOf(manager, person);
  const course = courseOf(record);
  const step = stepFor(course, plan, calendar, now);
  // The night came in between.
  if (!step) return saveCourse(manager, id, course, plan, calendar, now);
  const stopped = await act({ manager, record, person, step, handOver, now });
  if (stopped?.withdrawn)
    return void (await happensTo(manager, workspaceId, person.id, { kind: 'withdrawn', at: now }));
  if (stopped) return hold(manager, id, stopped.held, now, record.held === stopped.held ? record.heldAt : null);
  const next = after(course, plan, { kind: 'done', stepId: step.id, at: now });
  await saveCourse(manager, id, next, plan, calendar, now);
  if (next.status === 'ended') await tellEnded(manager, record, next.ending ?? 'done', now, null);
}

interface Doing {
  manager: EntityManager;
  record: EnrolmentRecord;
  person: Person;
  step: PlanStep;
  handOver: HandOver;
  now: Date;
}

/** @returns why it is held; undefined where it is done */
async function act(doing: Doing): Promise<Held | undefined> {
  const { manager, record, person, step, handOver, now } = doing;
  const { workspaceId } = person;
  const { act: what } = step;
  switch (what.do) {
    case 'message':
    case 'letter':
      return write(doing, what);
    case 'task':
    case 'call':
      await addTask(manager, record, person, { kind: what.do, text: what.text, messageId: null }, now);
      return undefined;
    case 'tags': {
      const tags = [
        ...person.tags.filter((tag) => !what.remove.includes(tag)),
        ...what.add.filter((tag) => !person.tags.includes(tag)),
      ];
      await changeQuietly(
        manager,
        person,
        { tags },
        { field: 'tags', before: person.tags.join(', '), after: tags.join(', ') },
        now,
      );
      return undefined;
    }
    case 'kind':
      if (person.kind !== what.kind)
        await changeQuietly(
          manager,
          person,
          asKind(person, what.kind, now),
          { field: 'kind', before: person.kind, after: what.kind },
          now,
        );
      return undefined;
    case 'handOver':
      await handOver(manager, workspaceId, what.destinationId, person.id);
      return undefined;
    case 'branch':
      return undefined;
  }
}

async function changeQuietly(
  manager: EntityManager,
  { id, workspaceId, version }: Person,
  change: Partial<Person>,
  told: { field: string; before: string; after: string },
  at: Date,
): Promise<void> {
  if (told.before === told.after) return;
  await manager.update(Person, { id }, { ...change, version: version + 1, updatedAt: at });
  await log(manager, { workspaceId, accountId: null }, { personId: id, action: 'edited', at, changes: [told] });
}

/** Due on the day on which it is made, where the team is. */
async function addTask(
  manager: EntityManager,
  record: EnrolmentRecord,
  person: Person,
  what: Pick<Task, 'kind' | 'text' | 'messageId'>,
  now: Date,
): Promise<void> {
  const { workspaceId, id: personId, ownerId } = person;
  await manager.insert(Task, {
    ...what, id: uuidv7(), workspaceId, personId, companyId: null, dueOn: now.toISOString().slice(0, 10), dueTime: null, repeat: null,
    ownerId, enrolmentId: record.id, madeBy: record.startedBy, madeAt: now, doneAt: null, doneBy: null, version: 1, changedAt: now,
  }); // prettier-ignore
  await log(manager, { workspaceId, accountId: null }, { personId, action: 'stepPlanned', at: now, changes: [{ field: 'step', before: '', after: what.text }] }); // prettier-ignore
}

async function write(
  { manager, record, person, step, now }: Doing,
  what: { do: 'message' | 'letter'; templateId: string },
): Promise<Held | undefined> {
  const { workspaceId, id: personId } = person;
  const [addressee, standing] = [
    await addresseeOf(manager, personId, record),
    await standingOf(manager, { personId, workspaceId }),
  ];
  const written = await fromTemplate(manager, addressee!, standing!, what, now);
  if ('held' in written) return written;
  const { sender, values } = addressee!;
  const { template, sending, ...text } = written;
  const { templateId, version: templateVersion } = template;
  const common = { ...text, id: uuidv7(), workspaceId, personId, templateId, templateVersion, enrolmentId: record.id, stepId: step.id, madeBy: null }; // prettier-ignore
  if (what.do === 'letter') {
    // A letter waits to be printed: somebody's task says so.
    const { to: recipient, purpose, channel } = sending;
    const senderName = sender?.name ?? values(text.language).senderName ?? '';
    await manager.insert(MessageRecord, {
      ...common, direction: 'out', channel, state: 'waiting', kind: 'plan', purpose, recipient, sender: sender?.address ?? '', senderName,
      headerId: `<${common.id}@letter>`, madeAt: now, at: now,
    } as object); // prettier-ignore
    await addTask(manager, record, person, { kind: 'letter', text: `Print and post “${text.subject}”`, messageId: common.id }, now); // prettier-ignore
    return undefined;
  }
  if (!sender)
    return { held: 'No address to send from is set. An administrator sets one under Mail.', withdrawn: false };
  const { ownVcard, attachmentIds } = template;
  await writeMessage(
    manager,
    { ...common, purpose: sending.purpose, sender, to: sending.to, ownVcard, attachmentIds },
    now,
  );
  return undefined;
}
