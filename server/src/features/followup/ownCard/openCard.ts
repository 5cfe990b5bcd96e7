import { CARD_PAGE_WORDS, type CardPageWords } from '@dossier/core/followup/ownCard';
import { emptyPersonFields, fullName, type PersonFields } from '@dossier/core/people';
import type { Request, Response } from 'express';
import type { DataSource } from 'typeorm';
import { escapeHtml, sendPublicPage } from '../../../platform/publicPage';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Account } from '../../account';
import { BookingRulesRecord } from '../booking/entities';
import { CardPage, OwnCardRecord } from './entities';
import { cardOfKey, countOpened } from './queries';
import { detailsOfAccount } from './service';

/** What the page shows, and nothing else of whoever has the card. */
export interface OpenedCard {
  key: string;
  /** What its forms are signed with. */
  secret: Buffer;
  workspaceId: string;
  accountId: string;
  name: string;
  team: string;
  country: string;
  details: PersonFields;
  greeting: string;
  takesVisitors: boolean;
  scope: string;
  hasPicture: boolean;
  /** Whether a talk can be booked. */
  takesBookings: boolean;
}

export interface Found {
  workspaceId: string;
  accountId: string;
}

/** Whose card a link leads to; undefined for one that has ended, or whose account is out of use. */
export async function findCard(database: DataSource, key: string | undefined): Promise<Found | undefined> {
  const row = key && key.length < 100 ? await cardOfKey(database.manager, key) : undefined;
  return row && { workspaceId: row.workspace_id, accountId: row.account_id };
}

/** @param counts whether somebody has opened it to look */
export async function openCard(
  database: DataSource,
  found: Found | undefined,
  counts: boolean,
): Promise<OpenedCard | undefined> {
  if (!found) return undefined;
  const { workspaceId, accountId } = found;
  return inWorkspace(database, workspaceId, async (manager) => {
    const page = await manager.findOneBy(CardPage, { accountId });
    const account = await manager.findOne(Account, { where: { id: accountId }, relations: { workspace: true } });
    if (!page || !account?.workspace || account.outOfUseAt) return undefined;
    if (counts) await countOpened(manager, workspaceId, accountId);
    const card = await manager.findOneBy(OwnCardRecord, { accountId });
    const details = { ...emptyPersonFields(), ...(card?.details ?? (await detailsOfAccount(manager, accountId))) };
    return {
      key: page.key,
      secret: page.secret,
      workspaceId,
      accountId,
      name: fullName(details) || account.name,
      team: account.workspace.name,
      country: account.workspace.country,
      details,
      greeting: card?.greeting ?? '',
      takesVisitors: card?.takesVisitors ?? true,
      scope: card?.scope ?? '',
      hasPicture: Boolean(card?.pictureId),
      takesBookings: await manager.existsBy(BookingRulesRecord, { accountId, isOn: true }),
    };
  });
}

export function wordsFor(request: Request): { language: string; words: CardPageWords } {
  const language = request.acceptsLanguages(Object.keys(CARD_PAGE_WORDS)) || 'en';
  return { language, words: CARD_PAGE_WORDS[language]! };
}

/** There is no card under this link, or not any more. */
export function nothing(request: Request, response: Response): void {
  const { language, words } = wordsFor(request);
  const body = `<h1>${escapeHtml(words.nothing)}</h1><p>${escapeHtml(words.nothingWords)}</p>`;
  sendPublicPage(response, { status: 404, language, title: words.nothing, body });
}

/** Somebody, or many from one place, ask more often than a person does: a page that says so, and when to come back. */
export function tooMany(request: Request, response: Response): void {
  const { language, words } = wordsFor(request);
  const body = `<p role="alert">${escapeHtml(words.tooMany)}</p>`;
  sendPublicPage(response, { status: 429, language, title: words.tooMany, body });
}
