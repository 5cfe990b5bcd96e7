import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, goTo, signIn, textCard } from './desk';

test.beforeEach(({ page }, { project }) => test.skip(project.name !== 'phone' || !page, 'once is enough'));

const lines = (name: string) => [
  name,
  'Buyer',
  'Larkspur Foods',
  `${name.split(' ')[0]!.toLowerCase()}@larkspur.example`,
];

async function signInAgain(page: Page): Promise<void> {
  await expect(page.getByText('Your session has ended', { exact: false })).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Password').fill('cold-chain');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByLabel('Password')).toBeHidden();
}

test('a session that ends while filing loses nothing: after signing in again the card is filed as chosen', async ({
  page,
}) => {
  await signIn(page, 'trust');
  await page.goto(`/file/${await textCard(page, lines('Winifred Yarrowby'))}`);
  await page.getByRole('combobox', { name: 'Rating' }).selectOption('Warm');
  await page.getByLabel('Note').fill('Asked for prices of dock doors.');
  await page.getByRole('radio', { name: 'Lead' }).click();
  await page.request.delete('/api/v1/session');
  await page.getByRole('button', { name: /^File as (lead|typed)$/ }).click();
  await signInAgain(page);
  // The act that was under way goes on by itself.
  await page.waitForURL(/\/people\//);
  await expect(page.getByText(/Lead · Warm/)).toBeVisible();
  await expect(page.getByText('Asked for prices of dock doors.')).toBeVisible();
});

test('a session that ends at the desk leaves everything that was typed', async ({ page }) => {
  await signIn(page, 'trust');
  await page.goto(`/proof/${await textCard(page, lines('Leopold Ixworth'))}`);
  const title = page.getByRole('textbox', { name: 'Title' });
  await title.fill('Head of buying, frozen');
  await page.request.delete('/api/v1/session');
  await signInAgain(page);
  await expect(title).toHaveValue('Head of buying, frozen');
  await expect(page).toHaveURL(/\/proof\//);
  // It is kept for other devices too.
  await expect(async () => {
    const { draft } = (await (await page.request.get(`/api/v1/cards/${page.url().split('/').pop()}`)).json()) as {
      draft: unknown;
    };
    expect(JSON.stringify(draft)).toContain('Head of buying, frozen');
  }).toPass();
});

test('what a colleague corrected is what the desk shows', async ({ page, browser }) => {
  await signIn(page, 'trust');
  const cardId = await textCard(page, lines('Tamsin Oxenholme'));
  // Their tray is open, and knows the card, before anything is corrected.
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'trust-colleague');
  await expect(other.getByRole('link', { name: /Tamsin Oxenholme/ })).toBeVisible();

  await page.goto(`/proof/${cardId}`);
  await page.getByRole('textbox', { name: 'Title' }).fill('Head of frozen goods');
  await page.getByRole('textbox', { name: 'Family name' }).click();
  await expect(async () => {
    const card = (await (await page.request.get(`/api/v1/cards/${cardId}`)).json()) as { draft: unknown };
    expect(JSON.stringify(card.draft)).toContain('Head of frozen goods');
  }).toPass();

  await other.getByRole('link', { name: /Tamsin Oxenholme/ }).click();
  await expect(other.getByRole('textbox', { name: 'Title' })).toHaveValue('Head of frozen goods');
  // And what is corrected while both look at it.
  await page.getByRole('textbox', { name: 'Title' }).fill('Head of chilled goods');
  await expect(other.getByRole('textbox', { name: 'Title' })).toHaveValue('Head of chilled goods');
  await other.context().close();
});

test('of two tabs on one card each sees what the other does', async ({ page, context }) => {
  await signIn(page, 'trust');
  const cardId = await textCard(page, lines('Philippa Thornbeck'));
  await page.goto(`/proof/${cardId}`);
  const other = await context.newPage();
  await other.goto(`/proof/${cardId}`);
  await other.getByRole('textbox', { name: 'Title' }).fill('Head of quality');
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Head of quality');
  await page.getByRole('textbox', { name: 'Company' }).fill('Larkspur Foods plc');
  await expect(other.getByRole('textbox', { name: 'Company' })).toHaveValue('Larkspur Foods plc');
  await expect(other.getByRole('textbox', { name: 'Title' })).toHaveValue('Head of quality');
});

test('a page that is closed while a filing can still be undone sends it on its way', async ({ page, context }) => {
  await signIn(page, 'trust');
  const cardId = await textCard(page, lines('Gunnar Wetherspar'));
  await page.goto(`/proof/${cardId}`);
  await page.getByRole('button', { name: /^File( and next)?$/ }).click();
  await expect(page.getByRole('button', { name: 'Undo', exact: true }).last()).toBeVisible();
  await page.goto('about:blank');
  const stateOf = async () => ((await (await context.request.get(`/api/v1/cards/${cardId}`)).json()) as { state: string }).state; // prettier-ignore
  await expect.poll(stateOf).toBe('filed');
});

test('deleted people wait for a month in a list of their own', async ({ page }) => {
  await signIn(page, 'trust');
  await page.goto(`/file/${await textCard(page, lines('Oswin Faircliff'))}`);
  await page.getByRole('button', { name: /^File as (contact|typed)$/ }).click();
  await page.waitForURL(/\/people\//);
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Bring back' })).toBeVisible();
  await page.goto('/settings/deleted');
  await expect(page.getByText('Oswin Faircliff')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Bring Oswin Faircliff back' }).click();
  await expect(page.getByText('Oswin Faircliff')).toBeHidden();
  await page.goto('/people');
  await page.getByLabel('Find people').fill('faircliff');
  await expect(page.getByText('1 person')).toBeVisible();
});

test.describe('without a network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('nothing is left of somebody who was erased', async ({ page, context }) => {
    await signIn(page, 'trust');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.goto(`/file/${await textCard(page, lines('Dmitri Abercastle'))}`);
    await page.getByRole('button', { name: /^File as (contact|typed)$/ }).click();
    await page.waitForURL(/\/people\//);
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Dmitri Abercastle' }).first()).toBeVisible();
    const address = page.url();
    await page.getByRole('button', { name: 'Erase for good …' }).click();
    await page.getByRole('button', { name: 'Erase for good', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Erase for good', exact: true })).toBeHidden();
    await expect(async () => {
      const kept = await page.evaluate(async () => {
        const texts: string[] = [];
        for (const name of await caches.keys()) {
          const cache = await caches.open(name);
          for (const request of await cache.keys()) {
            const type = (await cache.match(request))!.headers.get('content-type') ?? '';
            if (type.includes('json')) texts.push(await (await cache.match(request))!.text());
          }
        }
        return texts.join(' ');
      });
      expect(kept).not.toContain('Abercastle');
    }).toPass();
    await context.setOffline(true);
    await page.goto(address);
    await expect(page.getByText('Dmitri Abercastle')).toHaveCount(0);
    await context.setOffline(false);
  });
});

test('links that lead nowhere say so and lead on, each page under its own title', async ({ page }) => {
  await signIn(page, 'trust');
  for (const path of ['/nowhere', '/proof/abc', '/file/abc', '/people/abc', '/photos/abc', '/photos/abc/backs']) {
    await page.goto(path);
    const main = page.getByRole('main');
    await expect(main.getByRole('heading').first()).toBeVisible();
    await expect(main.getByRole('button').or(main.getByRole('link')).first()).toBeVisible();
    await expectAccessible(page);
  }
  const titles: string[] = [];
  for (const path of [
    '/tray',
    '/people',
    '/photograph',
    '/settings',
    '/settings/you',
    '/settings/reading',
    '/settings/pictures',
    '/settings/filing',
    '/settings/fields',
    '/settings/device',
    '/settings/deleted',
    '/duplicates',
    '/settings/tags',
    '/settings/learned',
    '/settings/occasions',
    '/filed-by-itself',
    '/nowhere',
  ]) {
    await page.goto(path);
    await expect(page.getByRole('main')).toBeVisible();
    await expect(page).toHaveTitle(/\S/);
    titles.push(await page.title());
    await expectAccessible(page);
  }
  expect(new Set(titles).size).toBe(titles.length);
});

test.describe('at 195 pixels of width', () => {
  test.use({ viewport: { width: 195, height: 422 } });

  test('every place is in the bar, and the desk’s fields have room', async ({ page }) => {
    await signIn(page, 'trust');
    for (const place of await page.getByRole('navigation', { name: 'Places' }).getByRole('link').all()) {
      const box = (await place.boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.x + box.width).toBeLessThanOrEqual(195);
    }
    await goTo(page, 'People');
    await expect(page).toHaveURL(/\/people/);
    await page.goto(`/proof/${await textCard(page, lines('Beatrice Saltonstall'))}`);
    const title = page.getByRole('textbox', { name: 'Title' });
    await title.click();
    expect((await title.boundingBox())!.width).toBeGreaterThan(100);
    for (const name of ['Back to the tray', 'Skip to the next card', 'File']) {
      const act = page.getByRole('button', { name }).or(page.getByRole('link', { name })).first();
      const { x, width } = (await act.boundingBox())!;
      expect([name, x >= 0 && x + width <= 195]).toEqual([name, true]);
    }
    for (const path of ['/tray', '/people', '/settings', '/settings/pictures', page.url()]) {
      await page.goto(path);
      await expect(page.getByRole('main')).toBeVisible();
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(195);
    }
  });
});
