import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Destinations, FilingRequest, Tray, TrayItem } from '@dossier/contract';
import { v5 as uuidv5 } from 'uuid';
import { occasions } from './occasions';
import { AGREED, CONSENT, demoBooking, demoMail, demoOwnCard, demoPlan, demoTasks, demoTemplates } from './followUp';
import { loadSeason } from './loadSeason';
import { people } from './people';
import { PORT_OFFICE_MAPPING, portOffice } from './portOffice';
import { shots, type Shot } from './shots';

/**
 * Loads the demo through the API, as the reps would have done it: photographs are sent and read one
 * after the other, some cards are proved and filed, the others wait in the tray. Can be broken off
 * and begun again at any time.
 *
 * What was before is written by whoever owns the tables, where `DOSSIER_OWNER_URL` says how.
 *
 * Usage: loadDemo.ts ADDRESS DONE_FILE PORT_OFFICE SECRET LETTERBOX_SMTP_PORT LETTERBOX DIRECTORY DIRECTORY_KEY
 */
const folder = join(dirname(fileURLToPath(import.meta.url)), '..');
const [address, doneFile, portOfficeBase, portOfficeSecret, smtpPort, letterbox, directory, directoryKey] = process.argv.slice(2) as [string, string, string, string, string, string, string, string]; // prettier-ignore
const ownerUrl = process.env.DOSSIER_OWNER_URL;
const DEMO_NAMESPACE = '5b0c7b0e-6c1e-4d55-9f35-7a2f4f0f9d11';
const FIRST_DAY = Date.UTC(2026, 10, 9, 9, 0);
const POLL_MS = 400;

interface Account {
  email: string;
  password: string;
}
const workspaces = JSON.parse(readFileSync(join(folder, 'workspaces.json'), 'utf8')) as { accounts: Account[] }[];
const cookies = new Map<string, string>();

const idOf = (name: string): string => uuidv5(name, DEMO_NAMESPACE);

async function load(shot: Shot, index: number): Promise<void> {
  const photoId = idOf(shot.id);
  const occasion = occasions.find(({ shots: ids }) => ids.includes(shot.id));
  const takenAt = new Date(FIRST_DAY + index * 17 * 60_000).toISOString();
  await call(
    shot.by,
    'PUT',
    `/photos/${photoId}?takenAt=${takenAt}${occasion ? `&occasion=${idOf(occasion.id)}` : ''}`,
    readFileSync(join(folder, 'photos', `${shot.id}.jpg`)),
  );
  const cards = await cardsOf(shot.by, photoId);
  if (!shot.filed || !cards[0]) return;
  const filed = (await call(shot.by, 'POST', '/people', filing(shot.id, cards[0].id), { 'idempotency-key': `demo-${shot.id}` })) as { personId?: string }; // prettier-ignore
  if (filed.personId) personIds.set(shot.id, filed.personId);
}

/** Whoever was filed, by the name of the card. */
const personIds = new Map<string, string>();

/** Waits until the photograph is read. */
async function cardsOf(by: string, photoId: string): Promise<TrayItem[]> {
  for (;;) {
    const { items } = (await call(by, 'GET', '/tray')) as Tray;
    const own = items.filter((item) => item.photoId === photoId);
    if (own.every((item) => !['waiting', 'reading'].includes(item.state)))
      return own.filter((item) => item.kind === 'card');
    await new Promise((resolve) => setTimeout(resolve, POLL_MS));
  }
}

const NOTES: Record<string, string> = {
  skerry: 'Wants two insulated doors for the new chill hall before the autumn landings. Send drawings.',
  bramble: 'Dock leveller sticks in frost. Promised a visit in the second week.',
  ashgrove: 'Small bakery, one rapid door. Asked for prices without fitting.',
  tidewater: 'Cask store runs at 11 degrees; air curtain may be enough.',
  quillan: 'Four docks, all ours from 2009. Due for seals.',
  nordmolk: 'Needs everything in German. Decides with the plant manager.',
  maple: 'Met at the stand with her apprentice. Interested in the service contract.',
  crane: 'Installs for others; would like to be a partner.',
};

function filing(id: string, cardId: string): FilingRequest {
  const person = people.find((p) => p.id === id)!;
  return {
    cardId,
    kind: ['ashgrove', 'pollock', 'seagrain', 'crane'].includes(id) ? 'lead' : 'contact',
    note: NOTES[id] ?? '',
    consent: AGREED.has(id) ? CONSENT : null,
    tags: occasions.find(({ shots: ids }) => ids.includes(id))?.fields.tags ?? [],
    ownerId: null,
    uncompared: false,
    known: null,
    fields: {
      prefix: person.prefix ?? '',
      givenName: person.givenName,
      middleName: person.middleName ?? '',
      familyName: person.familyName,
      suffix: person.suffix ?? '',
      title: person.title,
      department: person.department ?? '',
      company: person.company,
      emails: [...person.emails],
      phones: person.phones.map(({ e164, kind, ext }) => ({ value: e164, kind, extension: ext ?? '' })),
      websites: person.website ? [person.website] : [],
      street: person.street,
      postalCode: person.postalCode,
      locality: person.locality,
      region: '',
      country: person.country,
      more: [],
    },
  };
}

/** One request as one of the reps. @throws Error with the answer when it is refused, other than as already done */
async function call(
  by: string,
  method: string,
  path: string,
  body?: Buffer | object,
  headers: Record<string, string> = {},
): Promise<unknown> {
  const response = await fetch(`${address}/api/v1${path}`, {
    method,
    headers: {
      cookie: await cookieOf(by),
      ...(body && !Buffer.isBuffer(body) && { 'content-type': 'application/json' }),
      ...headers,
    },
    body: body === undefined ? undefined : Buffer.isBuffer(body) ? new Uint8Array(body) : JSON.stringify(body),
  });
  if (!response.ok && response.status !== 409)
    throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
  return response.status === 204 ? undefined : response.json();
}

async function cookieOf(by: string): Promise<string> {
  const known = cookies.get(by);
  if (known) return known;
  const account = workspaces.flatMap((w) => w.accounts).find((a) => a.email.startsWith(`${by}@`))!;
  const response = await fetch(`${address}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: account.email, password: account.password }),
  });
  if (!response.ok) throw new Error(`${account.email} could not sign in: ${await response.text()}`);
  const cookie = response.headers.get('set-cookie')!.split(';')[0]!;
  cookies.set(by, cookie);
  return cookie;
}

/** A customer system that leads are handed over to. */
async function setPortOfficeUp(): Promise<void> {
  const fields = portOffice(portOfficeBase, portOfficeSecret);
  const { items } = (await call('maren', 'GET', '/destinations')) as Destinations;
  if (items.some(({ name }) => name === fields.name)) return;
  const { id } = (await call('maren', 'POST', '/destinations', fields)) as { id: string };
  await call('maren', 'PUT', `/destinations/${id}/mapping`, PORT_OFFICE_MAPPING);
}

/** A directory of firms and people that may be asked. */
const setDirectoryUp = () =>
  call('maren', 'PUT', '/directory-settings', { address: directory, key: directoryKey, portraits: true });

/** Towns of the scenario are on no map: the team has said where they are, along one coast. */
const PLACES = [
  { country: 'GB', town: 'Port Ellery', lat: 57.51, lon: -1.79 },
  { country: 'GB', town: 'Tarnmoor', lat: 57.24, lon: -2.62 },
  { country: 'GB', town: 'Saltby', lat: 56.98, lon: -2.21 },
  { country: 'GB', town: 'Wexcombe', lat: 57.66, lon: -2.55 },
  { country: 'GB', town: 'Maplestead', lat: 57.42, lon: -2.3 },
  { country: '', town: 'Skerrivore', lat: 58.44, lon: -3.09 },
  { country: '', town: 'Quaybridge', lat: 57.69, lon: -2.0 },
  { country: '', town: 'Ashmere', lat: 57.35, lon: -3.2 },
  { country: '', town: 'Brackwater', lat: 57.6, lon: -3.62 },
  { country: '', town: 'Kelmouth', lat: 57.68, lon: -3.28 },
  { country: '', town: 'Saltmarsh', lat: 56.71, lon: -2.47 },
  { country: '', town: 'Dunraven', lat: 57.48, lon: -4.22 },
  { country: '', town: 'Fjordvik', lat: 60.39, lon: 5.32 },
];
const setPlacesUp = () => Promise.all(PLACES.map((place) => call('ottilie', 'PUT', '/own-places', place)));

const PLAN_ID = idOf('after the open day');

/** A mail server, words to send and a plan that sends them. */
async function setFollowUpUp(): Promise<void> {
  const { items } = (await call('maren', 'GET', '/team')) as { items: { id: string; name: string }[] };
  const accountOf = (name: string) => items.find((one) => one.name.startsWith(name))!.id;
  await call(
    'maren',
    'PUT',
    '/mail',
    demoMail(Number(smtpPort), { ottilie: accountOf('Ottilie'), idris: accountOf('Idris') }),
  );
  const ids = { first: idOf('template first'), again: idOf('template again'), letter: idOf('template letter') };
  for (const name of ['first', 'again', 'letter'] as const)
    await call('maren', 'PUT', `/templates/${ids[name]}`, demoTemplates[name]);
  await call(
    'maren',
    'PUT',
    `/plans/${PLAN_ID}`,
    demoPlan(ids, (name) => idOf(name)),
  );
}

/** What Ottilie hands out of herself, with its page, and when others may book her. */
async function setOwnCardUp(): Promise<void> {
  await call('ottilie', 'PUT', '/own-card', demoOwnCard);
  const { page } = (await call('ottilie', 'GET', '/own-card')) as { page: object | null };
  if (!page) await call('ottilie', 'POST', '/own-card/page');
  await call('ottilie', 'PUT', '/booking', demoBooking);
}

/** What is to be done, and an answer from outside. */
async function beginFollowUp(): Promise<void> {
  const day = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  for (const { person, task } of demoTasks(day)) {
    const personId = personIds.get(person);
    if (personId) await call('ottilie', 'POST', '/tasks', { ...task, id: idOf(`task ${task.text}`), personId });
  }
  const { items } = (await fetch(`${letterbox}/api/messages?to=t.skerritt@skerryfish.example`).then((answer) => answer.json())) as { items: { id: string; done: string[] }[] }; // prettier-ignore
  const [mail] = items;
  if (!mail || mail.done.length > 0) return;
  const text =
    'Dear Ottilie,\n\nthank you for the quick word. Thursday at ten would suit us for a visit; bring the drawings, please.\n\nTobias Skerritt';
  await fetch(`${letterbox}/api/messages/${mail.id}/answer`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ text }),
  });
}

if (!existsSync(doneFile)) {
  await setPortOfficeUp();
  await setFollowUpUp();
  await setOwnCardUp();
  await setDirectoryUp();
  await setPlacesUp();
  for (const { id, by, fields } of occasions)
    await call(by, 'PUT', `/occasions/${idOf(id)}`, { ...fields, ...(id === 'open-day' && { planId: PLAN_ID }) });
  for (const [i, shot] of shots.entries()) await load(shot, i);
  await beginFollowUp();
  if (ownerUrl) await loadSeason({ call, idOf, ownerUrl });
  writeFileSync(doneFile, new Date().toISOString());
}
