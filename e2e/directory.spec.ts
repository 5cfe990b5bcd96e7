import { expect, test } from '@playwright/test';
import { expectAccessible, filePerson, signIn } from './desk';

const { address, key } = JSON.parse(process.env.DOSSIER_E2E_DIRECTORY!) as { address: string; key: string };

test('a directory is set up, asked about one and about several, and what it says is taken value by value', async ({
  page,
}, { project }) => {
  await signIn(page, `directory-${project.name as 'phone' | 'wide'}`, '/settings/directory');
  await page.getByRole('textbox', { name: 'Address' }).fill('harbour list');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Write an address that begins with https://.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Address' }).fill(address);
  await page.getByRole('textbox', { name: 'Key' }).fill(key);
  await page.getByRole('checkbox', { name: 'Portraits may be taken' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Ask it no more' })).toBeVisible();
  await expectAccessible(page);

  const tobias = await filePerson(page, { givenName: 'Tobias', familyName: 'Skerritt', title: 'Auction Manager', company: 'Skerry Fish Auctions Ltd', emails: ['t.skerritt@skerryfish.example'] }); // prettier-ignore
  await filePerson(page, { givenName: 'Adaeze', familyName: 'Okonjo', title: 'Packhouse Manager', company: 'Bramble Hill Fruit', emails: ['adaeze.okonjo@bramblehill.example'] }); // prettier-ignore
  await page.goto(`/people/${tobias}`);
  await page.getByRole('button', { name: 'Ask the directory' }).click();
  const offered = page.getByRole('group', { name: 'Offered of Tobias Skerritt' });
  await expect(offered.getByText('in place of “Auction Manager”')).toBeVisible();
  await expectAccessible(page);
  // Asked is not taken.
  await expect(page.getByRole('main').getByText('Auction Manager, Skerry Fish Auctions Ltd')).toBeVisible();
  for (const name of [/^Title: Head of Auctions/, /^Industry: Fish auctions/, /^Portrait/])
    await offered.getByRole('checkbox', { name }).click();
  await offered.getByRole('button', { name: /^Take 3, leave \d/ }).click();
  await expect(page.getByRole('main').getByText('Head of Auctions, Skerry Fish Auctions Ltd')).toBeVisible();
  await expect(page.getByRole('img', { name: 'Portrait of Tobias Skerritt' })).toBeVisible();
  await expect(offered).toBeHidden();
  await expectAccessible(page);
  await page.getByRole('main').getByRole('link', { name: 'Skerry Fish Auctions Ltd', exact: true }).first().click();
  await expect(page.getByText('Industry: Fish auctions')).toBeVisible();
  await expectAccessible(page);

  await page.goto('/people');
  await page.getByRole('button', { name: 'Choose several' }).click();
  await page.getByRole('button', { name: /^All \d/ }).click();
  // Its key is no longer the right one: what was halted is gone on with, and says so without being asked anew.
  const letIn = (by: string) => page.request.put('/api/v1/directory-settings', { data: { address, key: by, portraits: true } }); // prettier-ignore
  await letIn('another key');
  await page.getByRole('button', { name: 'Ask the directory' }).click();
  await expect(page.getByText(/^Halted: /)).toBeVisible();
  await letIn(key);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText(/^Asked: 2 of 2 people/)).toBeVisible();
  await expect(page.getByRole('group', { name: 'Offered of Adaeze Okonjo' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('group', { name: 'Offered of Adaeze Okonjo' }).getByRole('button', { name: 'Leave all' }).click(); // prettier-ignore
  await expect(page.getByText('Nothing to look through')).toBeVisible();
});
