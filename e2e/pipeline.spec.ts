import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { expectAccessible, filePerson, goTo, signIn } from './desk';

type Project = 'phone' | 'wide';
const desk = (project: string) => `pipeline-${project as Project}` as const;

interface Stage {
  id: string;
  name: string;
}
const get = async <T>(page: Page, path: string): Promise<T> => (await (await page.request.get(`/api/v1${path}`)).json()) as T; // prettier-ignore
const stagesOf = async (page: Page) => (await get<{ stages: Stage[] }>(page, '/pipeline-settings')).stages;
async function opportunity(page: Page, title: string, rest: object = {}): Promise<string> {
  const answer = await page.request.post('/api/v1/opportunities', { data: { title, currency: 'EUR', ...rest } });
  expect(answer.status()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
}
const column = (page: Page, name: string): Locator => page.getByRole('region', { name, exact: true });
const card = (within: Page | Locator, title: string): Locator =>
  within.getByRole('listitem').filter({ hasText: title });

test('a lead is qualified with a firm that is here and taken back; others are closed together with a reason', async ({
  page,
}, { project }) => {
  await signIn(page, desk(project.name));
  const mark = randomUUID().slice(0, 4);
  await filePerson(page, { givenName: 'Orla', familyName: 'Millrace', company: `Millrace Cold Stores ${mark}` });
  const lead = { givenName: 'Sunniva', familyName: `Sluice${mark}`, emails: [`s${mark}@sluice.example`] };
  const personId = await filePerson(page, lead, { kind: 'lead' });
  await goTo(page, 'Pipeline');
  await page.getByRole('link', { name: 'Leads', exact: true }).click();
  await expect(page.getByRole('listitem').filter({ hasText: `Sluice${mark}` })).toContainText(
    'Still to find out: a firm',
  );
  await expectAccessible(page);
  await page.getByRole('link', { name: new RegExp(`Sluice${mark}`) }).click();
  await expect(page.getByRole('heading', { name: `Sunniva Sluice${mark}` })).toBeVisible();
  await page.getByLabel('Rating').last().selectOption('Hot');
  await page.getByRole('button', { name: 'Qualify' }).click();
  const sheet = page.getByRole('region', { name: 'Qualify the lead' });
  await sheet.getByLabel('Firm').fill(`Millrace Cold Stores ${mark}`.slice(0, -2));
  await sheet.getByRole('button', { name: new RegExp(`Millrace Cold Stores ${mark}`) }).click();
  await sheet.getByLabel('What it is called').fill(`Doors ${mark}`);
  await sheet.getByLabel('Worth').fill('much');
  await sheet.getByLabel('What is to be done next').fill('Measure the doors');
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Make a contact' }).click();
  await expect(sheet.getByText('Write an amount such as 12,400 or 99.50.')).toBeVisible();
  await sheet.getByLabel('Worth').fill('12 400,50');
  await sheet.getByRole('button', { name: 'Make a contact' }).click();
  await expect(page.getByText(`Sunniva Sluice${mark} is a contact now.`)).toBeVisible();
  const { items } = await get<{ items: { id: string; value: number; company: { name: string } }[] }>(page, `/opportunities?personId=${personId}`); // prettier-ignore
  expect(items).toMatchObject([{ value: 12_400.5, company: { name: `Millrace Cold Stores ${mark}` } }]);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText(`Sunniva Sluice${mark} is a contact now.`)).toBeHidden();
  expect(await get(page, `/people/${personId}`)).toMatchObject({ kind: 'lead', rating: 'Hot', fields: { company: '' }, steps: [] }); // prettier-ignore
  expect(await get(page, `/opportunities?personId=${personId}`)).toMatchObject({ total: 0 });

  // Many at once, in the list of people, after a look at what it does.
  for (let i = 0; i < 2; i++) await filePerson(page, { familyName: `Weir${mark} ${i}` }, { kind: 'lead', tags: [`weir ${mark}`] }); // prettier-ignore
  await page.goto(`/people?lead=open&tag=weir+${mark}`);
  await page.getByRole('button', { name: 'Choose' }).click();
  for (const box of await page.getByRole('checkbox', { name: /Weir/ }).all()) await box.click();
  await page.getByRole('button', { name: /^Change/ }).click();
  await page.getByLabel('Close the leads').selectOption({ label: 'Close: No need' });
  await expect(page.getByText('2 people will be different.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Change 2 people' }).click();
  await expect(page.getByText('2 people changed.')).toBeVisible();
  expect(await get(page, `/people?tag=weir+${mark}&reason=No+need`)).toMatchObject({ total: 2 });
  await page.getByRole('button', { name: 'Undo for all' }).click();
  await expect(page.getByText('2 people are as before.')).toBeVisible();
});

test('one lead after the other is worked through, by keys, and closed', async ({ page }, { project }) => {
  test.skip(project.name !== 'wide', 'the keys of a desk');
  await signIn(page, 'pipeline-wide');
  const status = `Queue ${randomUUID().slice(0, 4)}`;
  const ids: string[] = [];
  for (const name of ['Aft', 'Bow', 'Cog']) ids.push(await filePerson(page, { familyName: name, emails: [`${name.toLowerCase()}@keel.example`] }, { kind: 'lead' })); // prettier-ignore
  await page.request.post('/api/v1/people/changes', { data: { who: { ids }, what: { status } } });
  await page.goto(`/pipeline/leads?status=${encodeURIComponent(status)}&sort=name`);
  await page.getByRole('link', { name: /Aft/ }).click();
  await expect(page.getByRole('heading', { name: 'Aft' })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'Bow' })).toBeVisible();
  await page.keyboard.press('c');
  await page.getByRole('region', { name: 'Close the lead' }).getByLabel('Why').selectOption('No answer');
  await page.getByRole('button', { name: 'Close the lead' }).click();
  await expect(page.getByRole('heading', { name: 'Cog' })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: '2 leads' })).toBeVisible();
  await page.keyboard.press('p');
  await expect(page.getByRole('heading', { name: 'Aft' })).toBeVisible();
  await page.goto(`/pipeline/leads/${ids[1]}`);
  await expect(page.getByText(/Closed today.*No answer/)).toBeVisible();
  await page.getByRole('button', { name: 'Open again' }).click();
  await expect(page.getByRole('button', { name: 'Qualify' })).toBeVisible();
});

test('business is carried from stage to stage by mouse and by keyboard; sums and history follow', async ({ page }, {
  project,
}) => {
  test.skip(project.name !== 'wide', 'stages stand beside each other on a wide screen');
  await page.emulateMedia({ colorScheme: 'dark' });
  await signIn(page, 'pipeline-wide');
  const [first, second, third] = await stagesOf(page);
  const tag = `board ${randomUUID().slice(0, 6)}`;
  const personId = await filePerson(page, { familyName: 'Bollard', company: `Bollard ${tag}` }, { tags: [tag] });
  const people = [{ personId, part: 'decides' }];
  const id = await opportunity(page, `Docks ${tag}`, { value: 1000, people });
  await opportunity(page, `Seals ${tag}`, { value: 500, people });
  await page.goto(`/pipeline?tag=${encodeURIComponent(tag)}`);
  await expect(column(page, first!.name)).toContainText('EUR 1,500');
  await expectAccessible(page);
  const from = (await card(page, `Docks ${tag}`).boundingBox())!;
  const to = (await column(page, second!.name).boundingBox())!;
  await page.mouse.move(from.x + 60, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 90, from.y + 40, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + 160, { steps: 10 });
  await page.mouse.up();
  await expect(card(column(page, second!.name), `Docks ${tag}`)).toBeVisible();
  await expect(column(page, second!.name)).toContainText('weighted EUR 300');
  await expect(column(page, first!.name)).toContainText('EUR 500');

  const handle = page.getByRole('button', { name: `Take Docks ${tag} along` });
  await handle.focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(`Over ${second!.name}`)).toBeAttached();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(`Over ${third!.name}`)).toBeAttached();
  await page.keyboard.press('Space');
  await expect(card(column(page, third!.name), `Docks ${tag}`)).toBeVisible();
  await expect(column(page, third!.name)).toContainText('weighted EUR 550');

  await page.getByRole('link', { name: `Open Docks ${tag}` }).click();
  const where = page.getByRole('main');
  for (const stage of [first, second, third]) await expect(where.getByRole('listitem').filter({ hasText: stage!.name })).toBeVisible(); // prettier-ignore
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Won' }).click();
  await page.getByRole('region', { name: 'Won' }).getByLabel('Why').selectOption('Service');
  await page.getByRole('button', { name: 'It is won' }).click();
  await expect(page.getByText(/^won today/)).toBeVisible();
  expect(await get(page, `/opportunities/${id}`)).toMatchObject({ state: 'won', endReason: 'Service' });
});

test('two people move the same at once: one is told who was faster, and sees it where it is', async ({
  page,
  browser,
}, { project }) => {
  await signIn(page, desk(project.name));
  const [first, second, third] = await stagesOf(page);
  const tag = `race ${randomUUID().slice(0, 6)}`;
  const personId = await filePerson(page, { familyName: 'Capstan' }, { tags: [tag] });
  const title = `Winch ${tag}`;
  const id = await opportunity(page, title, { value: 100, people: [{ personId, part: 'decides' }] });
  const address = `/pipeline?tag=${encodeURIComponent(tag)}`;
  await page.goto(address);
  await expect(card(column(page, first!.name), title)).toBeVisible();
  const other = await browser.newPage();
  await signIn(other, desk(project.name), '/today');
  const moved = await other.request.put(`/api/v1/opportunities/${id}/stage`, { data: { stageId: third!.id, version: 1 } }); // prettier-ignore
  expect(moved.status()).toBe(204);
  await page.getByLabel(`Stage of ${title}`).selectOption(second!.name);
  await expect(page.getByRole('alert').filter({ hasText: `moved this to “${third!.name}” in the meantime` })).toBeVisible(); // prettier-ignore
  await expect(card(column(page, third!.name), title)).toBeAttached();
  await expect(card(column(page, second!.name), title)).toHaveCount(0);
  await other.close();
});

test('on a phone one stage is seen at a time, and business is written down, changed and lost with a reason', async ({
  page,
}, { project }) => {
  test.skip(project.name !== 'phone', 'with a thumb');
  await signIn(page, 'pipeline-phone');
  const mark = randomUUID().slice(0, 4);
  const [first, second] = await stagesOf(page);
  await filePerson(page, { givenName: 'Orla', familyName: `Tiller${mark}`, company: `Tiller ${mark}` });
  await goTo(page, 'Pipeline');
  await page.getByRole('button', { name: 'New' }).or(page.getByRole('button', { name: 'Write one down' })).first().click(); // prettier-ignore
  await page.getByLabel('What it is called').fill(`Rudder ${mark}`);
  await page.getByLabel('Worth').fill('2500');
  await page.getByLabel('Firm').fill('Nowhere at all');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('alert')).toContainText('Choose a firm that is here');
  await page.getByLabel('Firm').fill(`Tiller ${mark}`);
  await page.getByRole('button', { name: new RegExp(`^Tiller ${mark}, `) }).click();
  await page.getByLabel('Somebody of it').fill(`Tiller${mark}`);
  await page.getByRole('button', { name: `Orla Tiller${mark}, Tiller ${mark}` }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('heading', { name: `Rudder ${mark}` })).toBeVisible();
  await expect(page.getByText('Decides')).toBeVisible();
  await page.getByLabel('Stage').selectOption(second!.name);
  await expect(page.getByRole('listitem').filter({ hasText: second!.name })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the board' }).click();
  // The next stage is drawn in from the side.
  await expect(column(page, first!.name)).toBeInViewport();
  await column(page, second!.name)
    .getByRole('link', { name: `Open Rudder ${mark}` })
    .scrollIntoViewIfNeeded();
  await expect(column(page, second!.name)).toBeInViewport({ ratio: 0.9 });
  await expectAccessible(page);
  await column(page, second!.name)
    .getByRole('link', { name: `Open Rudder ${mark}` })
    .click();
  await page.getByRole('button', { name: 'Lost' }).click();
  const end = page.getByRole('region', { name: 'Lost' });
  await expect(end.getByRole('button', { name: 'It is lost' })).toBeDisabled();
  await end.getByLabel('Why').selectOption('Put off');
  await end.getByRole('button', { name: 'It is lost' }).click();
  await expect(page.getByRole('button', { name: 'Open again' })).toBeVisible();
  await page.goto('/pipeline/list?state=lost');
  await expect(page.getByRole('listitem').filter({ hasText: `Rudder ${mark}` })).toContainText('Lost today');
});

test('business goes out as a table, is changed there, and comes back after a look at what it does', async ({ page }, {
  project,
}) => {
  test.skip(project.name !== 'wide', 'with a spreadsheet');
  await signIn(page, 'pipeline-wide');
  const mark = `Hull ${randomUUID().slice(0, 4)}`;
  const id = await opportunity(page, `${mark} doors`, { value: 100 });
  await page.goto(`/pipeline/list?q=${encodeURIComponent(mark)}`);
  await page.getByRole('button', { name: 'As a spreadsheet' }).click();
  const [out] = await Promise.all([page.waitForEvent('download'), page.getByText('As CSV').click()]);
  const csv = readFileSync(await out.path(), 'utf8');
  const changed = csv.replace(',100,', ',250,').trimEnd() + `\r\n${mark} seals,Nobody at all,40`;
  const give = (text: string) => page.getByLabel('A table of business').setInputFiles({ name: 'business.csv', mimeType: 'text/csv', buffer: Buffer.from(text) }); // prettier-ignore
  await give('Name,E-mail\r\nA,B');
  await expect(page.getByRole('alert')).toContainText('This is no table of business');
  await give(changed);
  const told = page.getByRole('region', { name: 'A table that came back' });
  await expect(told).toContainText('1 opportunity will be changed.');
  await expect(told).toContainText('1 opportunity will be new.');
  await expect(told).toContainText('No firm here is called “Nobody at all”.');
  await expectAccessible(page);
  expect(await get(page, `/opportunities/${id}`)).toMatchObject({ value: 100 });
  await told.getByRole('button', { name: 'Take it over' }).click();
  await expect(told).toContainText('1 opportunity was changed.');
  await expect(page.getByRole('listitem').filter({ hasText: `${mark} seals` })).toContainText('EUR 40');
  expect(await get(page, `/opportunities/${id}`)).toMatchObject({ value: 250 });
});

test('a figure tells its numbers exactly, has its table behind it, and opens the list that it counts', async ({
  page,
}, { project }) => {
  await signIn(page, desk(project.name));
  const occasionId = randomUUID();
  const name = `Quay fair ${occasionId.slice(0, 5)}`;
  expect((await page.request.put(`/api/v1/occasions/${occasionId}`, { data: { name, kind: 'lead' } })).ok()).toBe(true);
  for (const family of ['Luff', 'Reef', 'Tack']) {
    const cardId = randomUUID();
    const text = {
      kind: 'text',
      text: `Nora ${family}\n${family.toLowerCase()}@sail.example`,
      takenAt: new Date().toISOString(),
      occasionId,
    };
    expect((await page.request.put(`/api/v1/cards/${cardId}/text`, { data: text })).ok()).toBe(true);
    const data = {
      cardId,
      kind: 'lead',
      fields: { givenName: 'Nora', familyName: `${family}${occasionId.slice(0, 4)}` },
    };
    const filed = await page.request.post('/api/v1/people', { data, headers: { 'idempotency-key': randomUUID() } });
    expect(filed.ok()).toBe(true);
  }
  const { leads, people } = await get<{ leads: number; people: number }>(page, `/insight/occasions/${occasionId}`);
  await page.goto(`/pipeline/figures?q=occasion&occasion=${occasionId}`);
  const figure = page.getByRole('region', { name: 'What did it bring?' });
  const picture = figure.getByRole('group', { name: /^What it brought/ });
  await picture.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
  await expect(figure.getByRole('status')).toContainText(`Leads: ${leads}`);
  await expectAccessible(page);
  await figure.getByRole('button', { name: /^Table/ }).click();
  // On paper there is nothing that is only pressed, and all of it.
  await page.emulateMedia({ media: 'print' });
  await expect(figure.getByRole('button', { name: /^CSV/ })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  expect(await page.evaluate(() => document.body.clientHeight)).toBeGreaterThan(page.viewportSize()!.height);
  await page.emulateMedia({ media: null });
  const row = figure.getByRole('row').filter({ hasText: 'People filed' });
  await expect(row).toContainText(String(people));
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    figure.getByRole('button', { name: /^CSV/ }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('what-did-it-bring.csv');
  await row.getByRole('link', { name: String(people) }).click();
  await expect(page).toHaveURL(new RegExp(`occasion=${occasionId}`));
  await expect(page.getByText(`${people} people`)).toBeVisible();
  for (const question of ['speed', 'leads', 'reading', 'owed', 'coming']) {
    await page.goto(`/pipeline/figures?q=${question}`);
    await expect(page.getByRole('button', { name: /^CSV/ }).or(page.getByText('Nothing to count yet')).first()).toBeVisible(); // prettier-ignore
    await expectAccessible(page);
  }
  await page.goto('/pipeline/figures?q=leads');
  const far = page.getByRole('region', { name: 'How far do leads come?' });
  const [png] = await Promise.all([page.waitForEvent('download'), far.getByRole('button', { name: /^PNG/ }).click()]);
  expect(png.suggestedFilename()).toBe('how-far-do-leads-come.png');
  await far.getByRole('button', { name: /^Table/ }).click();
  const number = far.getByRole('row').nth(1).getByRole('link').first();
  const count = await number.innerText();
  await number.click();
  await expect(page.getByRole('status').filter({ hasText: new RegExp(`^${count} (?:person|people)$`) }).first()).toBeVisible(); // prettier-ignore
});
