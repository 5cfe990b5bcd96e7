import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import ExcelJS from 'exceljs';
import { expectAccessible, filePerson as file, signIn } from './desk';

const rows = (page: Page) => page.getByRole('list', { name: 'People' }).getByRole('link');
const pick = (page: Page, name: string, buffer: Buffer) =>
  page.getByLabel('File of people').setInputFiles({ name, mimeType: 'application/octet-stream', buffer });

/** Takes out what the list shows and gives the file. */
async function takenOut(page: Page, kind: string): Promise<Buffer> {
  await page.getByRole('button', { name: 'Take out as a file' }).click();
  await page.getByRole('radio', { name: kind }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take out', exact: true }).click();
  const path = await (await download).path();
  await expect(page.getByText(/taken out: people-/)).toBeVisible();
  return readFileSync(path);
}

test('a workbook is taken out, changed, and brought back with a conflict', async ({ page }, { project }) => {
  await signIn(page, `files-${project.name as 'phone' | 'wide'}`);
  const id = await file(page, {
    givenName: 'Nella',
    familyName: 'Harrowfield',
    title: 'Buyer',
    company: 'Quay Creamery',
  });
  await file(page, { givenName: 'Idris', familyName: 'Sealthwaite', title: 'Owner', company: 'Quay Creamery' });
  await page.goto('/people');
  await expect(rows(page)).toHaveCount(2);
  await page.getByRole('button', { name: 'Take out as a file' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Close' }).click();
  const book = new ExcelJS.Workbook();
  await book.xlsx.load((await takenOut(page, 'Spreadsheet')) as unknown as ExcelJS.Buffer);

  const sheet = book.getWorksheet('People')!;
  const heads = sheet.getRow(1).values as string[];
  const cell = (row: number, header: string) => sheet.getRow(row).getCell(heads.indexOf(header));
  cell(2, 'Title').value = 'Head buyer';
  cell(3, 'Department').value = 'Dispatch';
  const { version, fields } = await (await page.request.get(`/api/v1/people/${id}`)).json();
  const edit = { version, fields: { ...fields, title: 'Chief buyer' }, kind: 'contact', tags: [], rating: null };
  expect((await page.request.put(`/api/v1/people/${id}`, { data: edit })).status()).toBe(204);

  await page.goto('/bring-in');
  await expect(page.getByRole('heading', { name: 'Bring in' })).toBeVisible();
  await expectAccessible(page);
  await pick(page, 'people.xlsx', Buffer.from(await book.xlsx.writeBuffer()));
  await expect(page.getByRole('heading', { name: 'people.xlsx' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Bring them in' }).click();
  await expect(page.getByText('1 row changed here as well')).toBeVisible();
  await expect(page.getByText('Here “Chief buyer”, in the file “Head buyer”')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'take what the file says' }).click();
  await expect(page.getByText('Here “Chief buyer”')).toBeHidden();
  await page.goto(`/people/${id}`);
  await expect(page.getByText('Head buyer').first()).toBeVisible();
});

test('a hostile table is brought in as it is written, after a look at it, and taken back', async ({ page }, {
  project,
}) => {
  await signIn(page, `files-${project.name as 'phone' | 'wide'}`);
  await page.goto('/bring-in');
  await pick(page, 'picture.png', Buffer.from('\x89PNG\r\n\x1a\n\0\0\0'));
  await expect(page.getByText('This is no file of people.')).toBeVisible();
  const csv = 'First name;Last name;Company;E-mail;Shoe size\r\n"=HYPERLINK(""http://evil.example"")";"<img src=x onerror=alert(1)>";@SUM(A1);evil@tarn.example;44\r\n;;;;9\r\n'; // prettier-ignore
  await pick(page, 'hostile.csv', Buffer.from(csv));
  await expect(page.getByRole('combobox', { name: 'First name is' })).toHaveValue('givenName');
  await expect(page.getByRole('combobox', { name: 'Shoe size is' })).toHaveValue('');
  await page.getByRole('combobox', { name: 'Shoe size is' }).selectOption({ label: 'Field of its own' });
  await expect(page.getByText('=HYPERLINK("http://evil.example") <img src=x onerror=alert(1)>').first()).toBeVisible();
  await page.getByRole('button', { name: 'Look what would happen' }).click();
  await expect(page.getByText('1 person new')).toBeVisible();
  await expect(page.getByText('1 row of nobody')).toBeVisible();
  await page.getByRole('button', { name: 'Bring them in' }).click();
  await expect(page.getByText('Brought in.', { exact: false }).first()).toBeVisible();
  await page.goto('/people?q=evil%40tarn.example');
  await expect(rows(page)).toHaveCount(1);
  await page.goto('/bring-in');
  await page.getByRole('link', { name: /hostile\.csv/ }).click();
  await page.getByRole('button', { name: 'Take it all back' }).click();
  await expect(page.getByText(/^Taken back\./)).toBeVisible();
  await page.goto('/people?q=evil%40tarn.example');
  await expect(page.getByText('Nobody found')).toBeVisible();
});
