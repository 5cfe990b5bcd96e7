import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { ProofCard } from '@dossier/contract';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { demoPhoto, expectAccessible, goTo, pickFiles, readTwice, signIn, textCard } from './desk';

const deskOf = (project: string) => `proof-${project}` as 'proof-phone' | 'proof-wide';
const field = (page: Page, name: string): Locator => page.getByRole('textbox', { name, exact: true });

/** What the card on the desk says; the next one is made ready out of sight. */
const shown = (page: Page, text: string | RegExp): Locator => page.getByText(text).filter({ visible: true });

/** Signs in, photographs cards and opens the first of them on the desk. */
async function openCard(page: Page, project: string, photo: string, name: RegExp): Promise<void> {
  await signIn(page, deskOf(project), '/photograph');
  await pickFiles(page, anew(photo));
  await goTo(page, 'Tray');
  await page.getByRole('link', { name }).first().click();
  await expect(page.getByRole('textbox', { name: /^Family name/ })).toBeVisible();
}

/** The same picture in a file that was never sent before. */
const anew = (photo: string) => ({
  name: `${photo}.jpg`,
  mimeType: 'image/jpeg',
  buffer: Buffer.concat([readFileSync(demoPhoto(photo)), randomBytes(8)]),
});

/** Lets the page see a card otherwise than the server has it: doubts and texts that no demo photograph has. */
const seeOtherwise = async (page: Page, change: (card: ProofCard) => void): Promise<void> => {
  await page.route(/\/api\/v1\/cards\/[0-9a-f-]{36}$/, async (route) => {
    if (route.request().method() !== 'GET') return route.fallback();
    const response = await route.fetch();
    const card = (await response.json()) as ProofCard;
    if (card.reading) change(card);
    await route.fulfill({ response, json: card });
  });
};

/** Done with the card: the tray is left as it was. */
async function remove(page: Page): Promise<void> {
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.getByRole('button', { name: 'Remove this card from the tray' }).click();
  await expect(page.getByText('Removed from the tray')).toBeVisible();
}

test('a doubt is settled by what the engine saw beside it, undone, done again, and outlives a reload', async ({
  page,
}, { project }) => {
  await seeOtherwise(page, (card) => {
    const family = card.proposals.find((p) => p.field === 'familyName')!;
    const { line, from } = family.sources[0]!;
    family.confidence = 0.5;
    family.value = family.value.replace('k', 'h');
    const characters = card.reading.lines[line]!.characters;
    const at = from + 1;
    characters[at] = {
      ...characters[at]!,
      text: 'h',
      probability: 0.55,
      alternatives: [{ text: 'k', probability: 0.4 }],
    };
  });
  await openCard(page, project.name, 'skerry', /Tobias Skerritt/);
  await expect(field(page, 'Family name, doubtful')).toHaveValue('Sherritt');
  await expect(page.locator('.doubt')).toHaveText('h');
  await page.getByRole('button', { name: 'Next doubt' }).click();
  await expect(page.locator('[data-outline]')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Make Family name “Skerritt”, k instead of h' }).click();
  await expect(field(page, 'Family name')).toHaveValue('Skerritt');
  await expect(shown(page, 'No doubts left')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(field(page, 'Family name, doubtful')).toHaveValue('Sherritt');
  await page.getByRole('button', { name: 'Do the undone again' }).click();
  await expect(field(page, 'Family name')).toHaveValue('Skerritt');
  await page.reload();
  await expect(field(page, 'Family name')).toHaveValue('Skerritt');
  await page.getByRole('button', { name: 'What the machine saw' }).click();
  await expect(page.getByRole('region', { name: 'What the machine saw' })).toContainText('settled by Nell Aster');
  await expectAccessible(page);
  await remove(page);
});

test('a repaired mailbox shows both readings, and what was not found at all is a doubt with its line', async ({
  page,
}, { project }) => {
  await signIn(page, deskOf(project.name), '/tray');
  const lines = ['Oldersund Wines Ltd', 'Isaac Xavierre', 'minding the long barrels', '020 7946 0812', 'eisaac.xavierre@oldersundwines.example']; // prettier-ignore
  await textCard(page, lines);
  await page
    .getByRole('link', { name: /Isaac Xavierre/ })
    .first()
    .click();
  await expect(field(page, 'E-mail, doubtful')).toHaveValue('isaac.xavierre@oldersundwines.example');
  await expect(shown(page, /Read as “eisaac.xavierre@oldersundwines.example”/)).toBeVisible();
  await expect(field(page, 'Title, doubtful')).toHaveValue('');
  await expect(shown(page, /“minding the long barrels” stands where a position does/)).toBeVisible();
  await expectAccessible(page);
  await field(page, 'Title, doubtful').focus();
  await page.getByRole('button', { name: /^Make Title “minding the long barrels”/ }).click();
  await expect(field(page, 'Title')).toHaveValue('minding the long barrels');
  await field(page, 'E-mail, doubtful').focus();
  await page.getByRole('button', { name: /^Make E-mail “eisaac.xavierre@oldersundwines.example”/ }).click();
  await expect(field(page, 'E-mail')).toHaveValue('eisaac.xavierre@oldersundwines.example');
  await page.reload();
  await expect(field(page, 'E-mail')).toHaveValue('eisaac.xavierre@oldersundwines.example');
  await remove(page);
});

test('letters after a name and a department are moved, names swapped, a text given its other case', async ({ page }, {
  project,
}) => {
  await openCard(page, project.name, 'skerry', /Tobias Skerritt/);
  await field(page, 'Family name').fill('Skerritt MBA');
  await page.getByRole('button', { name: 'Move “MBA” to After the name' }).click();
  await expect(field(page, 'Family name')).toHaveValue('Skerritt');
  await expect(field(page, 'After the name')).toHaveValue('MBA');
  await field(page, 'Title').fill('Auction Manager, Purchasing');
  await page.getByRole('button', { name: 'Move “Purchasing” to Department' }).click();
  await expect(field(page, 'Department')).toHaveValue('Purchasing');
  await field(page, 'Given name').focus();
  await page.getByRole('button', { name: 'Swap with Family name' }).click();
  await expect(field(page, 'Given name')).toHaveValue('Skerritt');
  await expect(field(page, 'Family name')).toHaveValue('Tobias');
  // Acts are offered for the field that one stands in.
  await field(page, 'Given name').focus();
  await page.getByRole('button', { name: 'Other case for Given name' }).click();
  await expect(field(page, 'Given name')).toHaveValue('SKERRITT');
  await page.getByRole('button', { name: 'Other case for Given name' }).click();
  await expect(field(page, 'Given name')).toHaveValue('Skerritt');

  // A number is set apart as it is typed, an impossible one told at once; an address comes apart when pasted.
  await field(page, 'Phone 1').fill('+44 16');
  await expect(page.getByText('This is too short for a phone number.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'File as typed' })).toBeVisible();
  await field(page, 'Phone 1').fill('01632 960555');
  await field(page, 'Title').focus();
  await expect(field(page, 'Phone 1')).toHaveValue('+44 1632 960555');
  await field(page, 'Phone 1').fill('01632 960555 x7');
  await field(page, 'Phone 2').focus();
  await expect(field(page, 'Phone 1')).toHaveValue('+44 1632 960555 ext. 7');
  await page.getByRole('button', { name: 'Put Phone 2 first' }).click();
  await expect(field(page, 'Phone 2')).toHaveValue('+44 1632 960555 ext. 7');
  await field(page, 'Street').evaluate((element) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', '12 Ferry Lane\nPort Ellery PE4 2CD\nUnited Kingdom');
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  });
  await expect(field(page, 'Street')).toHaveValue('12 Ferry Lane');
  await expect(field(page, 'Postcode')).toHaveValue('PE4 2CD');
  await remove(page);
});

test('a page that closes while the device is busy keeps the last letters', async ({ page }, { project }) => {
  await openCard(page, project.name, 'skerry', /Tobias Skerritt/);
  await expect(field(page, 'Title')).not.toBeEmpty();
  // Whatever is written from now on waits in line until the page is gone.
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('dossier');
        opening.onsuccess = () => {
          const drafts = opening.result.transaction('drafts', 'readwrite').objectStore('drafts');
          const hold = () => {
            drafts.count().onsuccess = hold;
            resolve();
          };
          hold();
        };
      }),
  );
  await page.route('**/api/v1/cards/*/draft', (route) => route.abort());
  await field(page, 'Title').fill('Keeper of the Cold');
  await page.reload();
  await expect(field(page, 'Title')).toHaveValue('Keeper of the Cold');
  // It has moved where the rest is kept.
  await expect
    .poll(() => page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('dossier.draft'))))
    .toEqual([]);
  await remove(page);
});

test('text is picked from the picture by a touch, a sweep, and read on the spot; a field of one’s own takes it', async ({
  page,
}, { project }) => {
  await openCard(page, project.name, 'skerry', /Tobias Skerritt/);
  const stage = (await page.locator('[data-stage]').boundingBox())!;
  // The word of a field leads to the field.
  await page.getByRole('img', { name: 'The card' }).waitFor();
  const name = await placeOf(page, 'Skerritt');
  await page.mouse.click(...name);
  await expect(field(page, 'Family name')).toBeFocused();
  await page.getByRole('button', { name: 'Leave out Family name' }).click();

  await page.getByRole('button', { name: 'Pick text' }).click();
  await field(page, 'Department').or(field(page, 'Title')).first().focus();
  const [x, y] = await placeOf(page, 'Manager');
  await page.mouse.move(x - 70, y - 14);
  await page.mouse.down();
  await page.mouse.move(x + 60, y + 14, { steps: 4 });
  await expect(page.locator('[data-sweep]')).toBeVisible();
  await page.mouse.up();
  const picked = page.getByRole('region', { name: 'Picked text' });
  await expect(picked).toContainText('Manager');
  await expectAccessible(page);
  await picked.getByRole('button', { name: /^Put into/ }).click();
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeEnabled();

  // Where no word is known, the part is read by the engine; an empty corner says so.
  await page.getByRole('button', { name: 'Move the picture' }).click();
  await page.getByRole('button', { name: 'Pick text' }).click();
  await page.mouse.move(stage.x + stage.width - 4, stage.y + 3);
  await page.mouse.down();
  await page.mouse.move(stage.x + stage.width - 40, stage.y + 16, { steps: 3 });
  await page.mouse.up();
  await expect(page.getByText('Nothing legible there.', { exact: false }).or(picked)).toBeVisible();

  await page.getByRole('button', { name: 'Add a field' }).click();
  await page.getByRole('group', { name: 'Add a field' }).getByRole('button', { name: 'Another field' }).click();
  await page.getByRole('button', { name: 'Social handle' }).click();
  await field(page, 'Social handle').fill('@skerryfish');
  await page.reload();
  await expect(field(page, 'Social handle')).toHaveValue('@skerryfish');
  await remove(page);
});

/** The picture glides when another field is in focus: waits until it lies still. */
const stillStage = (page: Page): Promise<unknown> =>
  page.evaluate(async () => {
    const frame = () => new Promise(requestAnimationFrame);
    await frame();
    await frame();
    await Promise.allSettled(document.getAnimations().map((animation) => animation.finished));
  });

/** Where a printed word is shown, from its place in the reading. */
async function placeOf(page: Page, word: string): Promise<[number, number]> {
  await stillStage(page);
  const id = page.url().split('/').pop()!;
  const { reading } = (await (await page.request.get(`/api/v1/cards/${id}`)).json()) as ProofCard;
  const line = reading.lines.find(({ text }) => text.includes(word))!;
  const at = line.text.indexOf(word) + word.length / 2;
  const along = line.characters[Math.floor(at)]!.at;
  const [a, b, c, d] = line.quad;
  const middle = (i: 0 | 1) => (a[i] + (b[i] - a[i]) * along + d[i] + (c[i] - d[i]) * along) / 2;
  const box = (await page.getByRole('img', { name: 'The card' }).boundingBox())!;
  return [box.x + (middle(0) / reading.width) * box.width, box.y + (middle(1) / reading.height) * box.height];
}

test('long names, names from right to left and thirty loose lines have their places', async ({ page }, { project }) => {
  const long = 'Wolfeschlegelsteinhausenbergerdorffwelchevoralternwaren';
  await seeOtherwise(page, (card) => {
    const [first] = card.reading.lines;
    card.proposals = [
      { field: 'givenName', value: 'יעל', sources: [], confidence: 0.9, reasons: [] },
      { field: 'familyName', value: long, sources: [], confidence: 0.9, reasons: [] },
    ];
    card.reading.lines = Array.from({ length: 30 }, (_, i) => ({ ...first!, text: `${first!.text} ${i + 1}` }));
  });
  await openCard(page, project.name, 'skerry', /Tobias Skerritt/);
  await expect(field(page, 'Family name')).toHaveValue(long);
  await expect(field(page, 'Given name')).toHaveAttribute('dir', 'auto');
  await expect(page.getByRole('button', { name: /^Give “.* to a field$/ })).toHaveCount(30);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  await expectAccessible(page);
  await remove(page);
});

test('a card whose picture was not kept is proved beside the lines that were read', async ({ page }, { project }) => {
  await seeOtherwise(page, (card) => (card.picture = false));
  await openCard(page, project.name, 'maple', /Priya Raman/);
  await expect(page.getByRole('group', { name: 'The text of the card' })).toContainText('Raman');
  await expect(page.getByRole('img', { name: 'The card' })).toHaveCount(0);
  await field(page, 'Family name').fill('Ramanujan');
  await expect(page.getByRole('button', { name: 'Pick text' })).toHaveCount(0);
  await page.reload();
  await expect(field(page, 'Family name')).toHaveValue('Ramanujan');
  await expectAccessible(page);
  await remove(page);
});

test('ten cards are filed one after the other by keyboard alone, the last filing is undone, clean ones go at a glance', async ({
  page,
}, { project }) => {
  test.skip(project.name !== 'wide', 'keys belong to the wide desk');
  const photos = ['ashgrove', 'bramble', 'crane', 'kestrel', 'larch', 'maple', 'peck', 'wren', 'quillan', 'tidewater', 'pollock', 'larkspur']; // prettier-ignore
  await signIn(page, deskOf(project.name), '/photograph');
  await pickFiles(page, photos.map(demoPhoto));
  await goTo(page, 'Tray');
  await expect(page.getByText(/^All \d+ photographs are read/)).toBeVisible();
  await readTwice(page);
  await page.getByRole('button', { name: /^Prove the cards one after another/ }).click();
  for (let card = 1; card <= 10; card++) {
    await expect(shown(page, `${card} of 12`)).toBeVisible();
    await expect(shown(page, /doubts? left|\d doubts?$/)).toBeVisible();
    while (await page.getByRole('button', { name: 'Next doubt' }).isVisible()) {
      await page.keyboard.press('Alt+KeyN');
      await page.keyboard.press('Alt+KeyR');
    }
    const url = page.url();
    await page.keyboard.press('Control+Enter');
    await expect(page).not.toHaveURL(url);
  }
  await expect(shown(page, '11 of 12')).toBeVisible();
  await page.getByRole('button', { name: 'Undo filing', exact: true }).click();
  await expect(shown(page, '10 of 12')).toBeVisible();
  // The desk that waits out of sight leaves touches to the one on top of it.
  await page.getByRole('button', { name: 'Skip to the next card' }).click();
  await expect(shown(page, '11 of 12')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the card before' }).click();
  await expect(shown(page, '10 of 12')).toBeVisible();
  await page.keyboard.press('Alt+KeyK');
  const keys = page.getByRole('dialog', { name: 'All keys' });
  await expect(keys.getByText('Go to the next doubt')).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(keys).toBeHidden();
  await page.goto('/clean');
  const rows = page.getByRole('checkbox');
  await expect(rows.first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^File (these \d+ cards|this card)$/ }).click();
  await expect(page.getByRole('button', { name: /^Undo filing/ })).toBeVisible();
  // What was held back so that it could be undone goes out by itself.
  await expect(page.getByRole('button', { name: /^Undo filing/ })).toBeHidden();
  await goTo(page, 'People');
  await expect(page.getByRole('link', { name: /Philippa Wren/ })).toBeVisible();
});

test('the sheet of clean cards waits until each was read a second time', async ({ page }, { project }) => {
  await signIn(page, deskOf(project.name), '/photograph');
  // The engine itself reads them: a second reading waits until all of them were read.
  await pickFiles(page, ['verger', 'glace', 'seagrain'].map(anew));
  await expect(page.getByText('all with Dossier, being read')).toBeVisible();
  await page.goto('/clean');
  await expect(page.getByText(/being read a second time, in another way/)).toBeVisible();
  await expectAccessible(page);
  await readTwice(page);
  const rows = page.getByRole('checkbox');
  await expect(rows.first()).toBeVisible();
  await expect(page.getByText(/being read a second time/)).toHaveCount(0);
  await goTo(page, 'Tray');
  await expect(page.getByText('no doubt so far')).toHaveCount(0);
});
