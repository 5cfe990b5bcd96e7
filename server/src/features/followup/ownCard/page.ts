import { BOOKING_PAGE_WORDS } from '@dossier/core/followup/booking';
import type { CardPageWords } from '@dossier/core/followup/ownCard';
import { addressLines, formatPhone, type PersonFields } from '@dossier/core/people';
import { Router, urlencoded, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { DataSource, EntityManager } from 'typeorm';
import { escapeHtml, filledHtml, sendPublicPage } from '../../../platform/publicPage';
import { storage } from '../../../platform/storage';
import { inSnapshot } from '../../../platform/workspaceScope';
import { pathOfTimes } from '../booking/paths';
import { OwnCardRecord } from './entities';
import { formHtml } from './formHtml';
import { findCard, nothing, openCard, tooMany, wordsFor, type OpenedCard } from './openCard';
import { pathOf } from './service';
import { vcardFileName, vcardOf } from './vcardOf';
import { formOf, leaveDetails, type Form, type Left } from './visitors';

const MINUTE_MS = 60_000;

/**
 * The public page of somebody's card: whoever has the link sees it, saves it, and may leave their own details. Nobody signs in here, and
 * nothing runs in the browser.
 */
export function cardPageRoutes(database: DataSource): Router {
  const looking = rateLimit({ windowMs: MINUTE_MS, limit: 120, standardHeaders: 'draft-8', legacyHeaders: false, handler: tooMany }); // prettier-ignore
  // Everybody at a fair may come from one address.
  const leaving = rateLimit({ windowMs: 10 * MINUTE_MS, limit: 30, standardHeaders: 'draft-8', legacyHeaders: false, handler: tooMany }); // prettier-ignore
  const leavingThere = rateLimit({
    windowMs: 60 * MINUTE_MS,
    limit: 120,
    standardHeaders: false,
    legacyHeaders: false,
    keyGenerator: (request) => String(request.params.key),
    handler: tooMany,
  });
  return Router()
    .use('/card', looking)
    .get('/card/:key', async (request, response) => {
      const card = await openCard(database, await findCard(database, request.params.key), true);
      if (!card) return nothing(request, response);
      showCard(request, response, card, formOf(card, new Date()));
    })
    .get('/card/:key/picture', async (request, response) => {
      const found = await findCard(database, request.params.key);
      const file = found && (await inSnapshot(database, found.workspaceId, (manager) => pictureOf(manager, found.accountId))); // prettier-ignore
      if (!file) return void response.status(404).type('text').send('There is no picture here.');
      response.set('Cache-Control', 'private, max-age=300').type('image/jpeg').send(file.bytes);
    })
    .get('/card/:key/card.vcf', async (request, response) => {
      const found = await findCard(database, request.params.key);
      if (!found) return nothing(request, response);
      const { name, text } = await inSnapshot(database, found.workspaceId, (manager) => vcardOf(manager, found.accountId, '3.0')); // prettier-ignore
      response.set('Cache-Control', 'no-store').attachment(vcardFileName(name)).type('text/vcard').send(text);
    })
    .post(
      '/card/:key',
      leaving,
      leavingThere,
      urlencoded({ extended: false, limit: '16kb' }),
      async (request, response) => {
        const card = await openCard(database, await findCard(database, request.params.key as string), false);
        if (!card?.takesVisitors) return nothing(request, response);
        const { words } = wordsFor(request);
        const left = await leaveDetails(database, card, request.body, words, new Date());
        if (left) return showCard(request, response, card, left.form, left);
        thank(request, response, card);
      },
    );
}

async function pictureOf(manager: EntityManager, accountId: string) {
  const card = await manager.findOneBy(OwnCardRecord, { accountId });
  return card?.pictureId ? storage.get(manager, card.pictureId) : undefined;
}

function thank(request: Request, response: Response, card: OpenedCard): void {
  const { language, words } = wordsFor(request);
  const body = `<h1>${escapeHtml(words.thanks)}</h1><p>${filledHtml(words.thanksWords, { name: card.name })}</p><p><a class="act" href="${pathOf(card.key)}/card.vcf">${escapeHtml(words.save)}</a></p>`;
  sendPublicPage(response, { language, title: words.thanks, body });
}

function showCard(request: Request, response: Response, card: OpenedCard, form: Form, left?: Left): void {
  const { language, words } = wordsFor(request);
  const body = [
    cardHtml(card),
    waysHtml(card.details, words),
    `<p><a class="act" href="${pathOf(card.key)}/card.vcf">${escapeHtml(words.save)}</a> ${card.takesBookings ? `<a class="act plain" href="${pathOfTimes(card.key)}">${escapeHtml(BOOKING_PAGE_WORDS[language]!.choose)}</a>` : ''}</p>`,
    card.takesVisitors ? visitorsHtml(card, form, words, left) : '',
  ].join('');
  sendPublicPage(response, { status: left ? 422 : 200, language, title: card.name, body });
}

function cardHtml({ key, name, details, greeting, hasPicture }: OpenedCard): string {
  const job = [details.title, details.department].filter(Boolean).join(', ');
  const lines = [job, details.company].filter(Boolean).map((line) => `<p class="soft">${escapeHtml(line)}</p>`);
  const picture = hasPicture ? `<img src="${pathOf(key)}/picture" alt="">` : '';
  const said = greeting ? `<p class="said">${escapeHtml(greeting)}</p>` : '';
  return `<div class="card">${picture}<div><h1>${escapeHtml(name)}</h1>${lines.join('')}</div></div>${said}`;
}

/** Ways to reach somebody; only schemes that nothing runs in. */
function waysHtml(details: PersonFields, words: CardPageWords): string {
  const row = (term: string, what: string) => `<div><dt>${escapeHtml(term)}</dt><dd>${what}</dd></div>`;
  const rows = [
    ...details.phones.map(({ value, extension, kind }) => {
      const number = value.replace(/[^\d+]/g, '');
      const shown = escapeHtml(formatPhone(value, extension));
      return row(words.phone, kind === 'fax' || !number ? shown : `<a href="tel:${number}${extension ? `;ext=${encodeURIComponent(extension)}` : ''}">${shown}</a>`); // prettier-ignore
    }),
    ...details.emails.map((email) => row(words.email, `<a href="mailto:${encodeURIComponent(email).replace('%40', '@')}">${escapeHtml(email)}</a>`)), // prettier-ignore
    ...details.websites.map((site) => {
      const href = /^https?:\/\//i.test(site) ? site : `https://${site.replace(/^\/+/, '')}`;
      return row('', `<a href="${escapeHtml(href)}" rel="noreferrer">${escapeHtml(site)}</a>`);
    }),
    ...addressLines(details).slice(0, 1).map(() => row('', addressLines(details).map(escapeHtml).join('<br>'))), // prettier-ignore
  ];
  return rows.length > 0 ? `<dl class="ways">${rows.join('')}</dl>` : '';
}

function visitorsHtml(card: OpenedCard, { token }: Form, words: CardPageWords, left: Left | undefined): string {
  const form = { action: `${pathOf(card.key)}#leave`, token, hidden: {}, send: words.send };
  return `<h2 id="leave">${escapeHtml(words.leave)}</h2><p class="soft">${filledHtml(words.leaveWords, { name: card.name, team: card.team })}</p>${formHtml(card, form, words, left)}`;
}
