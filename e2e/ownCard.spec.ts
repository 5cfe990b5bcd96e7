import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import ICAL from 'ical.js';
import { demoPhoto, expectAccessible, filePerson, signIn } from './desk';
import { mailsTo, setMailUp } from './letterbox';

/** As somebody sends it who was too quick for the page: once more a moment later, until it is taken. */
async function sendForm(page: Page, button: string, next: string): Promise<void> {
  const [there, again] = [page.getByRole('heading', { name: next }), page.getByText('look at it once more')];
  await expect(async () => {
    await page.getByRole('button', { name: button }).click();
    await expect(there.or(again)).toBeVisible();
    if (await there.isVisible()) return;
    // A click leads to a new page each time: this one was seen.
    await page.evaluate(() => document.querySelector('[role=alert]')?.remove());
    throw new Error('It is asked for once more.');
  }).toPass({ intervals: [1_000] });
}

test('one’s own card goes out with one touch, and a visitor of its page is in the tray with what they ticked', async ({
  page,
  browser,
}, { project }) => {
  await signIn(page, project.name === 'phone' ? 'card-phone' : 'card-wide', '/settings/card');
  await setMailUp(page);
  await page.getByLabel('Title', { exact: true }).fill('Sales representative');
  await page.getByLabel('Mobile').fill('07700 900123');
  await page.getByLabel('A few words for everybody who gets it').fill('Doors that close by themselves.');
  await page.getByLabel('What they may agree to be written to about').fill('offers for cold-store doors');
  await page.getByRole('button', { name: 'Save card' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose a picture' }).click(),
  ]);
  await chooser.setFiles(demoPhoto('ashgrove'));
  await expect(page.getByRole('img', { name: 'You, as your card shows you' })).toBeVisible();
  await page.getByRole('button', { name: 'Make a page' }).click();
  const link = await page.getByLabel('Its link').inputValue();
  await expect(page.getByRole('img', { name: 'The link of your page as a QR code' })).toBeVisible();
  await expectAccessible(page);

  // A card is filed; one's own goes along with it.
  const to = `${randomUUID()}@asked.example`;
  // A code says all of it without a doubt.
  const text = `BEGIN:VCARD\nVERSION:3.0\nN:Askew;Nella;;;\nFN:Nella Askew\nORG:Askew Smokehouse\nEMAIL:${to}\nEND:VCARD`;
  const data = { kind: 'code', text, takenAt: new Date().toISOString() };
  expect((await page.request.put(`/api/v1/cards/${randomUUID()}/text`, { data })).ok()).toBe(true);
  await page.goto('/tray');
  await page.getByRole('button', { name: 'File Nella Askew' }).click();
  await page.getByRole('button', { name: 'Send my card' }).click();
  await expect(page.getByText('Your card goes too.')).toBeVisible();
  await expect.poll(async () => (await mailsTo(page, to)).length).toBe(1);
  const [mail] = await mailsTo(page, to);
  expect(mail!.subject).toContain('My details');
  expect(mail!.text).toContain(link.slice(link.indexOf('/card/')));
  const vcard = mail!.attachments.find(({ type }) => type === 'text/vcard')!.text!;
  const read = new ICAL.Component(ICAL.parse(vcard) as unknown[]);
  expect(read.getFirstPropertyValue('title')).toBe('Sales representative');
  expect(read.hasProperty('photo')).toBe(true);

  // Somebody without an account, at the page.
  const visitor = await (await browser.newContext({ viewport: page.viewportSize() })).newPage();
  await visitor.goto(link);
  await expect(visitor.getByText('Doors that close by themselves.')).toBeVisible();
  await expectAccessible(visitor);
  const familyName = `Quay${randomUUID().slice(0, 6)}`;
  await visitor.getByLabel('First name').fill('Tove');
  await visitor.getByLabel('Last name').fill(familyName);
  await visitor.getByRole('textbox', { name: 'E-mail' }).fill(`${familyName}@harrow.example`);
  await visitor.getByLabel(/may write to me by e-mail about: offers for cold-store doors/).check();
  await sendForm(visitor, 'Send', 'Thank you');
  await expectAccessible(visitor);
  await page.goto('/tray');
  await expect(page.getByText('They left it on your page.')).toBeVisible();
  await page
    .getByRole('link', { name: new RegExp(familyName) })
    .first()
    .click();
  await page.goto(page.url().replace('/proof/', '/file/'));
  await expect(page.getByText(/They ticked it on a page.*by e-mail, about offers for cold-store doors/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^File as/ }).click();
  await expect(page.getByRole('heading', { name: `Tove ${familyName}` })).toBeVisible();
  await expect(page.getByText(/ticked it on a page, noted by/)).toBeVisible();

  // The link is taken back.
  await page.goto('/settings/card');
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByRole('button', { name: 'Make a page' })).toBeVisible();
  await visitor.goto(link);
  await expect(visitor.getByRole('heading', { name: 'There is no card here' })).toBeVisible();
  await visitor.context().close();
});

test('two want the same time: one gets it, the other the next; it stops a plan, makes a task and an invitation', async ({
  page,
  browser,
}, { project }) => {
  await signIn(page, project.name === 'phone' ? 'card-phone' : 'card-wide', '/settings/talks');
  await setMailUp(page);
  await page.request.post('/api/v1/own-card/page');
  await page.reload();
  await page.getByRole('checkbox', { name: 'Others may book a talk with me' }).click();
  await page.getByLabel('Where you meet').fill('By phone, I call you');
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'])
    await page.getByLabel(day, { exact: true }).fill('9–17');
  await page.getByLabel('Hours before, at the latest').fill('0');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await expectAccessible(page);
  const path = (await page.getByRole('link', { name: 'See what others see' }).getAttribute('href'))!;

  // Somebody who is known and in a plan.
  const known = `${randomUUID()}@harrow.example`;
  const personId = await filePerson(page, { givenName: 'Tove', familyName: 'Harrow', emails: [known] });
  const planId = randomUUID();
  const steps = [{ id: randomUUID(), wait: { amount: 9, unit: 'days' }, act: { do: 'task', text: 'Ring' } }];
  const plan = { name: `Talks ${planId.slice(0, 6)}`, isOn: true, stopsAt: ['booked'], steps };
  expect((await page.request.put(`/api/v1/plans/${planId}`, { data: plan })).ok()).toBe(true);
  await page.request.post(`/api/v1/people/${personId}/plans`, { data: { planId } });

  const context = () => browser.newContext({ viewport: page.viewportSize(), timezoneId: 'America/St_Johns' });
  const visitors = [await (await context()).newPage(), await (await context()).newPage()] as const;
  for (const [i, visitor] of visitors.entries()) {
    await visitor.goto(path);
    await expect(visitor.getByLabel('Times in')).toHaveValue('America/St_Johns');
    if (i === 0) await expectAccessible(visitor);
    await visitor.locator('.times a').nth(5).click();
    await visitor.getByLabel('First name').fill(i === 0 ? 'Tove' : 'Unknown');
    await visitor.getByLabel('Last name').fill(i === 0 ? 'Harrow' : 'Visitor');
    await visitor.getByRole('textbox', { name: 'E-mail' }).fill(i === 0 ? known : `${randomUUID()}@elsewhere.example`);
  }
  await expectAccessible(visitors[0]);
  const chosen = (await visitors[0].getByRole('heading', { level: 1 }).textContent())!;
  expect(await visitors[1].getByRole('heading', { level: 1 }).textContent()).toBe(chosen);
  await sendForm(visitors[0], 'Book this time', 'It is booked');
  await expectAccessible(visitors[0]);
  await sendForm(visitors[1], 'Book this time', 'This time was taken a moment ago');
  await expectAccessible(visitors[1]);
  await expect(visitors[1].getByLabel('First name')).toHaveValue('Unknown');
  await sendForm(visitors[1], 'Book this time', 'It is booked');

  // An invitation that other programs read.
  await expect.poll(async () => (await mailsTo(page, known)).length).toBe(1);
  const [mail] = await mailsTo(page, known);
  const calendar = mail!.attachments.find(({ type }) => type === 'text/calendar')!.text!;
  const event = new ICAL.Component(ICAL.parse(calendar) as unknown[]).getFirstSubcomponent('vevent')!;
  expect(event.getFirstPropertyValue('location')).toBe('By phone, I call you');
  const file = join(tmpdir(), `${randomUUID()}.ics`);
  writeFileSync(file, calendar);
  const python = spawnSync('python3', ['-c', 'import sys, vobject; print(vobject.readOne(open(sys.argv[1], newline="").read()).vevent.status.value)', file], { encoding: 'utf8' }); // prettier-ignore
  // Debian's python3-vobject, where it is there.
  if (!/No module named/.test(python.stderr) && !python.error) expect(python.stdout.trim()).toBe('CONFIRMED');

  // The plan has ended, a task is there.
  await page.goto(`/people/${personId}`);
  await expect(page.getByText('Talk with Tove Harrow').first()).toBeVisible();
  const { items } = (await (await page.request.get(`/api/v1/people/${personId}/plans`)).json()) as { items: { status: string; ending: string }[] }; // prettier-ignore
  expect(items).toMatchObject([{ status: 'ended', ending: 'booked' }]);

  // Moved by its link, then called off.
  const talk = /(\/talk\/[\w-]+)/.exec(mail!.text)![1]!;
  await visitors[0].goto(talk);
  await visitors[0].getByRole('link', { name: 'Move it' }).click();
  await expectAccessible(visitors[0]);
  await visitors[0].locator('.times button').nth(8).click();
  await expect(visitors[0].getByRole('heading', { name: 'It is moved' })).toBeVisible();
  await visitors[0].goto(talk);
  await visitors[0].getByRole('link', { name: 'Call it off' }).click();
  await visitors[0].getByRole('button', { name: 'Call it off' }).click();
  await expect(visitors[0].getByRole('heading', { name: 'It is called off' })).toBeVisible();
  await expect.poll(async () => (await mailsTo(page, known)).length).toBe(3);
  await page.reload();
  await expect(page.getByText('The talk was called off').first()).toBeVisible();
  for (const visitor of visitors) await visitor.context().close();
});

test('a device is let in with a password of its own, and shut out', async ({ page }, { project }) => {
  await signIn(page, project.name === 'phone' ? 'card-phone' : 'card-wide', '/settings/books');
  await expect(page.getByText('There is none yet.')).toBeVisible();
  await page.getByLabel('Which device').fill('My phone');
  await page.getByRole('button', { name: 'Let it in' }).click();
  const told = page.getByRole('region', { name: 'How My phone signs in' });
  const words = await told.innerText();
  await expectAccessible(page);
  const password = /[a-z2-9]{5}(?:-[a-z2-9]{5}){3}/.exec(words)![0];
  const user = /\S+@keldermoss\.example/.exec(words)![0];
  const authorization = `Basic ${Buffer.from(`${user}:${password}`).toString('base64')}`;
  const books = () => page.request.fetch('/dav/books/', { method: 'PROPFIND', headers: { authorization, depth: '1' } });
  expect((await books()).status()).toBe(207);
  expect(await (await books()).text()).toContain('<D:displayname>Mine</D:displayname>');
  await page.reload();
  await expect(page.getByText(/last seen/)).toBeVisible();
  await expect(told).toBeHidden();
  await page.getByRole('button', { name: 'Shut out My phone' }).click();
  await expect(page.getByText('There is none yet.')).toBeVisible();
  expect((await books()).status()).toBe(401);
});
