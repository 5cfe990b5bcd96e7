import { expect, test } from '@playwright/test';
import { demoPhoto, goTo, pickFiles, signIn } from './desk';

test.beforeEach(({ page }, { project }) => test.skip(project.name !== 'phone' || !page, 'once is enough'));

test('a wrong password is told in plain words', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('E-mail').fill('trouble@keldermoss.example');
  await page.getByLabel('Password').fill('wrong');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('The e-mail address or the password is not right.');
});

test('a refused camera offers files instead', async ({ page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  await signIn(page, 'trouble', '/photograph');
  await expect(page.getByText('The camera is not allowed')).toBeVisible();
  await pickFiles(page, demoPhoto('ashgrove'));
  await goTo(page, 'Tray');
  await expect(page.getByRole('link', { name: /Callum Ashgrove/ })).toBeVisible();
});

test('files that cannot be read are named, the others are kept', async ({ page }) => {
  await signIn(page, 'trouble', '/photograph');
  await pickFiles(page, [
    { name: 'letter.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('Dear Sir or Madam') },
    { name: 'huge.png', mimeType: 'image/png', buffer: Buffer.alloc(16 * 1024 * 1024) },
  ]);
  await expect(page.getByText('letter.jpg is not a picture that can be read.', { exact: false })).toBeVisible();
  await expect(page.getByText('huge.png is larger than 15 MB.', { exact: false })).toBeVisible();
});

test('a photograph outlives a lost server and a reload, and arrives once', async ({ page }) => {
  await signIn(page, 'trouble', '/photograph');
  await page.route('**/api/v1/photos/**', (route) => route.abort());
  await pickFiles(page, demoPhoto('wren'));
  await expect(page.getByText('1 still on this device')).toBeVisible();
  await page.reload();
  await goTo(page, 'Tray');
  await expect(page.getByText('sent as soon as Dossier can be reached', { exact: false })).toBeVisible();
  await page.unroute('**/api/v1/photos/**');
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByRole('link', { name: /Philippa Wren/ })).toHaveCount(1);
  await expect(page.getByText('sent as soon as Dossier can be reached', { exact: false })).toHaveCount(0);
});

test('a picture without a card waits for a person, with its picture', async ({ page }) => {
  await signIn(page, 'trouble', '/photograph');
  const plain = await page.evaluate(async () => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 640, height: 480 });
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#8a9ba8';
    context.fillRect(0, 0, 640, 480);
    return canvas.toDataURL('image/png').split(',')[1]!;
  });
  await pickFiles(page, { name: 'table.png', mimeType: 'image/png', buffer: Buffer.from(plain, 'base64') });
  await goTo(page, 'Tray');
  await page.getByRole('link', { name: /to type in/ }).click();
  await expect(page.getByText('Nothing could be read here. Write what the picture shows.')).toBeVisible();
  await expect(page.getByRole('img', { name: 'The card' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove this card from the tray' }).click();
  await expect(page.getByText('Removed from the tray')).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByText('Nothing could be read here. Write what the picture shows.')).toBeVisible();
});
