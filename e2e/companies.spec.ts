import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, filePerson as file, goTo, signIn } from './desk';

const firms = (page: Page) => page.getByRole('list', { name: 'Companies' }).getByRole('link');

test('a firm is found by an old name, renamed, brought together with another and parted, and people are moved', async ({
  page,
}, { project }) => {
  const desk = project.name as 'phone' | 'wide';
  await signIn(page, `companies-${desk}`);
  const own = 'Skerrivore';
  await file(page, { givenName: 'Aldith', familyName: 'Marrow', title: 'Harbour master', company: `${own} Quays Ltd` });
  await file(page, { givenName: 'Benno', familyName: 'Tarrant', company: `${own} Quays Ltd`, locality: 'Port Ellery' });
  await file(page, { givenName: 'Cuthbert', familyName: 'Loach', company: `${own} Quay Services` });
  await page.goto('/people');
  await page.getByRole('link', { name: 'Companies' }).click();
  const search = page.getByRole('searchbox', { name: 'Find companies' });
  await search.fill(`${own} quay`);
  await expect(firms(page)).toHaveCount(2);
  await expectAccessible(page);
  await search.fill(`${own} quais`);
  await expect(firms(page)).toHaveText([/Quays Ltd.*2 people · Port Ellery/]);
  await search.focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: `${own} Quays Ltd` })).toBeVisible();
  await expect(page.getByRole('list', { name: 'People here' }).getByRole('listitem')).toHaveText([
    /Aldith Marrow.*Harbour master/,
    /Benno Tarrant/,
  ]);
  await expectAccessible(page);

  // Renamed: the old name goes on meaning it.
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('Name of the firm').fill(`${own} Docks Ltd`);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: `${own} Docks Ltd` })).toBeVisible();
  await expect(page.getByText(`Also ${own} Quays Ltd`, { exact: true })).toBeVisible();

  // Brought together with the other, and parted again.
  await page.getByRole('button', { name: 'Another firm is the same as this one' }).click();
  await page.getByLabel('Which firm is the same').fill(`${own} services`);
  await page.getByRole('button', { name: `${own} Quay Services is the same` }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Bring together' }).click();
  await expect(page.getByText('3 people here')).toBeVisible();
  await expect(page.getByText(`“${own} Quay Services” was brought together with “${own} Docks Ltd”.`)).toBeVisible();
  await page.getByRole('button', { name: 'Part again' }).click();
  await expect(page.getByText('2 people here')).toBeVisible();

  // One of them belongs to a firm that is not here yet.
  await page.getByRole('button', { name: 'Choose people of another firm' }).click();
  await page.getByRole('checkbox', { name: 'Benno Tarrant' }).click();
  await page.getByLabel('Their firm').fill(`${own} Marina`);
  await page.getByRole('button', { name: 'Move 1 person' }).click();
  await expect(page.getByRole('heading', { name: `${own} Marina` })).toBeVisible();
  await expect(page.getByText(`1 person came from “${own} Docks Ltd”.`)).toBeVisible();
  await page.getByLabel('Of this firm').fill('Ask for Benno at the gate.');
  await page.getByRole('button', { name: 'Add note' }).click();
  await expect(page.getByText('Ask for Benno at the gate.')).toBeVisible();

  // From somebody's dossier to their firm, and from an old name in the list.
  await page.getByRole('list', { name: 'People here' }).getByRole('link').click();
  await expect(page.getByRole('heading', { name: 'Benno Tarrant' })).toBeVisible();
  await page
    .getByRole('main')
    .getByRole('link', { name: `${own} Marina` })
    .click();
  await expect(page.getByRole('heading', { name: `${own} Marina` })).toBeVisible();
  await page.goto(`/companies?q=${own}+quays`);
  await expect(firms(page).first()).toHaveText(new RegExp(`${own} Docks Ltd.*also ${own} Quays Ltd`));
  await goTo(page, 'People');
  await expect(page.getByRole('searchbox', { name: 'Find people' })).toBeVisible();
});

test('firms go out as a table, are renamed and noted there, and come back after a look at what it does', async ({
  page,
}, { project }) => {
  await signIn(page, `companies-${project.name as 'phone' | 'wide'}`);
  const own = `Tidewrack${project.name}`;
  await file(page, { givenName: 'Dorrit', familyName: 'Shale', company: `${own} Ropes` });
  await page.goto(`/companies?q=${own}`);
  await page.getByRole('button', { name: 'As a spreadsheet' }).click();
  const [out] = await Promise.all([page.waitForEvent('download'), page.getByText('As CSV').click()]);
  const [head, row] = readFileSync(await out.path(), 'utf8')
    .trimEnd()
    .split('\r\n');
  expect(row).toContain(`${own} Ropes,,1,`);
  const changed = row!.replace(`${own} Ropes`, `${own} Cables`);
  const give = (text: string) => page.getByLabel('A table of companies').setInputFiles({ name: 'companies.csv', mimeType: 'text/csv', buffer: Buffer.from(text) }); // prettier-ignore
  await give('Name,E-mail\r\nA,B');
  await expect(page.getByRole('alert')).toContainText('This is no table of firms');
  await give([head, changed, `${own} Unknown`].join('\r\n'));
  const told = page.getByRole('region', { name: 'A table that came back' });
  await expect(told).toContainText('1 firm will be changed.');
  await expect(told).toContainText('A firm comes here with the people whose cards name it.');
  await expectAccessible(page);
  await told.getByRole('button', { name: 'Take it over' }).click();
  await expect(told).toContainText('1 firm was changed.');
  await expect(firms(page)).toHaveText([new RegExp(`${own} Cables`)]);
});
