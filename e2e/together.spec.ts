import { expect, test, type Page } from '@playwright/test';
import { demoPhoto, expectAccessible, goTo, pickFiles, signIn } from './desk';
import { codeFrame, frames, installCamera, showToCamera } from './liveCamera';

test.beforeEach(({ page }, { project }) => test.skip(project.name !== 'phone' || !page, 'once is enough'));

const cards = (page: Page, name: RegExp) => page.getByRole('link', { name });

test('a colleague is asked for a second look, answers, and whoever asked hears of it', async ({ page, browser }) => {
  await signIn(page, 'together', '/photograph');
  await pickFiles(page, [demoPhoto('verger'), demoPhoto('glace')]);
  await goTo(page, 'Tray');
  const verger = cards(page, /Verger/).first();
  await expect(verger).toBeVisible();
  await page.getByRole('button', { name: 'Choose several' }).click();
  await page
    .getByRole('checkbox', { name: /Verger/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Second look' }).click();
  await page.getByRole('combobox', { name: 'Who looks' }).selectOption('Pim Aldous');
  await page.getByRole('textbox', { name: 'What is in doubt' }).fill('Is the direct number right?');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(page.getByText('asks Pim Aldous: “Is the direct number right?”', { exact: false })).toBeVisible();

  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'together-colleague');
  await expect(other.getByText('asks for your second look', { exact: false })).toBeVisible();
  await other.getByRole('combobox', { name: 'Cards shown' }).selectOption('For me to look at');
  await expect(other.getByRole('link', { name: /doubt/ })).toHaveCount(1);
  await other.getByRole('button', { name: 'Look', exact: true }).click();
  await other.getByRole('textbox', { name: 'Answer' }).fill('Yes, I rang it.');
  await expectAccessible(other);
  await other.getByRole('button', { name: 'I have looked' }).click();
  await expect(other.getByRole('button', { name: 'I have looked' })).toBeHidden();

  await expect(page.getByText('Pim Aldous has looked at', { exact: false })).toContainText('“Yes, I rang it.”');
  await page.getByRole('button', { name: 'Open the card' }).click();
  await expect(page.getByRole('textbox', { name: 'Family name' })).toBeVisible();
  await expect(page.getByText('Pim Aldous has looked at', { exact: false })).toBeHidden();
  await other.context().close();
});

test('several fronts and their backs in two pictures are matched by position and confirmed', async ({ page }) => {
  await installCamera(page);
  await signIn(page, 'together', '/photograph');
  await showToCamera(page, frames.card('pair'));
  await page.getByRole('button', { name: 'Take the photograph' }).click();
  await page.getByRole('button', { name: /^Now the back/ }).click();
  await page.getByRole('button', { name: 'Take the photograph' }).click();
  await goTo(page, 'Tray');
  await expect(page.getByText('2 fronts and 2 backs wait to be matched.')).toBeVisible();
  await page.getByRole('button', { name: 'Match them' }).click();
  await expect(page.getByRole('img', { name: 'Its back' })).toHaveCount(2);
  await expectAccessible(page);
  await page
    .getByRole('combobox', { name: /^Back of/ })
    .first()
    .selectOption('No back');
  await expect(page.getByText('This one stays a card of its own.')).toBeVisible();
  await page.getByRole('button', { name: 'Join this pair' }).click();
  await expect(page.getByText('wait to be matched', { exact: false })).toBeHidden();
});

test('chosen cards are read again as cards of another country', async ({ page }) => {
  await signIn(page, 'together', '/photograph');
  await page.getByRole('button', { name: 'Paste or type' }).click();
  await page
    .getByLabel('E-mail signature or any text')
    .fill('Solvei Aamodt\nHead of Purchasing\nAamodt Fruit\nTel. 0632 960 417');
  await page.getByRole('button', { name: 'Read this text' }).click();
  const phone = page.getByRole('textbox', { name: 'Phone' });
  await expect(phone).toBeVisible();
  await page.getByRole('link', { name: 'Back to the tray' }).click();
  await page.getByRole('button', { name: 'Choose several' }).click();
  await page.getByRole('checkbox', { name: /Solvei Aamodt/ }).click();
  await page.getByRole('button', { name: 'Read again' }).click();
  await page.getByRole('combobox', { name: 'Country of these cards' }).selectOption('Austria');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Read again' }).click();
  await expect(page.getByRole('toolbar', { name: 'Chosen cards' })).toBeHidden();
  await cards(page, /Solvei Aamodt/).click();
  await expect(phone).toHaveValue(/^\+43/);
});

test('a code before the camera becomes a card', async ({ page }) => {
  await installCamera(page);
  await signIn(page, 'together', '/photograph');
  await showToCamera(page, frames.table());
  await page.getByRole('button', { name: 'Scan a QR code' }).click();
  await expect(page.getByText('Hold the code before the camera')).toBeVisible();
  const person =
    'BEGIN:VCARD\nVERSION:3.0\nN:Lindqvist;Signe\nORG:Bramblewick Cold Store\nEMAIL:signe@bramblewick.example\nEND:VCARD';
  await showToCamera(page, codeFrame(person));
  await expect(page.getByText('Signe Lindqvist')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Put it in the tray' }).click();
  await expect(page.getByRole('textbox', { name: 'Family name' })).toHaveValue('Lindqvist');
  await expect(page.getByRole('textbox', { name: 'Company' })).toHaveValue('Bramblewick Cold Store');
});
