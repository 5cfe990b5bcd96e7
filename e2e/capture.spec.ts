import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';
import { brokenLine } from './brokenLine';
import { demoPhoto, expectAccessible, goTo, pickFiles, signIn } from './desk';
import { frames, installCamera, showToCamera } from './liveCamera';

test.beforeEach(({ page }, { project }) => test.skip(project.name !== 'phone' || !page, 'photographed with a phone'));

const release = (page: Page) => page.getByRole('button', { name: 'Take the photograph' });
const cards = (page: Page, name: RegExp) => page.getByRole('link', { name });

test('releases by itself for each new card, once, under the occasion that is set', async ({ page }) => {
  await installCamera(page);
  await signIn(page, 'capture', '/photograph');
  await page.getByRole('button', { name: 'Set the occasion' }).click();
  await page.getByRole('button', { name: 'New occasion' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Fruit growers’ evening, Tarnmoor');
  await page.getByRole('button', { name: 'Tags, owner and more' }).click();
  await page.getByRole('textbox', { name: 'Tags' }).fill('orchards,');
  await page.getByRole('radio', { name: 'Leads' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Set this occasion' }).click();

  await showToCamera(page, frames.table());
  await page.getByRole('checkbox', { name: 'Take it for me when it is sharp' }).click();
  await expect(page.locator('[data-live-outline="none"]')).toBeAttached();
  await showToCamera(page, frames.card('skerry'));
  await expect(page.getByText('Picture safe', { exact: true })).toBeVisible();
  await expect(page.getByText('Taken. Lay down the next card.')).toBeVisible();
  await expectAccessible(page);
  await showToCamera(page, frames.card('kestrel'));
  await expect(page.getByText('2 pictures safe')).toBeVisible();

  await page.reload();
  await expect(page.getByRole('checkbox', { name: 'Take it for me when it is sharp' })).toBeChecked();
  await expect(page.getByRole('button', { name: /Fruit growers/ })).toBeVisible();
  await goTo(page, 'Tray');
  await cards(page, /Tobias Skerritt/).click();
  await page.getByRole('button', { name: 'Go on to file' }).click();
  await expect(page.getByRole('radio', { name: 'Lead' })).toBeChecked();
  await expect(page.getByRole('button', { name: 'Take the tag orchards off' })).toBeVisible();
});

test('says what would help: light, and a card to be seen', async ({ page }) => {
  await installCamera(page);
  await signIn(page, 'capture', '/photograph');
  await showToCamera(page, frames.dark('skerry'));
  await expect(page.getByText('Too dark.', { exact: false })).toBeVisible();
  await showToCamera(page, frames.table());
  await expect(page.getByText('No whole card seen yet.', { exact: false })).toBeVisible();
});

test('takes the back of the card before, retakes it, and joins the two', async ({ page }) => {
  await installCamera(page);
  await signIn(page, 'capture', '/photograph');
  await showToCamera(page, frames.card('larch'));
  await release(page).click();
  await page.getByRole('button', { name: /^Now the back/ }).click();
  await showToCamera(page, frames.card('table'));
  await release(page).click();
  await expect(page.getByText('2 pictures safe')).toBeVisible();
  await page.getByRole('button', { name: 'What to do with the last picture' }).click();
  await page.getByRole('button', { name: 'Retake' }).click();
  await showToCamera(page, frames.card('quillan'));
  await release(page).click();
  await expect(page.getByText('2 pictures safe')).toBeVisible();
  await goTo(page, 'Tray');
  await cards(page, /Larch/).click();
  await expect(page.getByText('Back of this card', { exact: true })).toBeVisible();
});

test('finds eight cards on a sheet, and borders are set right by hand', async ({ page }) => {
  const four = sharp(demoPhoto('table'));
  const { width = 0, height = 0 } = await four.metadata();
  const eight = await four
    .extend({ bottom: height, background: '#8f6b4a' })
    .composite([{ input: demoPhoto('table'), left: 0, top: height }])
    .jpeg()
    .toBuffer();
  expect(width).toBeGreaterThan(0);
  await signIn(page, 'capture', '/photograph');
  await pickFiles(page, { name: 'sheet.jpg', mimeType: 'image/jpeg', buffer: eight });
  await goTo(page, 'Tray');
  const marsh = cards(page, /Gideon Marsh/);
  await expect(marsh).toHaveCount(2);
  await expect(cards(page, /Yusuf Demirel|Wilfred Haddon|Desmond Pyke/)).toHaveCount(6);

  // One border is taken away, the card then found again by a border drawn by hand.
  await marsh.first().click();
  await page.getByRole('link', { name: 'Set the borders by hand' }).click();
  const border = page.getByRole('button', { name: 'Gideon Marsh' }).first();
  await border.focus();
  await expectAccessible(page);
  const corners = page.locator('[data-corner] circle:last-child');
  const places = await corners.evaluateAll((all) =>
    all.map((circle) => {
      const { x, y, width: w, height: h } = circle.getBoundingClientRect();
      return [x + w / 2, y + h / 2] as const;
    }),
  );
  await page.getByRole('button', { name: 'Remove' }).click();
  await page.getByRole('button', { name: 'Save the borders' }).click();
  await expect(marsh).toHaveCount(1);

  await marsh.click();
  await page.getByRole('link', { name: 'Set the borders by hand' }).click();
  await page.getByRole('button', { name: 'Add a border' }).click();
  for (const [corner, [x, y]] of places.entries()) {
    const handle = (await corners.nth(corner).boundingBox())!;
    await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
    await page.mouse.down();
    await page.mouse.move(x, y, { steps: 4 });
    await expect(page.locator('[data-magnifier]')).toBeVisible();
    await page.mouse.up();
  }
  await page.getByRole('button', { name: 'Read 1 card' }).click();
  await expect(marsh).toHaveCount(2);
});

test('a border is moved by keyboard, and is as it was left when somebody comes back to it', async ({ page }) => {
  await signIn(page, 'capture', '/photograph');
  await pickFiles(page, [demoPhoto('pollock')]);
  await goTo(page, 'Tray');
  await cards(page, /Pollock/)
    .first()
    .click();
  await page.getByRole('link', { name: 'Set the borders by hand' }).click();
  await page.getByRole('button', { name: /Pollock/ }).focus();
  // The corners come right behind their border.
  await page.keyboard.press('Tab');
  await expect(page.locator('[data-corner="0"]')).toBeFocused();
  const place = () => page.locator('[data-corner="0"] circle').last().getAttribute('cx');
  const before = Number(await place());
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  const moved = Number(await place());
  expect(moved).toBeGreaterThan(before);
  await page.getByRole('main').getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: 'Set the borders by hand' }).click();
  await page.getByRole('button', { name: /Pollock/ }).focus();
  expect(Number(await place())).toBe(moved);
  await expect(page.getByRole('button', { name: 'Save and read 1 card' })).toBeEnabled();
});

test('a picture just taken leads to its card, and two presses at once take one', async ({ page }) => {
  await installCamera(page);
  await signIn(page, 'capture', '/photograph');
  await showToCamera(page, frames.card('seagrain'));
  await release(page).evaluate((button: HTMLElement) => {
    button.click();
    button.click();
  });
  await expect(page.getByText('Picture safe')).toBeVisible();
  const shots = page.getByRole('list', { name: 'The last pictures' });
  await expect(shots.getByRole('button')).toHaveCount(1);
  await expect(shots.getByRole('button', { name: 'read: prove it' })).toBeVisible();
  await expectAccessible(page);
  await shots.getByRole('button').click();
  await expect(page).toHaveURL(/\/proof\//);
  await expect(page.getByRole('textbox', { name: 'Family name' })).not.toHaveValue('');
});

test('reads pasted text as a card, and several cards are set aside together and brought back', async ({ page }) => {
  await signIn(page, 'capture', '/photograph');
  for (const name of ['Ingrid Halvorsen', 'Sefa Brack']) {
    await page.getByRole('button', { name: 'Paste or type' }).click();
    await page
      .getByLabel('E-mail signature or any text')
      .fill(`Best regards\n${name}\nHead of Purchasing\nTarn Valley Dairies Ltd\nT +44 1632 960417`);
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Read this text' }).click();
    await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Head of Purchasing');
    await expectAccessible(page);
    await page.goto('/photograph');
  }
  await goTo(page, 'Tray');
  await page.getByRole('button', { name: 'Choose several' }).click();
  await page.getByRole('checkbox', { name: /Ingrid Halvorsen/ }).click();
  await page.getByRole('checkbox', { name: /Sefa Brack/ }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Set aside' }).click();
  await expect(cards(page, /Sefa Brack.*set aside/)).toBeVisible();
  await page.getByRole('combobox', { name: 'Cards shown' }).selectOption('Set aside');
  await expect(page.getByRole('link', { name: /set aside/ })).toHaveCount(2);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('No such card')).toBeVisible();
});

test('keeps everything without a network, through a closed page, and sends it once', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'allow', permissions: ['camera'] });
  const page = await context.newPage();
  await installCamera(page);
  await signIn(page, 'offline', '/photograph');
  await page.evaluate(() => navigator.serviceWorker.ready);
  // From now on answers are kept by the service worker: what was seen can be seen again.
  await page.goto('/tray');
  await expect(page.getByText('The tray is empty')).toBeVisible();
  await goTo(page, 'Photograph');
  await expect(release(page)).toBeVisible();

  await context.setOffline(true);
  for (const name of ['ashgrove', 'bramble', 'peck']) {
    await showToCamera(page, frames.card(name));
    await release(page).click();
  }
  await expect(page.getByText('3 still on this device')).toBeVisible();
  await page.getByRole('button', { name: 'Set the occasion' }).click();
  await page.getByRole('button', { name: 'New occasion' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Walk-ins');
  await page.getByRole('button', { name: 'Set this occasion' }).click();
  await expect(page.getByRole('button', { name: /Walk-ins/ })).toBeVisible();
  await page.close();

  const again = await context.newPage();
  await again.goto('/tray');
  await expect(again.getByText('Occasion “Walk-ins”')).toBeVisible();
  await expect(again.getByRole('region', { name: 'On this device' }).getByText('A new photograph')).toHaveCount(3);
  await context.setOffline(false);
  await again.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(again.getByRole('region', { name: 'On this device' })).toBeHidden();
  for (const name of [/Callum Ashgrove/, /Adaeze Okonjo/, /Ronan Peckover/])
    await expect(cards(again, name)).toHaveCount(1);
  await again.goto('/settings/occasions');
  await expect(again.getByRole('button', { name: 'Change Walk-ins' })).toBeVisible();
  await context.close();
});

test('goes on with a photograph from where the line broke', async ({ browser, baseURL }) => {
  const line = await brokenLine(baseURL!, 60_000);
  const context = await browser.newContext({ baseURL: line.address, permissions: ['camera'], serviceWorkers: 'block' });
  const page = await context.newPage();
  await installCamera(page);
  await signIn(page, 'capture', '/photograph');
  await showToCamera(page, frames.card('verger'));
  await release(page).click();
  await line.standsStill;
  const broke = page.waitForEvent('requestfailed', (request) => request.method() === 'PUT');
  line.break();
  await broke;
  const rest = page.waitForRequest((request) => request.method() === 'PUT' && 'content-range' in request.headers());
  line.mend();
  expect((await rest).headers()['content-range']).toMatch(/^bytes [1-9]\d*-/);
  await goTo(page, 'Tray');
  await expect(cards(page, /Vasseur/)).toHaveCount(1);
  await context.close();
  line.close();
});

test('files a card without a network, and the person is there afterwards', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'allow' });
  const page = await context.newPage();
  await signIn(page, 'offline', '/tray');
  await cards(page, /Callum Ashgrove/).click();
  await expect(page.getByRole('textbox', { name: 'Family name' })).toHaveValue('Ashgrove');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.getByRole('button', { name: 'Go on to file' }).click();
  await expect(page.getByText('This will be somebody new.')).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'File as contact' }).click();
  await expect(page.getByText('File Callum Ashgrove')).toBeVisible();
  await expect(cards(page, /Callum Ashgrove/)).toHaveCount(0);
  await context.setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByText('File Callum Ashgrove')).toBeHidden();
  await goTo(page, 'People');
  await expect(cards(page, /Callum Ashgrove/)).toHaveCount(1);
  await context.close();
});

test('two tabs take photographs at once, and each arrives once', async ({ context }) => {
  const pages = [await context.newPage(), await context.newPage()];
  for (const [i, page] of pages.entries()) {
    await installCamera(page);
    if (i === 0) await signIn(page, 'capture', '/photograph');
    else await page.goto('/photograph');
  }
  await Promise.all(
    pages.map(async (page, i) => {
      await showToCamera(page, frames.card(i === 0 ? 'wren' : 'stanton'));
      await release(page).click();
      await expect(page.getByText('all with Dossier, being read')).toBeVisible();
    }),
  );
  await goTo(pages[0]!, 'Tray');
  for (const name of [/Wren/, /Stanton/]) await expect(cards(pages[0]!, name)).toHaveCount(1);
});
