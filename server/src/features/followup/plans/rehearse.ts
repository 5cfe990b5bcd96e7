import type { Rehearsal, RehearsalRequest, RehearsedStep, TemplateText } from '@dossier/contract';
import { dayOf, maySend, rehearse, type Standing } from '@dossier/core/followup';
import { TZDate } from '@date-fns/tz';
import { fillTemplate, placeholderLabel, textIn } from '@dossier/core/followup/templates';
import { format } from 'date-fns/format';
import type { DataSource, EntityManager } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { calendarOf } from '../calendarOf';
import { standingOf } from '../gate';
import { addresseeOf, type Addressee } from '../messages/valuesOf';
import { templateNow } from '../templates/service';
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
    const standing = request.personId ? await standingOf(manager, request.personId) : undefined;
    const addressee = request.personId ? await addresseeOf(manager, request.personId) : undefined;
    if (request.personId && !standing) throw notFound('This person');
    const calendar = await calendarOf(manager, { workspaceId, country: standing?.person.country ?? request.country });
    const days: RehearsedStep[] = [];
    for (const { step, at } of rehearse({ steps, stopsAt }, now, calendar)) {
      const there = `${dayOf(at, calendar)} ${format(new TZDate(at.getTime(), calendar.timeZone), 'HH:mm')}`;
      const held = standing && addressee ? await heldBy(manager, workspaceId, step, standing, addressee, at) : null;
      days.push({
        stepId: step.id,
        at: at.toISOString(),
        there,
        words: await stepWords(manager, workspaceId, step as never),
        held,
      });
    }
    return { timeZone: calendar.timeZone, steps: days };
  });

async function heldBy(
  manager: EntityManager,
  workspaceId: string,
  { act }: { act: { do: string; templateId?: string } },
  standing: Standing,
  addressee: Addressee,
  at: Date,
): Promise<string | null> {
  if ((act.do !== 'message' && act.do !== 'letter') || !act.templateId) return null;
  const { scope, texts, template } = await templateNow(manager, workspaceId, act.templateId).catch(() => ({
    scope: null,
    texts: {},
    template: { name: '' },
  }));
  const isMail = act.do === 'message';
  const verdict = maySend(
    standing,
    {
      channel: isMail ? 'email' : 'post',
      to: isMail ? (addressee.to ?? '') : addressee.postal.join(' '),
      purpose: { kind: 'plan', scope },
    },
    at,
  );
  if (!verdict.may) return verdict.words;
  const chosen = textIn(texts as Record<string, TemplateText>, addressee.language);
  if (!chosen) return 'Its template is gone.';
  const { missing } = fillTemplate(chosen.text, addressee.values(chosen.language));
  return missing.length > 0
    ? `Not known, and without a fallback in “${template.name}”: ${missing.map(placeholderLabel).join(', ')}.`
    : null;
}
