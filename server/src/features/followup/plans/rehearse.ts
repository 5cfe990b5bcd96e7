import type { Rehearsal, RehearsalRequest, RehearsedStep } from '@dossier/contract';
import { dayOf, rehearse, type PlanStep, type Standing } from '@dossier/core/followup';
import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns/format';
import type { DataSource, EntityManager } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { calendarOf } from '../calendarOf';
import { standingOf } from '../gate';
import { fromTemplate } from '../messages/fromTemplate';
import { addresseeOf, type Addressee } from '../messages/valuesOf';
import { planNow } from './service';
import { stepWords } from './stepWords';

/** What a plan would do for somebody if it began now: each step with its moment, and what would hold it. @throws ProblemError 404 */
export const rehearsePlan = (
  database: DataSource,
  { workspaceId }: SignedIn,
  planId: string,
  request: RehearsalRequest,
): Promise<Rehearsal> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const { steps, stopsAt } = request.steps
      ? { steps: request.steps, stopsAt: request.stopsAt ?? [] }
      : await planNow(manager, workspaceId, planId);
    const now = new Date();
    const standing = request.personId
      ? await standingOf(manager, { personId: request.personId, workspaceId })
      : undefined;
    const addressee = request.personId ? await addresseeOf(manager, request.personId) : undefined;
    if (request.personId && !standing) throw notFound('This person');
    const calendar = await calendarOf(manager, { workspaceId, country: addressee?.person.country ?? request.country });
    const days: RehearsedStep[] = [];
    for (const { step, at } of rehearse({ steps, stopsAt }, now, calendar)) {
      const there = `${dayOf(at, calendar)} ${format(new TZDate(at.getTime(), calendar.timeZone), 'HH:mm')}`;
      const held = standing && addressee ? await heldBy(manager, step, standing, addressee, at) : null;
      days.push({
        stepId: step.id,
        at: at.toISOString(),
        there,
        words: await stepWords(manager, workspaceId, step),
        held,
      });
    }
    return { timeZone: calendar.timeZone, steps: days };
  });

/** Only what is sent can be held. */
async function heldBy(
  manager: EntityManager,
  { act }: Pick<PlanStep, 'act'>,
  standing: Standing,
  addressee: Addressee,
  at: Date,
): Promise<string | null> {
  if (act.do !== 'message' && act.do !== 'letter') return null;
  const written = await fromTemplate(manager, addressee, standing, act, at);
  return 'held' in written ? written.held : null;
}
