import { expect, test } from '@playwright/test';
import { demoPhoto, expectAccessible, goTo, photograph, pickFiles, signIn, signInByHand } from './desk';

test('a card goes from the camera to a filed person, and a second time updates that person', async ({ page }, {
  project,
}) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await expectAccessible(page);
  await signIn(page, project.name as 'phone' | 'wide');
  await expect(page.getByText('The tray is empty')).toBeVisible();

  await photograph(page);
  await expectAccessible(page);
  await goTo(page, 'Tray');
  await page.getByRole('link', { name: /Nella Harrowfield-Voss/ }).click();

  await expect(page.getByRole('textbox', { name: 'Family name' })).toHaveValue('Harrowfield-Voss');
  await expect(page.getByRole('textbox', { name: 'E-mail' })).toHaveValue('nella@harrowfield.example');
  await expect(page.locator('[data-strip]').first()).toBeVisible();
  await expectAccessible(page);

  // Focusing a field points at its place on the card.
  await expect(page.locator('[data-outline]')).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Title' }).focus();
  await expect(page.locator('[data-outline]')).toHaveCount(1);

  // A correction, a field left out and an added one survive a reload.
  await page.getByRole('textbox', { name: 'Title' }).fill('Head of Dispatch');
  await page.getByRole('textbox', { name: 'Before the name' }).focus();
  await page.getByRole('button', { name: 'Leave out Before the name' }).click();
  await page.getByRole('button', { name: 'Add a field' }).click();
  await page.getByRole('group', { name: 'Add a field' }).getByRole('button', { name: 'Department' }).click();
  await page.getByRole('textbox', { name: 'Department' }).fill('Cold Chain');
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Head of Dispatch');
  await expect(page.getByRole('textbox', { name: 'Department' })).toHaveValue('Cold Chain');
  await expect(page.getByRole('button', { name: 'Take back Before the name' })).toBeVisible();

  await page.getByRole('button', { name: 'Go on to file' }).click();
  await expect(page.getByText('This will be somebody new.')).toBeVisible();
  await page.getByRole('radio', { name: 'Lead' }).click();
  await page.getByLabel('Note').fill('Asked for a strip curtain at dock two.');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'File as lead' }).click();

  await expect(page.getByRole('heading', { name: /Nella Harrowfield-Voss/ })).toBeVisible();
  await expect(page.getByText('Asked for a strip curtain at dock two.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'nella@harrowfield.example' })).toHaveAttribute(
    'href',
    'mailto:nella@harrowfield.example',
  );
  // Each value beside the piece of the card it was read from, or who brought it.
  await page.getByRole('button', { name: 'Where each value came from' }).click();
  const origins = page.getByRole('region', { name: 'Where each value came from' });
  await expect(origins.locator('[data-strip]').first()).toBeVisible();
  await expect(origins.getByText(/^Filed by /).first()).toBeVisible();
  await expectAccessible(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('nella-harrowfield-voss.vcf');

  await goTo(page, 'People');
  await page.getByLabel('Find people').fill('harrowfield creamery');
  await expect(page.getByRole('link', { name: /Nella Harrowfield-Voss/ })).toBeVisible();
  await page.getByLabel('Find people').fill('nobody of this name');
  await expect(page.getByText('Nobody found')).toBeVisible();
  await page.getByLabel('Find people').fill('01632 960117');
  await expect(page.getByRole('link', { name: /Nella Harrowfield-Voss/ })).toBeVisible();
  await expectAccessible(page);

  // The same card again: the record is shown beside it, and updated field by field.
  await photograph(page);
  await goTo(page, 'Tray');
  await page.getByRole('link', { name: /Nella Harrowfield-Voss/ }).click();
  await page.getByRole('button', { name: 'Go on to file' }).click();
  await expect(page.getByText('same e-mail, nella@harrowfield.example')).toBeVisible();
  await page.getByRole('radio', { name: /^Title: keep Head of Dispatch/ }).click();
  await page.getByRole('radio', { name: /^Before the name: take Dr\./ }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Update Nella Harrowfield-Voss' }).click();
  await expect(page.getByText('Before the name: nothing → Dr.')).toBeVisible();
  await expect(page.getByText('Head of Dispatch', { exact: false }).first()).toBeVisible();

  await goTo(page, 'People');
  await expect(page.getByText('1 person')).toBeVisible();
  await goTo(page, 'Tray');
  await expect(page.getByText('The tray is empty')).toBeVisible();
});

test('loose lines are given to a field, a back is joined, what was learned is forgotten, and signing out closes the desk', async ({
  page,
}, { project }) => {
  const desk = project.name as 'phone' | 'wide';
  await signInByHand(page, desk, '/photograph');
  await pickFiles(page, [demoPhoto('seagrain'), demoPhoto('kestrel')]);
  await goTo(page, 'Tray');
  await page.getByRole('link', { name: /Margit Thorsager/ }).click();
  const loose = page.getByRole('button', { name: /VAT reg/ });
  await loose.click();
  await page
    .getByRole('group', { name: /Give “VAT reg/ })
    .getByRole('button', { name: 'Note' })
    .click();
  await expect(loose).toBeHidden();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue(/VAT reg/);

  // The other card is joined as the back: its address comes in beside the front's, with its own strip.
  await page.getByRole('button', { name: 'Join the back of this card' }).click();
  await page.getByRole('button', { name: /is the back$/ }).click();
  await expect(page.getByText('Back of this card', { exact: true })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'E-mail 2' })).not.toBeEmpty();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue(/VAT reg/);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take the back off' }).click();
  await expect(page.getByRole('textbox', { name: 'E-mail 2' })).toBeHidden();

  await page.goto('/settings');
  await page.getByRole('link', { name: 'Learned' }).click();
  await page.getByRole('button', { name: 'Forget Harrowfield Creamery' }).click();
  await expect(page.getByRole('button', { name: 'Use Harrowfield Creamery again' })).toBeVisible();
  await expectAccessible(page);

  await page.goto('/settings/pictures');
  await expect(page.getByRole('combobox', { name: 'Keep it for' })).toBeVisible();
  await expectAccessible(page);
  await page.goto('/settings/you');
  await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.goto('/people');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
});
