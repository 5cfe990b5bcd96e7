import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { CHROMIUM_FLAGS } from '@dossier/demo/chromium';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { brokenLine } from './brokenLine';
import { demoPhoto, expectAccessible, filePerson, signIn } from './desk';
import { frames, installCamera, pictureFrame, showToCamera } from './liveCamera';

// Two browsers on one machine that is in no network find each other by loopback.
test.use({ launchOptions: { executablePath: process.env.DOSSIER_CHROMIUM ?? '/usr/bin/chromium-headless-shell', args: [...CHROMIUM_FLAGS, '--allow-loopback-in-peer-connection'] } }); // prettier-ignore
test.describe.configure({ mode: 'serial' });

type Side = 'giving' | 'taking';

/** A browser of its own, over a line that can be broken: both then stand where no server is. */
async function device(browser: Browser, address: string, side: Side, project: string): Promise<Page> {
  const context = await browser.newContext({ baseURL: address, serviceWorkers: 'allow', permissions: ['camera', 'clipboard-read', 'clipboard-write'], viewport: test.info().project.use.viewport }); // prettier-ignore
  const page = await context.newPage();
  await installCamera(page);
  await signIn(page, `${side}-${project as 'phone' | 'wide'}`);
  await page.evaluate(() => navigator.serviceWorker.ready);
  // Kept from now on, what reads codes included.
  await Promise.all([page.waitForResponse(/zxing_reader\.wasm$/), page.goto('/between')]);
  await expect(page.getByRole('heading', { name: 'Device to device' })).toBeVisible();
  return page;
}

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click();
/** Within the page itself: what passes by above it can be closed too. */
const close = (page: Page) => page.getByRole('main').getByRole('button', { name: 'Close' }).click();
const code = (page: Page) => page.getByRole('img', { name: 'Code for the other device' });

/** The one device reads what the other one shows. */
async function read(by: Page, from: Page, how: 'camera' | 'text'): Promise<void> {
  await expect(code(from)).toBeVisible();
  if (how === 'camera') {
    // What was read before lies there no more.
    await showToCamera(by, frames.table());
    await press(by, 'Read it with the camera');
    await expect(by.getByText(/Hold the code/)).toBeVisible();
    await showToCamera(by, pictureFrame(await code(from).screenshot()));
  } else {
    await press(from, 'Copy as text');
    await expect(from.getByText('Copied.')).toBeVisible();
    await by.getByLabel('Or paste its text').fill(await from.evaluate(() => navigator.clipboard.readText()));
    await press(by, 'Use this text');
  }
}

/** Both are there, and somebody has compared what they show. */
async function meet(giver: Page, taker: Page, how: 'camera' | 'text'): Promise<void> {
  await read(taker, giver, how);
  await read(giver, taker, how);
  const shown = giver.getByLabel(/^Code \d/);
  await expect(shown).toBeVisible();
  await expect(taker.getByLabel(/^Code \d/)).toHaveText((await shown.textContent())!);
  await expectAccessible(giver);
  await expectAccessible(taker);
  await press(giver, 'It is the same: give');
}

async function fillDesk(page: Page): Promise<void> {
  const stamp = randomUUID().slice(0, 6);
  for (let i = 0; i < 30; i++)
    await filePerson(page, { givenName: `Given${i}`, familyName: `Between${stamp}`, emails: [`given${i}.${stamp}@quay.example`], company: 'Larkspur Foods' }); // prettier-ignore
  for (const name of ['ashgrove', 'bramble', 'peck'])
    await page.request.put(`/api/v1/photos/${randomUUID()}?takenAt=${new Date().toISOString()}`, { data: readFileSync(demoPhoto(name)), headers: { 'content-type': 'application/octet-stream' } }); // prettier-ignore
}

test('people and cards go from one device to another while no server is there, and a way that ends is gone on with', async ({
  browser,
  baseURL,
}, { project }) => {
  const line = await brokenLine(baseURL!, Infinity);
  const giver = await device(browser, line.address, 'giving', project.name);
  const taker = await device(browser, line.address, 'taking', project.name);
  await fillDesk(giver);
  await giver.goto('/people');
  await press(giver, 'Choose several');
  await press(giver, /^All \d/);
  await press(giver, 'Take out');
  await press(giver, 'To another device');
  await giver.waitForURL(/\/between/);
  await expect(giver.getByText('30 people', { exact: true })).toBeVisible();
  await giver.goto('/tray');
  for (const name of [/Callum Ashgrove/, /Adaeze Okonjo/, /Ronan Peckover/])
    await expect(giver.getByRole('link', { name })).toBeVisible();
  await press(giver, 'Choose several');
  await press(giver, 'All');
  await press(giver, 'To a device');
  await giver.waitForURL(/\/between/);
  await expect(giver.getByText('3 cards', { exact: true })).toBeVisible();
  await expectAccessible(giver);
  await taker.bringToFront();

  line.break();
  const how = project.name === 'phone' ? 'camera' : 'text';
  await press(giver, 'Give 30 people');
  await press(taker, 'Take from another device');
  await meet(giver, taker, how);
  await expect(taker.getByText('All of it has come: 30 people.', { exact: false })).toBeVisible();
  await expect(giver.getByText(/All of it is with Pim Aldous/)).toBeVisible();
  await close(giver);
  await close(taker);

  // The way ends in the midst of the pictures.
  await giver.evaluate(() => {
    const send = RTCDataChannel.prototype.send as (this: RTCDataChannel, data: string | ArrayBufferView) => void;
    let bytes = 0;
    RTCDataChannel.prototype.send = function (this: RTCDataChannel, data: string | ArrayBufferView) {
      if (typeof data !== 'string' && (bytes += data.byteLength) > 40_000) {
        RTCDataChannel.prototype.send = send as typeof RTCDataChannel.prototype.send;
        this.close();
      } else send.call(this, data);
    } as typeof RTCDataChannel.prototype.send;
  });
  await press(giver, 'Give 3 cards');
  await press(taker, 'Take from another device');
  await meet(giver, taker, 'text');
  await expect(taker.getByText(/The connection has ended/)).toBeVisible();
  await expect(giver.getByText(/The connection has ended/)).toBeVisible();
  // A page that is closed in between loses nothing of it either.
  await taker.goto('/between');
  await expect(taker.getByText(/[1-9]\d? % have come/)).toBeVisible();
  await press(giver, 'Connect again');
  await press(taker, 'Take from another device');
  await meet(giver, taker, how);
  await expect(taker.getByText('All of it has come: 3 cards.', { exact: false })).toBeVisible();
  await close(taker);
  await expect(taker.getByRole('button', { name: 'Look through 30 people' })).toBeVisible();
  await expectAccessible(taker);

  // Without a server people wait here, and cards with everything that waits to be sent.
  await press(taker, 'Look through 30 people');
  await expect(taker.getByText(/It stays on this device/)).toBeVisible();
  await press(taker, 'Put 3 cards into the tray');
  await expect(taker.getByRole('button', { name: /Put \d/ })).toBeHidden();
  line.mend();
  await taker.evaluate(() => window.dispatchEvent(new Event('online')));
  await press(taker, 'Look through 30 people');
  await taker.waitForURL(/\/bring-in\//);
  await expect(taker.getByText(/30 rows/).first()).toBeVisible();
  await taker.goto('/tray');
  for (const name of [/Callum Ashgrove/, /Adaeze Okonjo/, /Ronan Peckover/])
    await expect(taker.getByRole('link', { name })).toBeVisible();
  await giver.context().close();
  await taker.context().close();
  line.close();
});
