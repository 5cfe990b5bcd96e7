import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import type { Tray } from '@dossier/contract';
import { expect, type FileChooser, type Page } from '@playwright/test';
import type Axe from 'axe-core';

export const demoPhoto = (name: string): string => join(import.meta.dirname, '../demo/photos', `${name}.jpg`);

/** Workspaces that tests have to themselves: each file its own, so that several can run at once. */
type Desk =
  | 'phone'
  | 'wide'
  | 'trouble'
  | 'capture'
  | 'offline'
  | 'stormy'
  | 'programs'
  | 'systems'
  | `${'trust' | 'together'}${'' | '-colleague'}`
  | `${'proof' | 'known' | 'people' | 'companies' | 'files' | 'followup' | 'pipeline' | 'backup' | 'restored' | 'card' | 'giving' | 'taking' | 'directory' | 'map'}-${'phone' | 'wide'}`;

const asDesk = (desk: Desk) => ({ email: `${desk}@keldermoss.example`, password: 'cold-chain' });

/** What the page's own code throws stands in the report: a press that does nothing would not say why. */
const tellFaults = (page: Page) => page.on('pageerror', (error) => console.log(`Thrown in the page: ${error.stack}`));

/** Opens a page as somebody who has signed in already. */
export async function signIn(page: Page, desk: Desk, path = '/tray'): Promise<void> {
  tellFaults(page);
  const server = path.startsWith('http') ? new URL(path).origin : '';
  const response = await page.request.post(`${server}/api/v1/session`, { data: asDesk(desk) });
  expect(response.status()).toBe(201);
  await page.goto(path);
}

/** Signs in as a person does. */
export async function signInByHand(page: Page, desk: Desk, path = '/tray'): Promise<void> {
  tellFaults(page);
  const { email, password } = asDesk(desk);
  await page.goto(path);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByLabel('E-mail')).toBeHidden();
}

/** Goes to one of the places in the bar or the margin column. */
export const goTo = (page: Page, place: 'Today' | 'Tray' | 'People' | 'Pipeline' | 'Photograph'): Promise<void> =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place }).click();

/** Chooses files on the photograph screen. */
export async function pickFiles(page: Page, files: Parameters<FileChooser['setFiles']>[0]): Promise<void> {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page
      .getByRole('button', { name: /^Pick (files|pictures)$/ })
      .first()
      .click(),
  ]);
  await chooser.setFiles(files);
}

/** Waits until every photograph of the tray was read, and every card a second time. */
export const readTwice = (page: Page): Promise<void> =>
  expect
    .poll(async () => {
      const { items } = (await (await page.request.get('/api/v1/tray')).json()) as Tray;
      return items.filter(({ state, rereading }) => rereading || state === 'waiting' || state === 'reading').length;
    })
    .toBe(0);

/** Puts a card into the tray of whoever is signed in, made of the text of a signature. @returns its id */
export async function textCard(page: Page, lines: readonly string[]): Promise<string> {
  const id = randomUUID();
  const data = { kind: 'text', text: lines.join('\n'), takenAt: new Date().toISOString() };
  const answer = await page.request.put(`/api/v1/cards/${id}/text`, { data });
  expect(answer.ok()).toBe(true);
  return id;
}

/** Somebody filed without a page. */
export async function filePerson(page: Page, fields: object, rest: object = {}): Promise<string> {
  const cardId = await textCard(page, ['Nobody Inparticular', 'nobody@quay.example']);
  const data = { cardId, kind: 'contact', fields, ...rest };
  const answer = await page.request.post('/api/v1/people', { data, headers: { 'idempotency-key': randomUUID() } });
  expect(answer.ok()).toBe(true);
  return ((await answer.json()) as { personId: string }).personId;
}

/** Takes what the camera sees. */
export async function photograph(page: Page): Promise<void> {
  await goTo(page, 'Photograph');
  await page.getByRole('button', { name: 'Take the photograph' }).click();
  await expect(page.getByText('all with Dossier, being read')).toBeVisible();
}

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** No accessibility fault that axe can find. Run in the page itself: it has no frames, and a window for each look takes longest. */
export async function expectAccessible(page: Page): Promise<void> {
  const faults = await page.evaluate(async (source) => {
    if (!('axe' in window)) globalThis.eval(source);
    const { violations } = await (window as unknown as { axe: typeof Axe }).axe.run({ resultTypes: ['violations'] });
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
  }, AXE);
  expect(faults).toEqual([]);
}
