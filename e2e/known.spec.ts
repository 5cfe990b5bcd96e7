import { expect, test, type Page } from '@playwright/test';
import { demoPhoto, expectAccessible, pickFiles, signIn, textCard } from './desk';

type Desk = 'known-phone' | 'known-wide';
const deskOf = (project: string): Desk => `known-${project as 'phone' | 'wide'}`;

/** What looks alike on both is gone through once, where it is done most. */
const onlyOn = (project: string, wanted: 'phone' | 'wide') =>
  test.skip(project !== wanted, `gone through on the ${wanted} one`);

const card = (name: string, title: string, company: string, ...reach: string[]) => [name, title, company, ...reach];

async function fileAsNew(page: Page, lines: readonly string[]): Promise<void> {
  await page.goto(`/file/${await textCard(page, lines)}`);
  await page.getByRole('button', { name: /^File as (contact|typed)$/ }).click();
  await page.waitForURL(/\/people\//);
  await expect(page.getByRole('heading', { name: new RegExp(lines[0]!.split(' ')[1]!) }).first()).toBeVisible();
}

const history = (page: Page) => page.getByRole('region', { name: 'History' });

test('a known person is updated with a new title, then found in a new job; who is somebody else is not asked about again', async ({
  page,
}, { project }) => {
  await signIn(page, deskOf(project.name));
  await fileAsNew(
    page,
    card('Corwin Sealthwaite', 'Plant manager', 'Brackwater Quays', 'corwin@brackwater.example', '+44 7700 900417'),
  );

  // The card says another title: the desk tells that somebody is known, the comparison shows only what differs.
  const promoted = await textCard(
    page,
    card('Corwin Sealthwaite', 'Director of Operations', 'Brackwater Quays', 'corwin@brackwater.example'),
  );
  await page.goto(`/proof/${promoted}`);
  await expect(page.getByText('Corwin Sealthwaite is known')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.getByText('same e-mail, corwin@brackwater.example')).toBeVisible();
  await expect(page.getByText('One field differs.', { exact: false })).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Title: take Director of Operations' })).toBeChecked();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Update Corwin Sealthwaite' }).click();
  await expect(history(page).getByText('Title: Plant manager → Director of Operations')).toBeVisible();

  // The same name and mobile at another firm: a new job, the old one stays in the history.
  const moved = await textCard(
    page,
    card('Corwin Sealthwaite', 'Owner', 'Tarn Chandlery', 'corwin@tarnchandlery.example', '+44 7700 900417'),
  );
  await page.goto(`/file/${moved}`);
  await expect(page.getByText('The same person, in a new job')).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /A new job: Brackwater Quays goes into the history/ })).toBeChecked();
  await page.getByRole('checkbox', { name: 'By e-mail' }).click();
  await page.getByLabel('What for').fill('Offers for dock doors');
  await page.getByRole('combobox', { name: 'Rating' }).selectOption('Warm');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'File Corwin Sealthwaite’s new job' }).click();
  await expect(page.getByText(/Director of Operations, Brackwater Quays, until/)).toBeVisible();
  await expect(page.getByText('Offers for dock doors, by e-mail')).toBeVisible();
  await expect(page.getByText(/Contact · Warm/)).toBeVisible();
  await page.getByRole('button', { name: 'Withdraw the consent for Offers for dock doors' }).click();
  await expect(page.getByText(/^Withdrawn /)).toBeVisible();
  await expectAccessible(page);

  // Somebody of the same family at the same firm is not him: said once, it is remembered.
  const other = await textCard(page, card('C. Sealthwaite', 'Bookkeeper', 'Tarn Chandlery'));
  await page.goto(`/file/${other}`);
  await page.getByRole('button', { name: 'Corwin Sealthwaite is somebody else' }).click();
  await expect(page.getByText('This will be somebody new.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('This will be somebody new.')).toBeVisible();
});

/** Files somebody as another program would, without looking who is known. */
async function fileUnseen(page: Page, lines: readonly string[], fields: object): Promise<void> {
  const cardId = await textCard(page, lines);
  const answer = await page.request.post('/api/v1/people', {
    data: { cardId, kind: 'contact', fields },
    headers: { 'idempotency-key': cardId },
  });
  expect(answer.ok()).toBe(true);
}

test('records that are there twice are found, merged one by one or all at once, and parted again', async ({ page }, {
  project,
}) => {
  onlyOn(project.name, 'wide');
  await signIn(page, deskOf(project.name));
  const people = [
    { givenName: 'Tamsin', familyName: 'Ostlund', company: 'Halyard Foods', emails: ['tamsin@halyard.example'] },
    {
      givenName: 'Leopold',
      familyName: 'Wetherspar',
      company: 'Juniper Mills',
      emails: ['l.wetherspar@juniper.example'],
    },
  ];
  for (const fields of people) {
    await fileUnseen(page, ['Somebody', fields.emails[0]!], { ...fields, title: 'Buyer' });
    await fileUnseen(page, ['Somebody', fields.emails[0]!], { ...fields, title: 'Head buyer', locality: 'Tarnmoor' });
  }
  await page.goto('/people');
  await page.getByRole('link', { name: 'Same person twice' }).click();
  await page.getByRole('button', { name: /^Look (through all people|once more)$/ }).click();
  const group = page.getByRole('group', { name: 'Tamsin Ostlund' });
  await expect(group.getByText('same e-mail, tamsin@halyard.example')).toBeVisible();
  await expectAccessible(page);
  await group.getByRole('button', { name: 'Merge into Tamsin Ostlund' }).click();
  await expect(group).toBeHidden();

  await page.goto('/people');
  await page.getByLabel('Find people').fill('ostlund');
  await expect(page.getByText('1 person')).toBeVisible();
  await page.getByRole('link', { name: /Tamsin Ostlund/ }).click();
  await expect(page.getByRole('main').getByText('Head buyer, Halyard Foods')).toBeVisible();
  await page.getByRole('button', { name: 'Undo the merge with Tamsin Ostlund' }).click();
  await expect(page.getByText('Merge undone by', { exact: false })).toBeVisible();
  await page.goto('/people');
  await page.getByLabel('Find people').fill('ostlund');
  await expect(page.getByText('2 people')).toBeVisible();

  // Looked through once more, all that is certain is merged in one act, and undone in one.
  await page.goto('/duplicates');
  await page.getByRole('button', { name: 'Look once more' }).click();
  await page.getByRole('button', { name: 'Merge the 2 that are certain' }).click();
  await expect(page.getByText('2 groups were merged.')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Leopold Wetherspar' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo these merges' }).click();
  await expect(page.getByText('2 groups were merged.')).toBeHidden();
  await page.goto('/people');
  await page.getByLabel('Find people').fill('wetherspar');
  await expect(page.getByText('2 people')).toBeVisible();
});

test('two browsers change one record: the second is shown both and loses nothing', async ({ page, browser }, {
  project,
}) => {
  onlyOn(project.name, 'wide');
  const desk = deskOf(project.name);
  await signIn(page, desk);
  await fileAsNew(page, card('Gunnar Mapplebeck', 'Plant manager', 'Osprey Dairies', 'gunnar@osprey.example'));
  const address = page.url();
  const other = await (await browser.newContext()).newPage();
  await signIn(other, desk, new URL(address).pathname);
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await other.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByLabel('Title').fill('Plant director');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(history(page).getByText('Title: Plant manager → Plant director')).toBeVisible();

  await other.getByLabel('Title').fill('Works manager');
  await other.getByRole('button', { name: 'Save' }).click();
  await expect(other.getByText('Title: theirs “Plant director”, yours “Works manager”')).toBeVisible();
  await expectAccessible(other);
  await other.getByRole('button', { name: 'Keep what is written here' }).click();
  await other.getByRole('button', { name: 'Save' }).click();
  await expect(history(other).getByText('Title: Plant director → Works manager')).toBeVisible();
  await other.context().close();

  // Deleted it is in no list; brought back it is there; erased it is gone for good.
  await page.reload();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await page.getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByRole('button', { name: 'Delete', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Erase for good …' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Erase for good', exact: true }).click();
  await page.goto(address);
  await expect(page.getByText('This person is not here', { exact: true })).toBeVisible();
});

test('two cards of one person in the tray are pointed out, and cards filed by themselves are gathered for a glance', async ({
  page,
}, { project }) => {
  onlyOn(project.name, 'phone');
  await signIn(page, deskOf(project.name));
  const lines = card(
    'Beatrice Kristeller',
    'Quality',
    'Windrush Creamery',
    'beatrice@windrush.example',
    '+44 7700 900611',
  );
  await textCard(page, lines);
  await textCard(page, lines);
  await page.goto('/tray');
  await expect(page.getByText('The same card is here already.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take this card of Beatrice Kristeller out of the tray' }).click();
  await expect(page.getByText('The same card is here already.')).toBeHidden();

  await page.goto('/settings/filing');
  await page.getByRole('checkbox', { name: 'File cards without any doubt for me' }).click();
  await expect(page.getByRole('checkbox', { name: 'File cards without any doubt for me' })).toBeChecked();
  await expectAccessible(page);
  await page.goto('/photograph');
  await pickFiles(page, [demoPhoto('tidewater')]);
  await expect(page.getByText('all with Dossier, being read')).toBeVisible();
  await page.goto('/filed-by-itself');
  await expect(async () => {
    await page.reload();
    await expect(page.getByRole('button', { name: /back to the tray$/ }).first()).toBeVisible({ timeout: 2000 });
  }).toPass();
  await expect(page.locator('[data-strip]').first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Send all back to the tray' }).click();
  await expect(page.getByText('Nothing to look at')).toBeVisible();
  await page.goto('/settings/filing');
  await page.getByRole('checkbox', { name: 'File cards without any doubt for me' }).click();
  if (project.name === 'phone') await page.getByRole('link', { name: 'Back to the settings' }).click();
  await page.getByRole('link', { name: 'Tags and words' }).click();
  await expect(page.getByRole('heading', { name: 'Tags and words' })).toBeVisible();
  await expectAccessible(page);
});
