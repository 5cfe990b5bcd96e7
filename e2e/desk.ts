import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, type FileChooser, type Page } from '@playwright/test';

export const demoPhoto = (name: string): string => join(import.meta.dirname, '../demo/photos', `${name}.jpg`);

/** Workspaces that tests have to themselves: each file its own, so that several can run at once. */
type Desk =
  | 'phone'
  | 'wide'
  | 'trouble'
  | 'capture'
  | 'offline'
  | 'stormy'
  | `${'trust' | 'together'}${'' | '-colleague'}`
  | `${'proof' | 'known'}-${'phone' | 'wide'}`;

const asDesk = (desk: Desk) => ({ email: `${desk}@keldermoss.example`, password: 'cold-chain' });

/** Opens a page as somebody who has signed in already. */
export async function signIn(page: Page, desk: Desk, path = '/tray'): Promise<void> {
  const server = path.startsWith('http') ? new URL(path).origin : '';
  const response = await page.request.post(`${server}/api/v1/session`, { data: asDesk(desk) });
  expect(response.status()).toBe(201);
  await page.goto(path);
}

/** Signs in as a person does. */
export async function signInByHand(page: Page, desk: Desk, path = '/tray'): Promise<void> {
  const { email, password } = asDesk(desk);
  await page.goto(path);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByLabel('E-mail')).toBeHidden();
}

/** Goes to one of the places in the bar or the margin column. */
export const goTo = (page: Page, place: 'Tray' | 'People' | 'Photograph'): Promise<void> =>
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

/** Puts a card into the tray of whoever is signed in, made of the text of a signature. @returns its id */
export async function textCard(page: Page, lines: readonly string[]): Promise<string> {
  const id = randomUUID();
  const data = { kind: 'text', text: lines.join('\n'), takenAt: new Date().toISOString() };
  const answer = await page.request.put(`/api/v1/cards/${id}/text`, { data });
  expect(answer.ok()).toBe(true);
  return id;
}

/** Takes what the camera sees. */
export async function photograph(page: Page): Promise<void> {
  await goTo(page, 'Photograph');
  await page.getByRole('button', { name: 'Take the photograph' }).click();
  await expect(page.getByText('all with Dossier, being read')).toBeVisible();
}

/** No accessibility fault that axe can find. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)).toEqual([]);
}
