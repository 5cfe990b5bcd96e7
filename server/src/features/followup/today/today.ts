import type { OccasionFollowUp, Today, TodayItem, TodayQuery } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { Workspace } from '../../account';
import { Occasion } from '../../capture';
import { doneSince, taskRows } from '../tasks/queries';
import { viewOf } from '../tasks/service';
import {
  businessToLookAt,
  cardsToProve,
  followUpOf,
  heldCourses,
  messagesToLookAt,
  unreadAnswers,
  untouchedLeads,
  type Who,
} from './queries';

const MOST_TASKS = 100;
const MOST_LEADS = 10;

const whoOf = ({ person_id: id, full_name: fullName, company }: Who) => ({ id, fullName, company });

/** What needs somebody now: answers first, then what is late, what perhaps went, what is held, what is due, and leads nobody touched. */
export const today = (
  database: DataSource,
  { workspaceId, accountId }: SignedIn,
  { day, time }: TodayQuery,
): Promise<Today> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const now = new Date();
    const here = day ?? now.toISOString().slice(0, 10);
    const { untouchedDays } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
    const tasks = await taskRows(manager, workspaceId, {
      ownerId: accountId,
      personId: null,
      companyId: null,
      done: false,
      after: null,
      limit: MOST_TASKS,
      dueBy: here,
    });
    const isLate = (one: { due_on: string | null; due_time: string | null }) =>
      one.due_on! < here || (one.due_time !== null && time !== undefined && one.due_on === here && one.due_time < time);
    const items: TodayItem[] = [];
    for (const row of await unreadAnswers(manager, workspaceId, accountId))
      items.push({
        kind: 'answer',
        person: whoOf(row),
        message: { id: row.id, at: row.at.toISOString(), subject: row.subject, text: row.body.slice(0, 600) },
      });
    for (const row of tasks.filter(isLate)) items.push({ kind: 'task', isLate: true, task: viewOf(row) });
    for (const row of await messagesToLookAt(manager, workspaceId, accountId))
      items.push({
        kind: 'message',
        person: whoOf(row),
        message: {
          id: row.id,
          at: row.at.toISOString(),
          subject: row.subject,
          state: row.state as 'refused',
          problem: row.problem,
        },
      });
    for (const row of await heldCourses(manager, workspaceId, accountId))
      items.push({
        kind: 'held',
        person: whoOf(row),
        enrolmentId: row.id,
        plan: row.plan,
        words: row.held,
        since: row.held_at.toISOString(),
      });
    for (const row of tasks.filter((one) => !isLate(one)))
      items.push({ kind: 'task', isLate: false, task: viewOf(row) });
    for (const row of await businessToLookAt(manager, workspaceId, accountId, here))
      items.push({
        kind: 'opportunity',
        why: row.past ? 'past' : 'noStep',
        opportunity: { id: row.id, title: row.title, company: row.company, expectedOn: row.expected_on },
      });
    const leads = await untouchedLeads(manager, workspaceId, accountId, untouchedDays, MOST_LEADS);
    for (const row of leads) items.push({ kind: 'lead', person: whoOf(row), untouchedSince: row.since.toISOString() });
    return {
      day: here,
      items,
      toProve: await cardsToProve(manager, workspaceId),
      done: await doneSince(manager, workspaceId, accountId, new Date(`${here}T00:00:00Z`)),
      moreLeads: Math.max(0, (leads[0]?.all ?? 0) - leads.length),
    };
  });

/** @throws ProblemError 404 */
export const occasionFollowUp = (
  database: DataSource,
  { workspaceId }: SignedIn,
  occasionId: string,
): Promise<OccasionFollowUp> =>
  inSnapshot(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(Occasion, { id: occasionId, workspaceId }))) throw notFound('This occasion');
    const {
      people,
      within_day: withinDay,
      within_week: withinWeek,
      later,
      never,
      answered,
    } = await followUpOf(manager, workspaceId, occasionId);
    return { people, withinDay, withinWeek, later, never, answered };
  });
