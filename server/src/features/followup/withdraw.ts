import { WITHDRAW_PAGE_WORDS, type WithdrawPageWords } from '@dossier/core/followup/templates';
import { Router, urlencoded, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import { ArrayContains, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { filledHtml, sendPublicPage } from '../../platform/publicPage';
import { inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { Consent, log } from '../people';
import { MessageRecord } from './messages/entities';
import { messageWithKey } from './messages/queries';
import { tooMany } from './ownCard/openCard';
import { happensTo } from './plans/happens';

/**
 * Where somebody no longer agrees to be written to: a page with one button, and one request for mail programs (RFC 8058). Nobody signs in
 * here; whoever has the way from a message speaks for whoever got it. Only looking at the page does nothing: programs look at it too.
 */
export function withdrawRoutes(database: DataSource): Router {
  const limit = rateLimit({ windowMs: 60_000, limit: 60, standardHeaders: 'draft-8', legacyHeaders: false, handler: tooMany }); // prettier-ignore
  return Router()
    .use('/withdraw', limit)
    .get('/withdraw/:key', async (request, response) => {
      const found = await find(database, request.params.key);
      const page = pageFor(request, response);
      if (!found) return page(404, 'nothing', ({ nothingWords }) => `<p>${nothingWords}</p>`);
      page(
        200,
        'ask',
        ({ because, button }) =>
          `<p>${filledHtml(because, { ...found })}</p><form method="post"><button>${button}</button></form>`,
      );
    })
    .post('/withdraw/:key', urlencoded({ extended: false, limit: '4kb' }), async (request, response) => {
      const way = isOneClick(request) ? 'oneClick' : 'page';
      const found = await withdraw(database, request.params.key as string, way);
      const page = pageFor(request, response);
      if (!found) return page(404, 'nothing', ({ nothingWords }) => `<p>${nothingWords}</p>`);
      page(200, 'done', ({ doneWords }) => `<p>${filledHtml(doneWords, { ...found })}</p>`);
    });
}

const isOneClick = ({ body }: Request): boolean =>
  (body as Record<string, unknown> | undefined)?.['List-Unsubscribe'] === 'One-Click';

interface Found {
  team: string;
  to: string;
}

async function find(database: DataSource, key: string | undefined): Promise<Found | undefined> {
  const row = key && key.length < 100 ? await messageWithKey(database.manager, key) : undefined;
  if (!row) return undefined;
  return inWorkspace(database, row.workspace_id, async (manager) => {
    const { recipient } = await manager.findOneByOrFail(MessageRecord, { id: row.id });
    return { team: await teamOf(manager, row.workspace_id), to: recipient };
  });
}

const teamOf = async (manager: EntityManager, id: string): Promise<string> =>
  (await manager.findOneByOrFail(Workspace, { id })).name;

/** Ends every consent to e-mail and every plan at once, and writes down how. Done twice it is done once. @returns undefined for a key of nothing */
export async function withdraw(
  database: DataSource,
  key: string,
  way: 'page' | 'oneClick',
  at = new Date(),
): Promise<Found | undefined> {
  const row = key.length < 100 ? await messageWithKey(database.manager, key) : undefined;
  if (!row) return undefined;
  const { workspace_id: workspaceId, id } = row;
  return inWorkspace(database, workspaceId, async (manager) => {
    const { personId, recipient, subject } = await manager.findOneByOrFail(MessageRecord, { id });
    // Only what goes to people has such a way.
    if (!personId) return undefined;
    const consents = await manager.find(Consent, {
      where: { personId, channels: ArrayContains(['email']), withdrawnAt: IsNull() },
      lock: { mode: 'pessimistic_write' },
    });
    for (const { id: consentId, channels, scope } of consents) {
      await manager.update(Consent, { id: consentId }, { withdrawnAt: at });
      const how = way === 'oneClick' ? 'by a mail program’s own button' : 'on the page';
      const changes = [
        { field: 'consent', before: `${channels.join(', ')}: ${scope}`, after: '' },
        { field: 'withdrawnBy', before: '', after: `${recipient}, ${how}, from “${subject}”` },
      ];
      await log(manager, { workspaceId, accountId: null }, { personId, action: 'consentWithdrawn', at, changes });
    }
    await happensTo(manager, workspaceId, personId, { kind: 'withdrawn', at });
    return { team: await teamOf(manager, workspaceId), to: recipient };
  });
}

/** A page in the language that the browser asks for. */
function pageFor(request: Request, response: Response) {
  const language = request.acceptsLanguages(Object.keys(WITHDRAW_PAGE_WORDS)) || 'en';
  const words = WITHDRAW_PAGE_WORDS[language]!;
  return (status: number, title: 'ask' | 'done' | 'nothing', body: (words: WithdrawPageWords) => string) =>
    sendPublicPage(response, { status, language, title: words[title], body: `<h1>${words[title]}</h1>${body(words)}` });
}
