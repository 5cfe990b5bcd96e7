import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, filePerson as file, goTo, signIn } from './desk';

const mobile = (value: string) => ({ value, kind: 'mobile' });
const rows = (page: Page) => page.getByRole('list', { name: 'People' }).getByRole('link');
const search = (page: Page) => page.getByRole('searchbox', { name: 'Find people' });

test('somebody is found by a misspelt name, four digits and a word of a note; a narrowed list is kept as a view', async ({
  page,
}, { project }) => {
  await signIn(page, `people-${project.name as 'phone' | 'wide'}`);
  await file(
    page,
    { givenName: 'Corwin', familyName: 'Sealthwaite', company: 'Brackwater Quays', phones: [mobile('+447700900417')] },
    { kind: 'lead', tags: ['cold chain'], note: 'Leaking dock seal, wants a visit.' },
  );
  await file(
    page,
    { givenName: 'Ottoline', familyName: 'Ångmarker', company: 'Tarn Chandlery', locality: 'Göteborg', country: 'SE' },
    { kind: 'lead', tags: ['visit'] },
  );
  await file(
    page,
    { givenName: 'Ragnvald', familyName: 'Zettermoor', company: 'Anchor Nets' },
    { tags: ['cold chain'] },
  );

  await page.goto('/people');
  await expect(rows(page)).toHaveCount(3);
  await expectAccessible(page);
  await page.keyboard.press('/');
  await expect(search(page)).toBeFocused();
  await page.keyboard.type('sealtwaite');
  await expect(rows(page)).toHaveText([/Corwin Sealthwaite/]);
  await search(page).fill('0417');
  await expect(rows(page)).toHaveText([/Phone:.*900417/]);
  await search(page).fill('leaking');
  await expect(rows(page)).toHaveText([/Note:.*Leaking dock seal/]);
  await expect(page).toHaveURL(/[?&]q=leaking/);
  await search(page).fill('xylophone');
  await expect(page.getByText('Nobody found')).toBeVisible();
  await search(page).fill('');
  await expect(rows(page)).toHaveCount(3);

  // Two facets, each with how many are behind it.
  await page.getByRole('button', { name: 'Narrow the list' }).click();
  await page.getByRole('checkbox', { name: 'Leads' }).click();
  await page.getByRole('button', { name: 'Tag' }).click();
  await expect(page.getByText('cold chain')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('checkbox', { name: 'cold chain' }).click();
  await page.getByRole('button', { name: 'Show 1 person' }).click();
  await expect(rows(page)).toHaveText([/Corwin Sealthwaite/]);
  await page.getByRole('button', { name: 'Keep this view' }).click();
  await page.getByLabel('Name of this view').fill('Cold leads');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Change “Cold leads”' })).toBeVisible();
  await expectAccessible(page);

  // The address says all of it: a reload shows the same.
  await page.reload();
  await expect(rows(page)).toHaveText([/Corwin Sealthwaite/]);
  await page.getByRole('button', { name: 'Kind: Leads. Take away' }).click();
  await expect(rows(page)).toHaveCount(2);
  await page.getByRole('button', { name: 'Tag: cold chain. Take away' }).click();
  await expect(rows(page)).toHaveCount(3);
  if (project.name === 'wide') await page.getByRole('link', { name: 'Cold leads' }).click();
  else await page.getByRole('combobox', { name: 'Views' }).selectOption('Cold leads');
  await expect(rows(page)).toHaveText([/Corwin Sealthwaite/]);

  // Into a dossier and back by keyboard; the list stays as it was.
  await search(page).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Corwin Sealthwaite' })).toBeVisible();
  if (project.name === 'phone') await page.getByRole('link', { name: 'Back to people' }).click();
  await expect(rows(page)).toHaveText([/Corwin Sealthwaite/]);
  await expect(page).toHaveURL(/tag=cold(%20|\+)chain/);

  // A colleague’s link opens the same list; another order is in it too.
  await page.goto('/people?sort=-name');
  await expect(rows(page).first()).toHaveText(/Ragnvald Zettermoor/);
});

test('a dossier keeps what was said, logs a call with one touch, and what is to be done orders the list', async ({
  page,
}, { project }) => {
  await signIn(page, `people-${project.name as 'phone' | 'wide'}`);
  await file(
    page,
    { givenName: 'Philippa', familyName: 'Underhay', locality: 'Port Ellery', phones: [mobile('+447700900512')] },
    { tags: ['dossier'] },
  );
  await page.goto('/people?tag=dossier');
  await rows(page).first().click();
  await expect(page.getByRole('heading', { name: 'Philippa Underhay' })).toBeVisible();
  await expect(page.getByRole('link', { name: /Send a text message/ })).toHaveAttribute('href', 'sms:+447700900512');
  await expect(page.getByRole('link', { name: 'Show on a map' })).toHaveAttribute('href', /^geo:.*Port%20Ellery/);
  // A form that is left is asked about wherever one went, and holds what was written.
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByLabel('Title').fill('Lock keeper');
  await goTo(page, 'Tray');
  await expect(page.getByText('Your changes to Philippa Underhay are not saved.')).toBeVisible();
  await page.getByRole('button', { name: 'Go back to them' }).click();
  await expect(page.getByLabel('Title')).toHaveValue('Lock keeper');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Title: nothing → Lock keeper')).toBeVisible();
  await goTo(page, 'Tray');
  await expect(page.getByText('are not saved')).toBeHidden();
  await page.goto('/people?tag=dossier');
  await rows(page).first().click();

  await page.getByLabel('What was said').fill('Asked for spare hinges.');
  await page.getByRole('button', { name: 'Add note' }).click();
  await expect(page.getByText('Asked for spare hinges.')).toBeVisible();
  await page.getByRole('button', { name: 'Log a call' }).click();
  await expect(page.getByText('Called by')).toBeVisible();
  await page.getByRole('button', { name: 'Change this note' }).last().click();
  await page.getByLabel('Note', { exact: true }).fill('Asked for hinges and a seal.');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Note: Asked for spare hinges. → Asked for hinges and a seal.')).toBeVisible();
  await page.getByLabel('Something to do').fill('Bring the sample seal on 10 January 2027');
  await expect(page.getByText('Bring the sample seal, 10 January 2027')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Add the task' }).click();
  await expect(page.getByText('Bring the sample seal', { exact: true })).toBeVisible();

  await page.goto('/people?tag=dossier&task=open&sort=next');
  await expect(rows(page)).toHaveText([/Next step 10 January 2027/]);
  await rows(page).first().click();
  await page.getByRole('button', { name: 'Done: Bring the sample seal' }).click();
  await expect(page.getByText('Task done, said by')).toBeVisible();
  await page.goto('/people?tag=dossier&task=open');
  await expect(page.getByText('Nobody found')).toBeVisible();
});

test('fifty people are changed together after a look at what it does, and all of it is taken back', async ({ page }, {
  project,
}) => {
  const FEW = 3;
  await signIn(page, `people-${project.name as 'phone' | 'wide'}`);
  const crew = (i: number) =>
    file(
      page,
      { givenName: `Crew ${String(i).padStart(2, '0')}`, familyName: 'Lockgate' },
      { tags: ['lock gate'], kind: i < FEW ? 'lead' : 'contact' },
    );
  for (let i = 0; i < 50; i += 10) await Promise.all(Array.from({ length: 10 }, (_, k) => crew(i + k)));
  await page.goto('/people?tag=lock%20gate');
  const boxes = page.getByRole('list', { name: 'People' }).getByRole('checkbox');

  // From a person it is left where it was.
  const far = page.getByRole('link', { name: /^Crew 40 Lockgate/ });
  await page.getByRole('list', { name: 'People' }).hover();
  await expect(async () => {
    // Once its row is made it is gone to, also back: turns of a wheel that come late go past it.
    if ((await far.count()) > 0) await far.scrollIntoViewIfNeeded();
    else await page.mouse.wheel(0, 600);
    await expect(far).toBeInViewport({ timeout: 500 });
  }).toPass();
  await far.click();
  await expect(page.getByRole('heading', { name: 'Crew 40 Lockgate' })).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/\/people\?/);
  await expect(far).toBeInViewport();
  await page.goto('/people?tag=lock%20gate');

  // One by one, and a run, by the keyboard and the mouse alike.
  await rows(page).first().focus();
  await page.keyboard.press(' ');
  await expect(page.getByText('1 person chosen')).toBeVisible();
  await expect(boxes.first()).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Shift+ ');
  await expect(page.getByText('3 people chosen')).toBeVisible();
  await boxes.nth(1).click();
  await expect(page.getByText('2 people chosen')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'All 50' }).click();
  await expect(page.getByText('All 50 people chosen')).toBeVisible();

  await page.getByRole('button', { name: 'Change them' }).click();
  await page.getByRole('combobox', { name: 'Kind' }).selectOption('Lead');
  await expect(page.getByText('47 people will be different.')).toBeVisible();
  await expect(page.getByText('3 are so already.')).toBeVisible();
  await page.getByRole('button', { name: 'Add tags' }).click();
  await page.getByLabel('Tags to add').fill('sluice walk');
  await page.keyboard.press('Enter');
  await expect(page.getByText('50 people will be different.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Change 50 people' }).click();
  await expect(page.getByText('50 people changed.')).toBeVisible();
  await page.goto('/people?kind=lead&tag=sluice%20walk');
  await expect(page.getByText('50 people', { exact: true })).toBeVisible();

  // Later, from among the changes that were made.
  await page.getByRole('button', { name: 'Choose several' }).click();
  await page.getByRole('link', { name: 'Changed before' }).click();
  await expect(page.getByText('Tags “sluice walk” added, made leads.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Undo for all' }).click();
  await expect(page.getByText(/50 people are as before/)).toBeVisible();
  await page.goto('/people?kind=lead&tag=lock%20gate');
  await expect(page.getByText('3 people', { exact: true })).toBeVisible();
});

test('a table is written in by keyboard, a column is pasted after a look at it, and columns stay as they were put', async ({
  page,
}, { project }) => {
  test.skip(project.name !== 'wide', 'a table needs the width of a desk');
  await signIn(page, 'people-wide');
  for (const [givenName, title] of [
    ['Alrik', 'Rigger'],
    ['Birla', ''],
    ['Corin', 'Cook'],
  ])
    await file(
      page,
      { givenName, familyName: 'Tabler', title, emails: [`${givenName}@tabler.example`] },
      { tags: ['tabled'] },
    );
  await page.goto('/people?tag=tabled');
  await page.getByRole('link', { name: 'As a table' }).click();
  const cell = (row: number, column: string) => page.getByRole('row').nth(row).locator(`[data-cell$=" ${column}"]`);
  await expect(page.getByRole('grid').getByRole('row')).toHaveCount(4);
  await expectAccessible(page);

  // Three cells by keyboard alone: written over, changed, left with a complaint and put right.
  await cell(1, 'name').focus();
  await page.keyboard.press('ArrowRight');
  await expect(cell(1, 'title')).toBeFocused();
  await page.keyboard.type('Dock master');
  await page.keyboard.press('Enter');
  await expect(cell(1, 'title')).toHaveText('Dock master');
  await expect(cell(2, 'title')).toBeFocused();
  await page.keyboard.type('Pilot');
  await page.keyboard.press('Tab');
  await expect(cell(2, 'title')).toHaveText('Pilot');
  await expect(cell(2, 'company')).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('F2');
  await page.keyboard.type('07700 900512');
  await page.keyboard.press('Enter');
  await expect(cell(2, 'phone')).toHaveText('+44 7700 900512');
  await page.keyboard.press('F2');
  await page.keyboard.type('nonsense');
  await page.keyboard.press('Escape');
  await expect(cell(3, 'phone')).toHaveText('');

  // A column from a spreadsheet.
  await cell(1, 'locality').focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', 'Port Ellery\r\nSkerrivore\r\nTarnmoor\r\n');
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  const preview = page.getByRole('region', { name: 'What pasting would do' });
  await expect(preview.getByText('nothing → Skerrivore')).toBeVisible();
  await expectAccessible(page);
  await preview.getByRole('button', { name: 'Change 3 cells' }).click();
  await expect(page.getByText('3 changed.')).toBeVisible();
  await expect(cell(3, 'locality')).toHaveText('Tarnmoor');

  // Columns: one more, another place, another width; all as it was after coming back.
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('checkbox', { name: 'Department' }).click();
  await page.getByRole('button', { name: 'Show the table' }).click();
  await page.getByRole('button', { name: 'Order by Company' }).focus();
  await page.keyboard.press('Alt+ArrowLeft');
  await page.getByRole('separator', { name: 'Width of Title' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.reload();
  await expect(page.getByRole('columnheader').nth(1)).toHaveText(/Company/);
  await expect(page.getByRole('separator', { name: 'Width of Title' })).toHaveAttribute('aria-valuenow', '206');
  await expect(page.getByRole('columnheader', { name: 'Department' })).toBeVisible();
  await expect(cell(1, 'title')).toHaveText('Dock master');
  await page.getByRole('button', { name: 'Order by Name' }).click();
  await expect(page).toHaveURL(/sort=-name/);
  await expect(cell(1, 'name')).toHaveText('Corin Tabler');
  await cell(1, 'name').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Corin Tabler' })).toBeVisible();
});

test('a link shows somebody’s card to whoever has it, until it is taken back; the card is there as a code', async ({
  page,
  browser,
}, { project }) => {
  await signIn(page, `people-${project.name as 'phone' | 'wide'}`);
  const fields = {
    givenName: 'Quill',
    familyName: 'Sharer',
    company: 'Sharer Floats',
    emails: ['quill@sharer.example'],
  };
  await file(page, fields, { tags: ['shared'], note: 'Not for others.' });
  await page.goto('/people?tag=shared');
  await rows(page).first().click();
  await page.getByRole('button', { name: 'Show a code' }).click();
  await expect(page.getByRole('img', { name: 'Quill Sharer as a QR code' })).toBeVisible();
  await page.getByRole('button', { name: 'Make a link' }).click();
  const address = await page.getByRole('textbox', { name: /Whoever has this link/ }).inputValue();
  await expectAccessible(page);

  const visitor = await browser.newContext();
  const theirs = await visitor.newPage();
  await theirs.goto(address);
  await expect(theirs.getByRole('heading', { name: 'Quill Sharer' })).toBeVisible();
  await expect(theirs.getByRole('link', { name: 'quill@sharer.example' })).toBeVisible();
  await expect(theirs.getByText('Not for others.')).toBeHidden();
  await expectAccessible(theirs);
  const download = theirs.waitForEvent('download');
  await theirs.getByRole('button', { name: 'Save to my address book' }).click();
  expect((await download).suggestedFilename()).toBe('card.vcf');

  await page.getByRole('button', { name: 'Take this link back' }).click();
  await expect(page.getByRole('button', { name: 'Take this link back' })).toBeHidden();
  await theirs.reload();
  await expect(theirs.getByRole('heading', { name: 'This link has ended' })).toBeVisible();
  await visitor.close();
});
