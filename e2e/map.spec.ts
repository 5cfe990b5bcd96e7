import { expect, test } from '@playwright/test';
import { expectAccessible, filePerson, signIn } from './desk';

test.use({ geolocation: { latitude: 57.15, longitude: -2.1 }, permissions: ['geolocation'] });

test('people are on the map, near a town and near this device, and a round is put into order', async ({ page }, {
  project,
}) => {
  await signIn(page, `map-${project.name as 'phone' | 'wide'}`, '/people');
  await page.getByRole('link', { name: 'On a map' }).click();
  await expect(page.getByText('Nobody to show')).toBeVisible();
  await expectAccessible(page);
  const at = (familyName: string, locality: string) => filePerson(page, { givenName: 'Ola', familyName, emails: [`${familyName.toLowerCase()}@quay.example`], locality, country: 'GB' }); // prettier-ignore
  await at('Aberman', 'Aberdeen');
  await at('Whitman', 'Whitby');
  await at('Dunman', 'Dundee');
  await at('Newcman', 'Newcastle upon Tyne');
  await at('Portman', 'Port Ellery');
  await at('Newpman', 'Newport');
  await page.goto('/people/map');
  await expect(page.getByText('4 of 6 people, at 4 places')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Aberdeen, GB: 1 person' })).toBeVisible();
  await expectAccessible(page);

  // Several towns are called so: a person says which.
  const unplaced = page.getByRole('region', { name: 'Not on the map' });
  await expect(unplaced.getByText('no town is known by this name', { exact: false })).toBeVisible();
  await unplaced.getByRole('combobox', { name: 'Which Newport' }).selectOption({ index: 1 });
  await expect(page.getByText('5 of 6 people, at 5 places')).toBeVisible();
  await unplaced.getByRole('button', { name: /^Touch the map where Port Ellery/ }).click();
  const map = page.getByRole('application', { name: /^Map/ });
  const box = (await map.boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.7, box.y + box.height * 0.4);
  await expect(page.getByText('6 of 6 people, at 6 places')).toBeVisible();
  await expect(unplaced).toBeHidden();

  await page.getByRole('button', { name: 'Near me' }).click();
  const people = page.getByRole('list', { name: 'People by how near they are' });
  await expect(people.getByRole('listitem').first()).toContainText('Ola Aberman');
  await page.getByLabel('Near which town').fill('dundee');
  await page.getByLabel('Near which town').press('Enter');
  await expect(people.getByRole('listitem').first()).toContainText('Ola Dunman');
  await page.getByLabel('Near which town').fill('whitb');
  await page.getByRole('button', { name: /^Whitby, ENG, United Kingdom/ }).click();
  await expect(people.getByRole('listitem').first()).toContainText('Ola Whitman');
  await expect(people.getByRole('listitem').nth(1)).toContainText('Ola Newcman');

  // Chosen in any order, visited along the coast.
  for (const name of ['Ola Aberman', 'Ola Newcman', 'Ola Dunman', 'Ola Whitman'])
    await page.getByRole('button', { name: `Make ${name} a stop` }).click();
  const stops = page.getByRole('list', { name: 'Stops in their order' }).getByRole('listitem');
  await expect(stops).toHaveText([/Whitman/, /Newcman/, /Dunman/, /Aberman/]);
  await expect(page.getByRole('link', { name: 'Show Ola Dunman on the map of this device' })).toHaveAttribute('href', /^geo:56\.\d+,-2\.\d+\?q=Dundee/); // prettier-ignore
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take Ola Dunman out of the round' }).click();
  await expect(stops).toHaveCount(3);

  // By keys alone: nearer, aside, and back to everybody at a place.
  await map.focus();
  for (const key of ['+', '+', '+', 'ArrowLeft', 'ArrowUp', '-', '-', '-', '-']) await page.keyboard.press(key);
  await expect(page.getByRole('button', { name: /: \d (?:person|people)$/ }).first()).toBeVisible();
  const moved = async () => (await page.getByRole('button', { name: /: \d (?:person|people)$/ }).first().boundingBox())!.x; // prettier-ignore
  const before = await moved();
  await page.mouse.move(box.x + 20, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + 80, box.y + 40, { steps: 5 });
  await page.mouse.up();
  await expect.poll(moved).toBeGreaterThan(before + 30);
});
