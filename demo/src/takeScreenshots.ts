import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Browser, type BrowserContextOptions, type Page } from 'playwright-core';
import { writeFilm } from './cameraFilm';
import { CHROMIUM_FLAGS, CHROMIUM_PATH, cameraFlags } from './chromium';

/**
 * Takes the pictures of docs/screenshots from a running `npm start` with the demo loaded.
 *
 * Usage: takeScreenshots.ts [ADDRESS [NAME …]], with names only these are kept
 */
const [address = 'http://127.0.0.1:4300', ...only] = process.argv.slice(2);
const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const film = join(root, '.data/test-reports/camera.y4m');

const PHONE: BrowserContextOptions = { viewport: { width: 390, height: 844 }, deviceScaleFactor: 2, hasTouch: true };
const WIDE: BrowserContextOptions = { viewport: { width: 1280, height: 800 } };

await writeFilm(film);
const browser = await chromium.launch({
  executablePath: CHROMIUM_PATH,
  args: [...CHROMIUM_FLAGS, ...cameraFlags(film)],
});

const save = async (page: Page, name: string): Promise<void> => {
  if (only.length > 0 && !only.includes(name)) return;
  await page.evaluate(() => document.fonts.ready);
  await page.waitForFunction(() => {
    const seen = [...document.images].filter((image) => image.getBoundingClientRect().top < innerHeight);
    // A strip that is not drawn yet has the size of an empty canvas.
    const strips = [...document.querySelectorAll<HTMLCanvasElement>('canvas.ink')].filter((strip) =>
      strip.checkVisibility(),
    );
    return (
      seen.every((image) => image.complete && image.naturalWidth > 0) && strips.every(({ height }) => height !== 150)
    );
  });
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
  console.log(name);
};

async function desk(
  from: Browser,
  options: BrowserContextOptions,
  email = 'ottilie@keldermoss.example',
): Promise<Page> {
  const page = await (await from.newContext(options)).newPage();
  await page.addInitScript(() => {
    // Somebody who knows the words already.
    for (const word of ['tray', 'strip', 'occasion']) localStorage.setItem(`dossier.explained.${word}`, 'true');
  });
  await page.goto(`${address}/tray`);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('cold-chain');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Tray' }).waitFor();
  // Word of a batch has been heard.
  const heard = page.getByRole('button', { name: 'Close', exact: true });
  if (await heard.isVisible()) await heard.click();
  return page;
}

const phone = await desk(browser, PHONE);
await phone
  .getByRole('link', { name: /Nella Harrowfield-Voss/ })
  .first()
  .waitFor();
await save(phone, 'tray');
await phone
  .getByRole('link', { name: /Nella Harrowfield-Voss/ })
  .first()
  .click();
await phone.getByRole('textbox', { name: 'Title' }).focus();
await save(phone, 'proof-phone');
await phone.goto(`${address}/photograph`);
await phone.locator('[data-live-outline="seen"]').waitFor();
await save(phone, 'camera');
await phone.goto(`${address}/people?sort=filed`);
await phone.getByRole('link', { name: /Tobias Skerritt/ }).waitFor();
await save(phone, 'people');
await followedUp(phone);

await knownPerson(phone);
// What holds for everybody is set by the manager.
const manager = await desk(browser, PHONE, 'maren@keldermoss.example');
await manager.goto(`${address}/settings/systems`);
await manager.getByRole('link', { name: 'The port office' }).click();
await manager.getByRole('link', { name: 'What goes into which field' }).click();
await manager.getByRole('button', { name: /^Post code/ }).waitFor();
await manager.getByText('Achterberg', { exact: true }).waitFor();
await save(manager, 'what-goes-where');
await manager.goto(`${address}/settings/plans`);
await manager.getByRole('link', { name: 'After the open day' }).click();
await manager.getByLabel('What the call is about').waitFor();
await save(manager, 'plan');
await manager.goto(`${address}/pipeline/figures?q=leads`);
await manager.getByRole('group', { name: /How far leads came/ }).waitFor();
await save(manager, 'figures');
await manager.goto(`${address}/pipeline/leads?sort=filed`);
await manager
  .getByRole('link', { name: /Still to find out|Untouched for/ })
  .first()
  .click();
await manager.getByRole('button', { name: 'Qualify' }).waitFor();
await save(manager, 'lead');

const wide = await desk(browser, WIDE);
await wide.getByRole('link', { name: /Jannik/ }).click();
await wide.getByRole('textbox', { name: 'Company' }).focus();
await save(wide, 'proof-wide');
await wide.goto(`${address}/people?sort=filed`);
await wide.getByRole('link', { name: /Tobias Skerritt/ }).click();
await wide.getByRole('heading', { name: 'Tobias Skerritt' }).waitFor();
await save(wide, 'person-wide');
await wide.goto(`${address}/people/table`);
await wide.getByRole('gridcell').first().waitFor();
await save(wide, 'table-wide');
await wide.goto(`${address}/companies?sort=new`);
await wide.getByRole('link', { name: /Skerry Fish Auctions/ }).click();
await wide.getByRole('heading', { name: 'Skerry Fish Auctions Ltd' }).waitFor();
await save(wide, 'company-wide');

await wide.goto(`${address}/pipeline`);
await wide
  .getByRole('button', { name: /^Take / })
  .first()
  .waitFor();
await save(wide, 'board-wide');
await roundOnMap(wide);

const dark = await desk(browser, { ...PHONE, colorScheme: 'dark' });
await doubtOpen(dark);
await save(dark, 'proof-dark');
await browser.close();

/** Today, somebody's messages, and one as it will go. */
async function followedUp(page: Page): Promise<void> {
  await page.goto(`${address}/today`);
  await page.getByText('Thursday at ten').waitFor();
  await save(page, 'today');
  await page.getByRole('link', { name: 'Open Tobias Skerritt' }).click();
  const messages = page.getByRole('region', { name: 'Messages' });
  await messages.getByText('Answer from').waitFor();
  await page.getByRole('region', { name: 'Follow-up' }).evaluate((part) => part.scrollIntoView());
  await save(page, 'messages');
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  await page.getByLabel('Template').selectOption('A second word');
  await page.getByText('Subject').waitFor();
  await page.getByRole('form').evaluate((part) => part.scrollIntoView());
  await save(page, 'write');
}

/** A card with a doubt, the doubt in focus. */
async function doubtOpen(page: Page): Promise<void> {
  await page.goto(`${address}/tray`);
  await page
    .getByRole('link', { name: /\d doubts?$/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Next doubt' }).click();
  await page.locator('[data-outline]').first().waitFor();
}

/** A round through people of the coast. */
async function roundOnMap(page: Page): Promise<void> {
  await page.goto(`${address}/people/map`);
  await page.getByLabel('Near which town').fill('aberde');
  await page.getByRole('button', { name: /^Aberdeen, SCT/ }).click();
  const stops = page.getByRole('button', { name: /^Make .* a stop$/ });
  // Every other one: whoever is a stop is no longer offered as one.
  for (let i = 0; i < 5; i++) await stops.nth(i).click();
  await page.getByRole('button', { name: 'Show all of it' }).click();
  await page.getByRole('button', { name: 'Near me' }).evaluate((button) => button.scrollIntoView());
  await save(page, 'map-wide');
}

/** A card of somebody who is filed already, with a new title; taken out of the tray again afterwards. */
async function knownPerson(page: Page): Promise<void> {
  const photoId = randomUUID();
  const bytes = readFileSync(join(root, 'demo/photos/larkspur.jpg')).toString('base64');
  const cardId = await page.evaluate(
    async ([id, picture]) => {
      const body = Uint8Array.from(atob(picture!), (c) => c.charCodeAt(0));
      await fetch(`/api/v1/photos/${id}?takenAt=${new Date().toISOString()}`, { method: 'PUT', body });
      for (;;) {
        const { items } = (await (await fetch('/api/v1/tray')).json()) as {
          items: { id: string; kind: string; photoId: string }[];
        };
        const card = items.find((item) => item.photoId === id && item.kind === 'card');
        if (card) return card.id;
        await new Promise((resolve) => setTimeout(resolve, 500));
      }
    },
    [photoId, bytes],
  );
  await page.goto(`${address}/proof/${cardId}`);
  await page.getByRole('textbox', { name: 'Title' }).fill('Head of Procurement');
  await page.getByRole('button', { name: 'Go on to file' }).click();
  await page.getByRole('radio', { name: /^Title: keep/ }).waitFor();
  await save(page, 'known-person');
  await page.evaluate(
    (id) =>
      fetch('/api/v1/cards', {
        method: 'PATCH',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ cardIds: [id], state: 'discarded' }),
      }),
    cardId,
  );
}
