import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect, test, type Page } from '@playwright/test';
import { demoPhoto, expectAccessible, filePerson, goTo, pickFiles, signIn } from './desk';

const PASSPHRASE = 'five words that nobody else knows';

/** `npm run restore`, on the records of the server that is tested. */
async function restored(args: string[], passphrase = ''): Promise<{ code: number; words: string }> {
  const env = {
    ...(JSON.parse(process.env.DOSSIER_E2E_SERVER!) as NodeJS.ProcessEnv),
    DOSSIER_BACKUP_PASSPHRASE: passphrase,
  };
  const program = join(import.meta.dirname, '../scripts/recordsProgram.mjs');
  return promisify(execFile)(process.execPath, [program, 'restore', ...args], { env }).then(
    ({ stdout }) => ({ code: 0, words: stdout }),
    ({ code, stderr }: { code: number; stderr: string }) => ({ code, words: stderr }),
  );
}

async function make(page: Page): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Make a backup now' }).click(),
  ]);
  await expect(page.getByText(/^Made: dossier-/)).toBeVisible();
  return download.path();
}

test('everything is backed up by a button, and comes back into an empty workspace by a command', async ({ page }, {
  project,
}) => {
  const name = project.name as 'phone' | 'wide';
  await signIn(page, `backup-${name}`, '/photograph');
  await pickFiles(page, demoPhoto('harrowfield'));
  await filePerson(
    page,
    { givenName: 'Isra', familyName: 'Lund', company: 'Lund Boats' },
    { note: 'Wants two doors.' },
  );
  await goTo(page, 'Tray');
  await page.getByRole('link', { name: /Nella Harrowfield-Voss/ }).click();
  await page.getByRole('button', { name: 'Go on to file' }).click();
  await page.getByRole('button', { name: 'File as contact' }).click();
  await expect(page.getByRole('heading', { name: /Nella Harrowfield-Voss/ })).toBeVisible();

  await page.goto('/settings/backup');
  await expect(page.getByText('By itself')).toBeVisible();
  await expectAccessible(page);
  const plain = await make(page);
  await page.getByRole('checkbox', { name: 'Encrypt it with a passphrase' }).click();
  await page.getByRole('button', { name: 'Make a backup now' }).click();
  await expect(page.getByText(/Use at least 10 characters/)).toBeVisible();
  await page.getByLabel('Passphrase', { exact: true }).fill(PASSPHRASE);
  await expectAccessible(page);
  const secret = await make(page);

  // Backups by themselves: chosen, and still so later.
  await page.getByRole('radio', { name: 'Every day' }).click();
  await expect(page.getByText('The first one is made within the hour.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Every day' })).toBeChecked();

  // The command is the same on every screen, and takes its time.
  if (name === 'wide') return;
  const into = ['--into', `restored-${name}@keldermoss.example`];
  expect((await restored([secret, ...into])).words).toMatch(/is encrypted/);
  expect((await restored([secret, ...into], PASSPHRASE)).words).toMatch(/is back as of/);
  const again = await restored([plain, ...into]);
  expect(again.code).toBe(1);
  expect(again.words).toMatch(/is not empty/);

  await signIn(page, `restored-${name}`, '/people');
  await expect(page.getByText('Isra Lund')).toBeVisible();
  await page.getByText('Nella Harrowfield-Voss').first().click();
  await expect(page.getByRole('link', { name: 'nella@harrowfield.example' })).toBeVisible();
  await expect(page.getByRole('img', { name: /card/i }).first()).toBeVisible();

  // Everything about one person, for whoever asks.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Fetch everything' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^nella.*\.zip$/);
});
