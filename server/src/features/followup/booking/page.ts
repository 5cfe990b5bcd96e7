import {
  BOOKING_MAIL_WORDS,
  BOOKING_PAGE_WORDS,
  freeTimes,
  type BookingPageWords,
} from '@dossier/core/followup/booking';
import { CARD_PAGE_WORDS } from '@dossier/core/followup/ownCard';
import { TimeZone } from '@dossier/contract';
import { Router, urlencoded, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { escapeHtml, filledHtml, sendPublicPage } from '../../../platform/publicPage';
import { inSnapshot } from '../../../platform/workspaceScope';
import { formHtml, type FormToFill } from '../ownCard/formHtml';
import { findCard, nothing, openCard, tooMany, type Found, type OpenedCard } from '../ownCard/openCard';
import { EMPTY, formOf, readForm, type Left } from '../ownCard/visitors';
import { book, callOff, moveBooking, type Outcome } from './book';
import { BookingRecord, BookingRulesRecord } from './entities';
import { pathOfTalk, pathOfTimes } from './paths';
import { bookingOfKey } from './queries';
import { rulesOf, takenOf } from './rules';
import { dayWords, timeWords, whenWords } from './whenWords';

const MINUTE_MS = 60_000;
/** Days with free times that stand on one page. */
const DAYS_SHOWN = 5;

/** Where others book a talk with somebody of the team, move it and call it off. Nobody signs in, and nothing but the zone is asked of the browser. */
export function bookingPageRoutes(database: DataSource, publicAddress: string | undefined): Router {
  const looking = rateLimit({ windowMs: MINUTE_MS, limit: 120, standardHeaders: 'draft-8', legacyHeaders: false, handler: tooMany }); // prettier-ignore
  const acting = rateLimit({ windowMs: 10 * MINUTE_MS, limit: 30, standardHeaders: 'draft-8', legacyHeaders: false, handler: tooMany }); // prettier-ignore
  // Whoever wants all times of somebody needs more than many addresses.
  const actingThere = rateLimit({
    windowMs: 60 * MINUTE_MS,
    limit: 60,
    standardHeaders: false,
    legacyHeaders: false,
    keyGenerator: (request) => String(request.params.key),
    handler: tooMany,
  });
  const body = urlencoded({ extended: false, limit: '16kb' });
  return Router()
    .use('/talk', looking)
    .get('/card/:key/times', async (request, response) => {
      const talk = await openTimes(database, await findCard(database, request.params.key), request);
      if (!talk) return nothing(request, response);
      if (talk.needsZone) return askZone(response, talk);
      const start = startIn(request.query.start);
      if (start) return showForm(response, talk, start);
      showTimes(response, talk, { path: pathOfTimes(talk.card.key), act: 'choose' });
    })
    .post('/card/:key/times', acting, actingThere, body, async (request, response) => {
      const talk = await openTimes(database, await findCard(database, request.params.key as string), request);
      if (!talk) return nothing(request, response);
      const sent = (request.body ?? {}) as Record<string, unknown>;
      const start = startIn(sent.start);
      if (!start) return showTimes(response, talk, { path: pathOfTimes(talk.card.key), act: 'choose' });
      const now = new Date();
      const read = readForm(talk.card, sent, CARD_PAGE_WORDS[talk.language]!, now, { needsEmail: true });
      if ('left' in read) return showForm(response, talk, start, read.left);
      const { id, values, consent } = read;
      const { language, timeZone, card } = talk;
      const { agree: _agree, ...visitor } = values;
      const outcome = await book(database, card, { id, start, booker: { ...visitor, consent }, language, timeZone }, confirmingOf(talk, publicAddress), now); // prettier-ignore
      if ('offered' in outcome) return showTaken(response, talk, outcome.offered, values);
      told(response, talk, outcome);
    })
    .get('/talk/:key', async (request, response) => {
      const found = await openTalk(database, request.params.key, request);
      if (!found) return noTalk(request, response);
      const { talk, booking } = found;
      if (request.query.off !== undefined) return showTalk(response, talk, booking, 'off');
      showTalk(response, talk, booking, request.query.move === undefined ? 'look' : 'move');
    })
    .post('/talk/:key', acting, body, async (request, response) => {
      const found = await openTalk(database, request.params.key as string, request);
      if (!found) return noTalk(request, response);
      const { talk, booking } = found;
      const sent = (request.body ?? {}) as Record<string, unknown>;
      const confirming = confirmingOf(talk, publicAddress);
      const now = new Date();
      if (sent.off === 'yes') {
        await callOff(database, talk.card, booking.id, confirming, now);
        return showTalk(response, talk, { ...booking, state: 'calledOff' }, 'look');
      }
      const start = startIn(sent.start);
      const outcome = start && (await moveBooking(database, talk.card, booking.id, start, confirming, now));
      if (!outcome) return showTalk(response, talk, booking, 'look');
      if ('offered' in outcome) return showTalk(response, talk, booking, 'move', outcome.offered);
      told(response, talk, outcome);
    });
}

interface Talk {
  card: OpenedCard;
  language: string;
  words: BookingPageWords;
  /** Where whoever looks is. */
  timeZone: string;
  /** Whether nobody has said so yet. */
  needsZone: boolean;
  record: BookingRulesRecord;
  free: Date[];
  from: number;
}

const confirmingOf = ({ card, record }: Talk, publicAddress: string | undefined) => ({ name: card.name, place: record.place, publicAddress }); // prettier-ignore

const startIn = (value: unknown): Date | undefined => {
  const at = typeof value === 'string' && value.length < 40 ? new Date(value) : undefined;
  return at && !Number.isNaN(at.getTime()) ? at : undefined;
};

const languageOf = (request: Request): string => request.acceptsLanguages(Object.keys(BOOKING_PAGE_WORDS)) || 'en';

/** Whose times these are; undefined where nobody is to be booked. @param booking one that is being looked at: it does not stand in its own way */
async function openTimes(database: DataSource, found: Found | undefined, request: Request, booking?: BookingRecord): Promise<Talk | undefined> {
  const card = await openCard(database, found, false);
  if (!card) return undefined;
  const language = languageOf(request);
  const sent = { ...request.query, ...((request.body ?? {}) as object) } as { zone?: unknown; from?: unknown };
  const zone = TimeZone.safeParse(sent.zone);
  return inSnapshot(database, card.workspaceId, async (manager) => {
    const record = await manager.findOneBy(BookingRulesRecord, { accountId: card.accountId });
    if (!record || (!record.isOn && !booking)) return undefined;
    const now = new Date();
    const free = record.isOn ? freeTimes(await rulesOf(manager, record), await takenOf(manager, record, now, booking?.id), now) : []; // prettier-ignore
    return {
      card, language, record, free,
      words: BOOKING_PAGE_WORDS[language]!,
      timeZone: zone.success ? zone.data : (booking?.timeZone ?? record.timeZone),
      needsZone: !booking && sent.zone === undefined,
      from: Math.max(0, Math.trunc(Number(sent.from) || 0)),
    }; // prettier-ignore
  });
} // prettier-ignore

async function openTalk(database: DataSource, key: string | undefined, request: Request): Promise<{ talk: Talk; booking: BookingRecord } | undefined> {
  const row = key && key.length < 100 ? await bookingOfKey(database.manager, key) : undefined;
  if (!row) return undefined;
  const { id, workspace_id: workspaceId, account_id: accountId } = row;
  const booking = await inSnapshot(database, workspaceId, (manager) => manager.findOneBy(BookingRecord, { id }));
  const talk = booking && (await openTimes(database, { workspaceId, accountId }, request, booking));
  return talk ? { talk, booking } : undefined;
} // prettier-ignore

/** Says where the browser is, and goes on: the only thing that runs here. Without it, or where it is not let, the zone of whoever is booked stands. */
const ZONE_SCRIPT = `location.replace(location.pathname+'?zone='+encodeURIComponent(Intl.DateTimeFormat().resolvedOptions().timeZone||'UTC'))`; // prettier-ignore

function askZone(response: Response, talk: Talk): void {
  showTimes(response, talk, { path: pathOfTimes(talk.card.key), act: 'choose' }, { script: ZONE_SCRIPT });
}

interface Choosing {
  path: string;
  /** What a time is chosen for: its form follows, or it is moved at once. */
  act: 'choose' | 'move';
}

function showTimes(response: Response, talk: Talk, choosing: Choosing, { script }: { script?: string } = {}): void {
  const { words, language, card, record } = talk;
  const body = `<p><a href="/card/${card.key}">${escapeHtml(words.backToCard)}</a></p><h1>${escapeHtml(words.choose)}</h1>
<p>${filledHtml(words.chooseWords, { minutes: String(record.minutes), name: card.name })}</p>${record.place ? `<p class="soft">${escapeHtml(record.place)}</p>` : ''}${timesHtml(talk, choosing)}`;
  sendPublicPage(response, { language, title: words.choose, body, script });
}

/** Free times by day, where whoever looks is; a few days at a time. */
function timesHtml(talk: Talk, { path, act }: Choosing): string {
  const { words, language, timeZone, free, from, card } = talk;
  const days = new Map<string, Date[]>();
  for (const time of free) {
    const day = dayWords(time, timeZone, language);
    days.set(day, [...(days.get(day) ?? []), time]);
  }
  const all = [...days];
  const first = Math.min(from, Math.max(0, all.length - 1));
  const shown = all.slice(first, first + DAYS_SHOWN);
  const extra = act === 'move' ? '&amp;move' : '';
  const link = (place: number, said: string) => `<a class="act plain" href="${path}?zone=${encodeURIComponent(timeZone)}&amp;from=${place}${extra}">${escapeHtml(said)}</a> `; // prettier-ignore
  return [
    zoneHtml(talk, path, act),
    shown.length === 0 ? `<p>${filledHtml(words.none, { name: card.name })}</p>` : '',
    ...shown.map(([day, times]) => `<h2>${escapeHtml(day)}</h2><div class="times">${times.map((time) => timeHtml(talk, path, act, time)).join('')}</div>`), // prettier-ignore
    first > 0 ? link(Math.max(0, first - DAYS_SHOWN), words.earlier) : '',
    first + DAYS_SHOWN < all.length ? link(first + DAYS_SHOWN, words.later) : '',
  ].join('');
}

function timeHtml({ timeZone, language, words }: Talk, path: string, act: Choosing['act'], time: Date): string {
  const said = escapeHtml(timeWords(time, timeZone, language));
  const whole = escapeHtml(whenWords(time, timeZone, language));
  if (act === 'choose') return `<a href="${path}?zone=${encodeURIComponent(timeZone)}&amp;start=${time.toISOString()}" aria-label="${whole}">${said}</a>`; // prettier-ignore
  return `<form class="bare" method="post" action="${path}"><input type="hidden" name="zone" value="${escapeHtml(timeZone)}"><input type="hidden" name="start" value="${time.toISOString()}"><button class="plain" aria-label="${escapeHtml(words.move)}: ${whole}">${said}</button></form>`;
}

const ZONES = Intl.supportedValuesOf('timeZone');

function zoneHtml({ words, timeZone }: Talk, path: string, act: Choosing['act']): string {
  const names = ZONES.includes(timeZone) ? ZONES : [timeZone, ...ZONES];
  const options = names.map((zone) => `<option${zone === timeZone ? ' selected' : ''}>${escapeHtml(zone)}</option>`);
  return `<form method="get" action="${path}">${act === 'move' ? '<input type="hidden" name="move" value="">' : ''}<div class="field"><label for="zone">${escapeHtml(words.zone)}</label><div class="beside"><select id="zone" name="zone">${options.join('')}</select><button class="plain">${escapeHtml(words.change)}</button></div></div></form>`; // prettier-ignore
}

function showForm(response: Response, talk: Talk, start: Date, left?: Left): void {
  const { card, words, language, timeZone } = talk;
  if (!talk.free.some((time) => time.getTime() === start.getTime())) return showTaken(response, talk, [], left?.values);
  const cardWords = CARD_PAGE_WORDS[language]!;
  const form: FormToFill = {
    action: pathOfTimes(card.key),
    token: (left?.form ?? formOf(card, new Date())).token,
    hidden: { start: start.toISOString(), zone: timeZone },
    send: words.book,
    emailHint: words.yourEmail,
  };
  const body = `<p><a href="${pathOfTimes(card.key)}?zone=${encodeURIComponent(timeZone)}">${escapeHtml(words.choose)}</a></p><h1>${escapeHtml(whenWords(start, timeZone, language))}</h1>
<p>${filledHtml(words.chooseWords, { minutes: String(talk.record.minutes), name: card.name })}</p><h2>${escapeHtml(words.yours)}</h2>${formHtml(card, form, cardWords, left)}`;
  sendPublicPage(response, { status: left ? 422 : 200, language, title: words.choose, body });
}

/** Somebody else was quicker: what is free in its place, with what was written kept. */
function showTaken(response: Response, talk: Talk, offered: readonly Date[], values = EMPTY): void {
  const { words, language, card, timeZone } = talk;
  const nearest = offered.length > 0 ? offered : talk.free.slice(0, 6);
  const cardWords = CARD_PAGE_WORDS[language]!;
  const choices = nearest.map((time, i) => `<div class="tick"><input type="radio" name="start" id="t${i}" value="${time.toISOString()}"${i === 0 ? ' checked' : ''}><label for="t${i}">${escapeHtml(whenWords(time, timeZone, language))}</label></div>`); // prettier-ignore
  const given = formOf(card, new Date());
  const form: FormToFill = {
    action: pathOfTimes(card.key),
    token: given.token,
    hidden: { zone: timeZone },
    before: `<fieldset><legend>${escapeHtml(words.choose)}</legend>${choices.join('')}</fieldset>`,
    send: words.book,
    emailHint: words.yourEmail,
  };
  const body =
    nearest.length > 0
      ? `<div role="alert"><h1>${escapeHtml(words.taken)}</h1></div>${formHtml(card, form, cardWords, { form: given, values, complaints: {} })}`
      : `<h1>${escapeHtml(words.choose)}</h1><p>${filledHtml(words.none, { name: card.name })}</p>`;
  sendPublicPage(response, { status: 409, language, title: words.taken, body });
}

function told(response: Response, { words, language, card, timeZone }: Talk, outcome: Exclude<Outcome, { offered: Date[] }>): void {
  const { booking, isWrittenTo } = outcome;
  const when = whenWords(booking.startsAt, timeZone, language);
  const title = booking.sequence > 0 ? words.moved : words.done;
  const said = isWrittenTo ? filledHtml(words.doneWords, { when, name: card.name, email: booking.email }) : escapeHtml(when); // prettier-ignore
  const body = `<h1>${escapeHtml(title)}</h1><p>${said}</p><p><a class="act plain" href="${pathOfTalk(booking.key)}">${escapeHtml(BOOKING_MAIL_WORDS[language]!.manage.replace(/\s*:$/, ''))}</a></p>`; // prettier-ignore
  sendPublicPage(response, { language, title, body });
} // prettier-ignore

function showTalk(response: Response, talk: Talk, booking: BookingRecord, show: 'look' | 'move' | 'off', offered?: readonly Date[]): void {
  const { words, language, card, timeZone } = talk;
  const when = escapeHtml(whenWords(booking.startsAt, timeZone, language));
  const path = pathOfTalk(booking.key);
  const page = (title: string, body: string, status = 200) => sendPublicPage(response, { status, language, title, body });
  if (booking.state === 'calledOff') return page(words.off, `<h1>${escapeHtml(words.off)}</h1><p>${escapeHtml(words.offWords)}</p>`); // prettier-ignore
  if (booking.endsAt <= new Date()) return page(words.over, `<h1>${escapeHtml(words.over)}</h1><p>${escapeHtml(words.pastWords)}</p>`); // prettier-ignore
  const about = `<p>${filledHtml(words.chooseWords, { minutes: String(Math.round((booking.endsAt.getTime() - booking.startsAt.getTime()) / MINUTE_MS)), name: card.name })}</p><p class="soft">${escapeHtml(talk.record.place)}</p>`; // prettier-ignore
  if (show === 'off')
    return page(words.callOff, `<h1>${escapeHtml(words.callOffSure)}</h1><p>${when}</p><form method="post" action="${path}"><input type="hidden" name="off" value="yes"><button>${escapeHtml(words.callOff)}</button> <a class="act plain" href="${path}">${escapeHtml(words.keep)}</a></form>`); // prettier-ignore
  if (show === 'move') {
    const taken = offered ? `<p class="complaint" role="alert">${escapeHtml(words.taken)}</p>` : '';
    const body = `<h1>${escapeHtml(words.choose)}</h1><p>${when}</p>${taken}${timesHtml({ ...talk, free: offered?.length ? [...offered] : talk.free }, { path, act: 'move' })}`; // prettier-ignore
    return page(words.choose, body, offered ? 409 : 200);
  }
  page(when, `<h1>${when}</h1>${about}<p><a class="act" href="${path}?move">${escapeHtml(words.move)}</a> <a class="act plain" href="${path}?off">${escapeHtml(words.callOff)}</a></p>`); // prettier-ignore
} // prettier-ignore

function noTalk(request: Request, response: Response): void {
  const language = languageOf(request);
  const words = BOOKING_PAGE_WORDS[language]!;
  sendPublicPage(response, { status: 404, language, title: words.nothing, body: `<h1>${escapeHtml(words.nothing)}</h1><p>${escapeHtml(words.nothingWords)}</p>` }); // prettier-ignore
}
