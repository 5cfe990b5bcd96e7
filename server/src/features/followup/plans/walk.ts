import { after, stepFor, type Plan, type PlanStep } from '@dossier/core/followup';
import { fillTemplate, placeholderLabel, textIn } from '@dossier/core/followup/templates';
import type { TemplateText } from '@dossier/contract';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { inWorkspace } from '../../../platform/workspaceScope';
import { log, Person } from '../../people';
import { calendarOf } from '../calendarOf';
import { mayBeSent } from '../gate';
import { MessageRecord } from '../messages/entities';
import { addresseeOf, type Addressee } from '../messages/valuesOf';
import { writeMessage } from '../messages/write';
import { Task } from '../tasks/entities';
import { TemplateRecord } from '../templates/entities';
import { templateNow } from '../templates/service';
import { courseOf, planOf, saveCourse } from './courses';
import { EnrolmentRecord } from './entities';
import { enrol, meetingOf } from './enrol';
import { happensTo, tellEnded } from './happens';
import { dueEnrolments, newlyTagged, wakeHeld, withdrawnSince, workspacesWithDueSteps } from './queries';

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
  for (const workspaceId of await workspacesWithDueSteps(walk.database.manager))
    done += await walkSome(walk, workspaceId);
  return done;
}

/** Puts whoever got a tag into the plan that begins with it. */
export async function beginTagged(database: DataSource): Promise<void> {
  for (const { id: workspaceId } of await database.query<{ id: string }[]>(
    'select * from workspaces_with_tagged_plans() as found(id)',
  ))
    // prettier-ignore
    await inWorkspace(database, workspaceId, async (manager) => {
      for (const { plan_id: planId, person_id: personId, by } of await newlyTagged(manager, workspaceId, AT_ONCE)) {
        const meeting = await meetingOf(manager, personId);
        await enrol(manager, { workspaceId, accountId: by }, { planId, personId, ...meeting }, new Date());
      }
    });
}

/** Ends the plans of whoever has withdrawn all that they agreed to, however that was noted. */
export async function endWithdrawn(database: DataSource): Promise<void> {
  for (const { id: workspaceId } of await database.query<{ id: string }[]>(
    'select * from workspaces_with_withdrawals() as found(id)',
  ))
    // prettier-ignore
    await inWorkspace(database, workspaceId, async (manager) => {
      for (const personId of await withdrawnSince(manager, workspaceId))
        await happensTo(manager, workspaceId, personId, { kind: 'withdrawn', at: new Date() });
    });
}

/** What was held is looked at anew once something has been done about the person. */
export async function wakePlans(database: DataSource): Promise<void> {
  for (const { id } of await database.query<{ id: string }[]>(
    'select * from workspaces_with_held_steps() as found(id)',
  ))
    await inWorkspace(database, id, (manager) => wakeHeld(manager, id));
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
  const plan = await planOf(manager, record);
  const calendar = await calendarOf(manager, person);
  const now = clock();
  const course = courseOf(record);
  if (person.deletedAt) {
    const over = after(course, plan, { kind: 'deleted', at: now });
    await saveCourse(manager, id, over, plan, calendar, now);
    return;
  }
  const step = stepFor(course, plan, calendar, now);
  // The night came in between.
  if (!step) return saveCourse(manager, id, course, plan, calendar, now);
  const held = await act({ manager, record, person, step, handOver, now });
  if (held === 'withdrawn') {
    await happensTo(manager, person.workspaceId, person.id, { kind: 'withdrawn', at: now });
    return;
  }
  if (held !== undefined) {
    return hold(manager, id, held, now, record.held === held ? record.heldAt : null);
  }
  const next = after(course, plan, { kind: 'done', stepId: step.id, at: now });
  await saveCourse(manager, id, next, plan, calendar, now);
  if (next.status === 'ended') await tellEnded(manager, record, next.ending ?? 'done', now, null);
}

interface Doing {
  manager: EntityManager;
  record: EnrolmentRecord;
  person: Person;
  step: PlanStep & Plan['steps'][number];
  handOver: HandOver;
  now: Date;
}

/** @returns why it is held, in words; `withdrawn` where they no longer agree; undefined where it is done */
async function act({ manager, record, person, step, handOver, now }: Doing): Promise<string | undefined> {
  const { workspaceId } = person;
  const { act: what } = step;
  switch (what.do) {
    case 'message':
    case 'letter':
      return write(
        { manager, record, person, step, handOver, now },
        what.templateId,
        what.do === 'letter' ? 'post' : 'email',
      );
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
          { kind: what.kind },
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
  templateId: string,
  channel: 'email' | 'post',
): Promise<string | undefined> {
  const { workspaceId, id: personId } = person;
  const addressee = await addresseeOf(manager, personId, record);
  if (!addressee) return 'This person is not here any more.';
  // An older version of a plan may name one that was removed since.
  if (!(await manager.existsBy(TemplateRecord, { id: templateId, workspaceId, removedAt: IsNull() }))) return 'Its template is gone. Move them to the changed plan, or pass over this step.'; // prettier-ignore
  const { scope, texts, version, ownVcard, attachmentIds, template } = await templateNow(
    manager,
    workspaceId,
    templateId,
  );
  const to = channel === 'email' ? (addressee.to ?? '') : addressee.postal.join('\n');
  const verdict = await mayBeSent(manager, personId, { channel, to, purpose: { kind: 'plan', scope } }, { now });
  if (!verdict.may) return verdict.why === 'withdrawn' ? 'withdrawn' : verdict.words;
  const chosen = textIn(texts as Record<string, TemplateText>, addressee.language)!;
  const filled = fillTemplate(chosen.text, addressee.values(chosen.language));
  if (filled.missing.length > 0)
    return `Not known, and without a fallback in “${template.name}”: ${filled.missing.map(placeholderLabel).join(', ')}.`;
  const { subject, body } = filled as { subject: string; body: string };
  if (channel === 'email' && !addressee.sender)
    return 'No address to send from is set. An administrator sets one under Mail.';
  const id = uuidv7();
  if (channel === 'email')
    await writeMessage(
      manager,
      {
        id,
        workspaceId,
        personId,
        purpose: { kind: 'plan', scope },
        sender: addressee.sender!,
        to,
        subject: subject || template.name,
        body,
        templateId,
        templateVersion: version,
        enrolmentId: record.id,
        stepId: step.id,
        ownVcard,
        attachmentIds,
        language: chosen.language,
        madeBy: null,
      },
      now,
    );
  else
    await writeLetter(
      manager,
      {
        id,
        record,
        addressee,
        step,
        to,
        subject: subject || template.name,
        body,
        templateId,
        version,
        language: chosen.language,
        scope,
      },
      now,
    );
  return undefined;
}

interface Letter {
  id: string;
  record: EnrolmentRecord;
  addressee: Addressee;
  step: PlanStep | Plan['steps'][number];
  to: string;
  subject: string;
  body: string;
  templateId: string;
  version: number;
  language: string;
  scope: string | null;
}

/** A letter waits to be printed: somebody's task says so. */
async function writeLetter(
  manager: EntityManager,
  { id, record, addressee, step, to, subject, body, templateId, version, language, scope }: Letter,
  now: Date,
): Promise<void> {
  const { person, sender } = addressee;
  const { workspaceId } = person;
  await manager.insert(MessageRecord, {
    id, workspaceId, personId: person.id, direction: 'out', channel: 'post', state: 'waiting', kind: 'plan', purpose: { kind: 'plan', scope },
    headerId: `<${id}@letter>`, refersTo: [], sender: sender?.address ?? '', senderName: sender?.name ?? addressee.values(language).senderName ?? '', recipient: to,
    subject, body, templateId, templateVersion: version, enrolmentId: record.id, stepId: step.id, language, madeBy: null, madeAt: now, at: now,
  } as object); // prettier-ignore
  await addTask(manager, record, person, { kind: 'letter', text: `Print and post “${subject}”`, messageId: id }, now);
}
