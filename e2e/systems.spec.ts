import { readFileSync } from 'node:fs';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { demoPhoto, expectAccessible, signIn } from './desk';

test.skip(({ viewport }) => viewport!.width > 400, 'Once is enough.');

const PORT_OFFICE = process.env.DOSSIER_E2E_PORT_OFFICE!;
/** As `services.mjs` starts it. */
const SECRET = 'chandlers-row-7';

interface There {
  ref: string;
  values: Record<string, unknown>;
}
const office = async (page: Page, path: string): Promise<There[]> => {
  const answer = await page.request.get(`${PORT_OFFICE}/api/${path}`, { headers: { 'x-port-key': SECRET } });
  return answer.ok() ? ((await answer.json()) as { records: There[] }).records : [];
};
const trouble = (page: Page, kind: string, share: number) =>
  page.request.post(`${PORT_OFFICE}/switches`, { data: { trouble: kind, share } });

/** Writes into fields by what stands over them. */
async function write(page: Page, written: Readonly<Record<string, string>>): Promise<void> {
  for (const [label, text] of Object.entries(written)) await page.getByLabel(label, { exact: true }).fill(text);
}
const list = (within: Page | Locator, label: string) => within.getByRole('combobox', { name: label, exact: true });

test('a system is set up from nothing, gets a filed card, and what changes, however badly it behaves', async ({
  page,
}) => {
  await signIn(page, 'systems', '/settings/systems');
  await expect(page.getByText('Nobody is handed over to anywhere.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Set a system up' }).click();
  await page.getByRole('button', { name: 'Set it up' }).click();
  await expect(page.getByText(/Something is missing/)).toBeVisible();
  await expectAccessible(page);
  await write(page, {
    'What you call it': 'The port office',
    Address: PORT_OFFICE,
    Key: SECRET,
    Leads: '/api/prospects',
    Contacts: '/api/parties',
    Companies: '/api/houses',
    Notes: '/api/remarks',
    'Pictures of cards': '/api/papers',
    Business: '/api/ventures',
    'Leads are found by': '?ref={ref}\n?MailA={MailA}',
    'Contacts are found by': '?ref={ref}\n?MailA={MailA}',
    'Companies are found by': '?Style={Style}',
    'Where it says what it calls a new record': 'ref',
    'Where the link to it stands': 'seen',
    'Where the record stands that was found': 'records.0',
    'Within it: what it is called': 'ref',
    'Within it: the link': 'seen',
    'Within it: its fields': 'values',
    'Header by which it knows what was sent twice': 'X-Once',
    'What it says': 'Words',
    'The picture, in base64': 'Base64',
    'With whom it is done': 'Of',
    'What it is about': 'Title',
    'What it is worth': 'Worth',
    'Path of the description': '/api/describe',
  });
  await page.getByLabel('Whose it is', { exact: true }).fill('Of');
  await page.getByLabel('Whose card it is', { exact: true }).fill('Of');
  await write(page, {
    'Where the fields of a lead stand': 'objects.prospects.fields',
    'Where the fields of a contact stand': 'objects.parties.fields',
    'Where the fields of a company stand': 'objects.houses.fields',
    'At most so many requests a minute': '3000',
  });
  await list(page, 'Without being handed over by somebody').selectOption('Leads');
  await page.getByRole('button', { name: 'Set it up' }).click();

  // What goes where: some are proposed, one joins two, one is looked up.
  await expect(page.getByRole('heading', { name: 'What goes to The port office' })).toBeVisible();
  await page.getByRole('button', { name: /^Propose \d+ by their names$/ }).click();
  await expect(page.getByRole('button', { name: /^Surname: Family name/ })).toBeVisible();
  const fill = async (field: string, ...from: string[]) => {
    await page.getByRole('button', { name: `Fill ${field}`, exact: true }).click();
    for (const [i, source] of from.entries())
      await list(page, i === 0 ? 'What goes there' : 'And').selectOption(source);
  };
  await fill('House', 'Company');
  await fill('First mail', 'E-mails');
  await list(page, 'Change it on the way').selectOption('Only the first');
  await fill('Rank in the house', 'Title', 'Department');
  await list(page, 'Change it on the way').selectOption('Join them');
  await page.getByLabel('With what between them').fill(', ');
  await fill('Origin', 'Occasions');
  await list(page, 'Change it on the way').selectOption('Look up in a table');
  await page.getByLabel('Here', { exact: true }).fill('Tarnmoor fair');
  await page.getByLabel('There', { exact: true }).fill('Fair');
  await fill('Ref of the house', 'The company’s record there');
  await expectAccessible(page);
  await page.getByRole('radio', { name: 'Companies' }).click();
  await fill('Style of the house', 'Company');
  await page.getByRole('button', { name: 'Save as version 1' }).click();
  await expect(page.getByText('This is version 1, and in force.')).toBeVisible();

  // A card is filed as a lead: it goes there with its note and its picture.
  const photoId = crypto.randomUUID();
  await page.request.put(`/api/v1/photos/${photoId}?takenAt=${new Date().toISOString()}`, {
    data: readFileSync(demoPhoto('skerry')),
    headers: { 'content-type': 'image/jpeg' },
  });
  await page.goto('/tray');
  await page.getByRole('link', { name: /Tobias Skerritt/ }).click();
  await page.getByRole('button', { name: 'Go on to file' }).click();
  await page.getByRole('radio', { name: 'Lead' }).click();
  await page.getByLabel('Note').fill('Wants two doors.');
  await page.getByRole('button', { name: /^File/ }).first().click();
  const prospects = () => office(page, 'prospects?Surname=Skerritt');
  await expect.poll(async () => (await prospects()).length).toBe(1);
  const [{ ref }] = (await prospects()) as [There];
  await expect.poll(async () => (await office(page, `remarks?Of=${ref}`)).map(({ values }) => values.Words)).toEqual(['Wants two doors.']); // prettier-ignore
  await expect.poll(async () => (await office(page, `papers?Of=${ref}`)).length).toBe(1);
  const houses = await office(page, 'houses');
  expect(houses).toHaveLength(1);
  expect((await prospects())[0]!.values).toMatchObject({ HouseRef: houses[0]!.ref });

  // So does the business that is done with them.
  const { items } = (await (await page.request.get('/api/v1/people?q=Skerritt')).json()) as { items: { id: string }[] };
  const people = [{ personId: items[0]!.id, part: 'decides' }];
  await page.request.post('/api/v1/opportunities', {
    data: { title: 'Two doors', currency: 'EUR', value: 900, people },
  });
  await expect.poll(async () => (await office(page, `ventures?Of=${ref}`)).map(({ values }) => values)).toEqual([{ Of: ref, Title: 'Two doors', Worth: 900 }]); // prettier-ignore

  // Bad days: what changes meanwhile arrives, once.
  await page.goto('/people');
  await page.getByRole('link', { name: /Skerritt/ }).click();
  await expect(page.getByRole('group', { name: 'The port office' }).getByText(/^There as of today/)).toBeVisible();
  await trouble(page, 'mixed', 0.5);
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByLabel('Title', { exact: true }).fill('Head of landings');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/Head of landings/).first()).toBeVisible();
  await trouble(page, 'none', 1);
  await expect.poll(async () => (await prospects()).map(({ values }) => values.Rank)).toEqual(['Head of landings']);

  // What is changed there is told here, and taken over.
  await page.request.patch(`${PORT_OFFICE}/api/prospects/${ref}`, {
    data: { House: 'Skerry & Sons' },
    headers: { 'x-port-key': SECRET },
  });
  await page.goto('/settings/systems');
  await page.getByRole('link', { name: 'The port office' }).click();
  await page
    .getByRole('button', { name: /^Tobias Skerritt/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Send it again' }).click();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'The person here' }).click();
  await page.getByRole('button', { name: 'Take Skerry & Sons over from The port office' }).click();
  await expect(page.getByRole('link', { name: 'Skerry & Sons' }).first()).toBeVisible();
  await expect(page.getByText('House there: Skerry & Sons')).toHaveCount(0);
});
