import { expect, test, type APIRequestContext } from '@playwright/test';
import { expectAccessible, signIn } from './desk';

test.skip(({ viewport }) => viewport!.width > 400, 'Once is enough.');

const asks = (request: APIRequestContext, token: string) => (method: 'get' | 'post', path: string, data?: object) =>
  request[method](`/api/v1${path}`, { headers: { authorization: `Bearer ${token}` }, data });

test('a program is let in by a token, sends a text, and is let in no more; an address is told what happens', async ({
  page,
  playwright,
  baseURL,
}) => {
  await signIn(page, 'programs', '/settings/programs');
  await expect(page.getByText('No program is let in.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Let a program in' }).click();
  await page.getByLabel('Which program').fill('Scanner at the gate');
  await page.getByRole('checkbox', { name: 'Send pictures and texts to be read' }).click();
  await page.getByRole('checkbox', { name: 'See people and firms' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Make the token' }).click();
  const token = await page.getByText(/^dossier_/).innerText();

  const program = await playwright.request.newContext({ baseURL });
  const ask = asks(program, token);
  const text = 'Liv Gatesby\nHarbour pilot\nGatesby Towage Ltd\nliv@gatesby.example\n+44 1632 960844';
  const read = await ask('post', '/readings?wait=60&file=contact', { text });
  const { cards } = (await read.json()) as { cards: { outcome: { state: string; personId: string } }[] };
  expect(cards[0]!.outcome.state).toBe('filed');
  expect((await ask('post', '/tokens', { name: 'More', scopes: ['export'] })).status()).toBe(403);

  await page.reload();
  await expect(page.getByText(token)).toHaveCount(0);
  await expect(page.getByText(/Last used today/)).toBeVisible();
  await page.getByRole('button', { name: 'Revoke the token of Scanner at the gate' }).click();
  await page.getByRole('button', { name: 'Revoke the token', exact: true }).click();
  await expect(page.getByText('No program is let in.')).toBeVisible();
  expect((await ask('get', `/people/${cards[0]!.outcome.personId}`)).status()).toBe(401);
  await program.dispose();

  await page.getByRole('button', { name: 'Tell an address' }).click();
  const address = page.getByLabel('Address', { exact: true });
  await address.fill('http://127.0.0.1:9/told');
  await page.getByRole('button', { name: 'Tell this address' }).click();
  await expect(page.getByText(/This address is of this machine/).first()).toBeVisible();
  await address.fill('https://orders.keldermoss.example/told');
  await page.getByRole('radio', { name: 'Some of it' }).click();
  await page.getByRole('checkbox', { name: 'Somebody new' }).click();
  await page.getByRole('button', { name: 'Tell this address' }).click();
  await expect(page.getByText(/^whsec_/)).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByText('Nothing has been taken there yet.')).toBeVisible();
  await expectAccessible(page);
  await page.goto('/people');
  await expect(page.getByText('Liv Gatesby')).toBeVisible();
});

test('what programs can do is there to be read', async ({ page }) => {
  const outside: string[] = [];
  page.on('request', (request) => {
    if (new URL(request.url()).hostname !== '127.0.0.1' && !request.url().startsWith('data:'))
      outside.push(request.url());
  });
  await page.goto('/api/docs');
  await expect(page.getByRole('heading', { name: 'People and firms' })).toBeVisible();
  await page.getByRole('heading', { name: 'Cards' }).click();
  await expect(page.getByText('Reads a picture, or a text, and says what stands on its cards.').first()).toBeVisible();
  expect(outside).toEqual([]);
});
