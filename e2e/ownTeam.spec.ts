import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, goTo } from './desk';

/** A server of its own, on which nobody is yet: reached by http and by https, by loopback and by another address. */
const { code, port, httpsPort, outside } = JSON.parse(process.env.DOSSIER_E2E_EMPTY!) as {
  code: string;
  port: number;
  httpsPort: number;
  /** An address of this machine that is not loopback. */
  outside: string;
};
const inside = `http://127.0.0.1:${port}`;
const overHttps = `https://${outside}:${httpsPort}`;

test.use({ ignoreHTTPSErrors: true });
test.describe.configure({ mode: 'serial' });
test.beforeEach(({ page }, { project }) => test.skip(project.name !== 'phone' || !page, 'a team begins once'));

const fill = async (page: Page, fields: Record<string, string>) => {
  for (const [label, value] of Object.entries(fields)) await page.getByLabel(label, { exact: true }).fill(value);
};
const press = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click();

const ADMIN = { 'E-mail': 'wilhelmina@ropeworks.example', Password: 'hemp and jute' };
let invitation = '';

test('a team begins where nobody is, with the code from the terminal', async ({ page }) => {
  await page.goto(inside);
  await expect(page.getByRole('heading', { name: 'Begin your team' })).toBeVisible();
  await expectAccessible(page);
  await press(page, 'Begin');
  await expect(page.getByText('Write the code that the terminal shows.')).toBeVisible();
  await fill(page, { 'Team or firm': 'Tarnmoor Rope Works', 'Your name': 'Wilhelmina Ashdown', ...ADMIN });
  await fill(page, { 'Code from the terminal': 'AAAA-BBBB-CCCC' });
  await press(page, 'Begin');
  await expect(page.getByText('This is not the code that the terminal shows.')).toBeVisible();
  await fill(page, { 'Code from the terminal': code.toLowerCase() });
  await press(page, 'Begin');
  await expect(page.getByText('The tray is empty')).toBeVisible();
});

test('a sample card goes the whole way: read, proved, filed', async ({ page }) => {
  await page.goto(`${inside}/tray`);
  await fill(page, ADMIN);
  await press(page, 'Sign in');
  await press(page, 'Try a sample card');
  await expect(page.getByRole('heading', { name: 'A sample card' })).toBeVisible();
  await expectAccessible(page);
  await press(page, 'Use this card');
  await page.getByRole('link', { name: /Tobias Skerritt/ }).click();
  await page.getByRole('button', { name: /^File/ }).first().click();
  await expect(page.getByText('The tray is empty')).toBeVisible();
  await goTo(page, 'People');
  await expect(page.getByRole('link', { name: /Tobias Skerritt/ })).toBeVisible();
});

test('a colleague is invited by a link that is good once, and comes in over https from another machine', async ({
  page,
  browser,
}) => {
  await page.goto(`${inside}/settings/colleagues`);
  await fill(page, ADMIN);
  await press(page, 'Sign in');
  await expect(page.getByText('You are alone here.')).toBeVisible();
  await press(page, 'Invite a colleague');
  await fill(page, { Name: 'Corwin Vale', 'E-mail': 'corwin@ropeworks.example' });
  await press(page, 'Make the link');
  const link = page.getByRole('group', { name: 'Link for Corwin Vale' });
  await expect(link).toBeVisible();
  await expectAccessible(page);
  invitation = (await link.getByText(/\/join#/).textContent())!.replace(inside, overHttps);

  const phone = await (await browser.newContext({ ignoreHTTPSErrors: true, viewport: page.viewportSize() })).newPage();
  await phone.goto(invitation);
  await expect(phone.getByRole('heading', { name: 'Join Tarnmoor Rope Works' })).toBeVisible();
  await expectAccessible(phone);
  await fill(phone, { Password: 'short' });
  await press(phone, 'Join');
  await expect(phone.getByText('Use at least ten characters')).toBeVisible();
  await fill(phone, { Password: 'tarred and twisted' });
  await press(phone, 'Join');
  await expect(phone.getByRole('heading', { name: 'Tray' })).toBeVisible();

  // The camera is given here, over another address than loopback.
  expect(await phone.evaluate(() => globalThis.isSecureContext)).toBe(true);
  await phone.context().grantPermissions(['camera'], { origin: overHttps });
  await goTo(phone, 'Photograph');
  await expect(phone.getByRole('button', { name: 'Take the photograph' })).toBeVisible();
  await phone.context().close();

  const late = await (await browser.newContext({ ignoreHTTPSErrors: true })).newPage();
  await late.goto(invitation);
  await expect(late.getByRole('heading', { name: 'This link has ended' })).toBeVisible();
  await late.context().close();
});

test('where the browser forbids the camera for want of https, the page says where it is given', async ({ page }) => {
  await page.goto(`http://${outside}:${port}/photograph`);
  await fill(page, ADMIN);
  await press(page, 'Sign in');
  await expect(page.getByText('The camera needs https')).toBeVisible();
  await expect(page.getByRole('link', { name: `${overHttps}/photograph` })).toBeVisible();
});

test('settings by keyboard: a password is changed, and a colleague leaves', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${inside}/settings`);
  await page.getByLabel('E-mail').focus();
  await page.keyboard.type(ADMIN['E-mail']);
  await page.keyboard.press('Tab');
  await page.keyboard.type(ADMIN.Password);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'You', exact: true })).toBeVisible();

  const tabTo = async (role: 'link' | 'button' | 'combobox', name: string) => {
    const wanted = page.getByRole(role, { name, exact: true });
    await wanted.waitFor();
    for (let i = 0; i < 60; i++) {
      if (await wanted.evaluate((element) => element === document.activeElement)) return;
      await page.keyboard.press('Tab');
    }
    throw new Error(`${role} ${name} cannot be reached with Tab.`);
  };
  await tabTo('button', 'Change password');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Password now')).toBeFocused();
  await page.keyboard.type(ADMIN.Password);
  await page.keyboard.press('Tab');
  await page.keyboard.type('sisal and coir');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Your password is changed.')).toBeVisible();
  ADMIN.Password = 'sisal and coir';

  await tabTo('link', 'Colleagues');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Colleagues' })).toBeVisible();
  await expectAccessible(page);
  await tabTo('button', 'Take Corwin Vale out of use');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Take Corwin Vale out of use' })).toBeVisible();
  await tabTo('button', 'Take out of use');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Out of use' }).getByText('Corwin Vale')).toBeVisible();
});
