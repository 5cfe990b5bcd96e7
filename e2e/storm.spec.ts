import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM_FLAGS, WHOLE_CHROMIUM_PATH } from '@dossier/demo/chromium';
import { chromium, expect, test, type Browser, type Page } from '@playwright/test';
import { demoPhoto, goTo, pickFiles, signIn } from './desk';
import { frames, installCamera, showToCamera } from './liveCamera';

test.beforeEach(({ page }, { project }) => test.skip(project.name !== 'phone' || !page, 'once is enough'));

/** Servers and browsers of a test's own: whatever becomes of it, none is left running. */
const started = new Set<ChildProcess>();
test.afterEach(() => Promise.all([...started].map(killed)));

const root = join(import.meta.dirname, '..');

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

async function until(ask: () => Promise<unknown>): Promise<void> {
  while (!(await ask().catch(() => undefined))) await new Promise((resolve) => setTimeout(resolve, 50));
}

/** A server of the test's own on the same database, to be killed and started again. */
async function startServer(port: number): Promise<{ kill: () => Promise<void> }> {
  const child = spawn(process.execPath, [join(process.env.DOSSIER_PROGRAMS!, 'main.js'), 'api'], {
    cwd: join(root, 'server'),
    env: { ...process.env, ...JSON.parse(process.env.DOSSIER_E2E_SERVER!), DOSSIER_PORT: String(port) },
    stdio: 'ignore',
  });
  started.add(child);
  await until(async () => (await fetch(`http://127.0.0.1:${port}/api/v1/health`)).ok);
  return { kill: () => killed(child) };
}

const killed = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    started.delete(child);
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.once('close', () => resolve());
    child.kill('SIGKILL');
  });

test('a server killed in the middle of a batch and started again loses no photograph and doubles none', async ({
  page,
}) => {
  const names = ['ashgrove', 'bramble', 'crane', 'kestrel', 'larch', 'maple', 'peck', 'wren'];
  const port = await freePort();
  let server = await startServer(port);
  await signIn(page, 'stormy', `http://127.0.0.1:${port}/photograph`);
  let arrived = 0;
  let stopped = false;
  page.on('request', (request) => {
    // In the middle of the third upload.
    if (request.method() === 'PUT' && request.url().includes('/photos/') && ++arrived === 3)
      void server.kill().then(() => (stopped = true));
  });
  await pickFiles(page, names.map(demoPhoto));
  await expect.poll(() => stopped).toBe(true);
  await goTo(page, 'Tray');
  await expect(page.getByRole('region', { name: 'On this device' })).toBeVisible();

  server = await startServer(port);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByRole('region', { name: 'On this device' })).toBeHidden();
  await expect(page.getByText('All 8 photographs are read: 8 cards in the tray.')).toBeVisible();
  await expect(page.getByText('8 cards not filed yet', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByText('8 cards not filed yet', { exact: true })).toBeVisible();
  await expect(page.getByText('All 8 photographs are read', { exact: false })).toBeHidden();
  await server.kill();
});

/** A browser with a profile that outlives it, to be killed as a phone does when its memory runs short. */
async function startBrowser(profile: string): Promise<{ browser: Browser; page: Page; kill: () => Promise<void> }> {
  const port = await freePort();
  const flags = [`--remote-debugging-port=${port}`, `--user-data-dir=${profile}`, '--headless=new', 'about:blank'];
  const child = spawn(WHOLE_CHROMIUM_PATH, [...CHROMIUM_FLAGS, ...flags], { stdio: 'ignore' });
  started.add(child);
  await until(async () => (await fetch(`http://127.0.0.1:${port}/json/version`)).ok);
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
  const context = browser.contexts()[0]!;
  const page = await context.newPage();
  await installCamera(page);
  return { browser, page, kill: () => killed(child) };
}

/** Processes of a browser that was killed may still write for a while: what cannot be taken away then is left to the machine. */
function forget(profile: string): void {
  try {
    rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 100 });
  } catch {
    // Below the folder for what is temporary.
  }
}

test('thirty photographs of an afternoon without a network arrive once, though the browser is killed twice', async ({
  baseURL,
}) => {
  // On a busy machine it takes longer than a test is given.
  test.slow();
  const profile = mkdtempSync(join(tmpdir(), 'dossier-profile-'));
  let visit = await startBrowser(profile);
  const open = async (path: string) => {
    await visit.page.goto(`${baseURL}${path}`);
    await expect(visit.page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  };
  await signIn(visit.page, 'stormy', `${baseURL}/photograph`);
  await visit.page.evaluate(() => navigator.serviceWorker.ready);
  // Shown once more, so that the service worker has what it needs without a network.
  for (const path of ['/tray', '/photograph']) await open(path);
  const before = await cardsInTray(visit.page, baseURL!);

  for (const part of [1, 2, 3]) {
    await visit.page.context().setOffline(true);
    if (part > 1) await open('/photograph');
    const release = visit.page.getByRole('button', { name: 'Take the photograph' });
    // Nothing to read on them: what is at stake is that they arrive.
    await showToCamera(visit.page, frames.table());
    for (let shot = 1; shot <= 10; shot++) {
      await release.click();
      await expect(
        visit.page.getByText(shot === 1 ? 'Picture safe' : `${shot} pictures safe`, { exact: true }),
      ).toBeVisible();
    }
    await expect(visit.page.getByText(`${part * 10} still on this device`)).toBeVisible();
    if (part === 3) break;
    // A phone has long written its cookies when it ends the browser in the course of an afternoon.
    const cookies = await visit.page.context().cookies();
    await visit.kill();
    visit = await startBrowser(profile);
    await visit.page.context().addCookies(cookies);
  }
  await visit.page.context().setOffline(false);
  await visit.page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(visit.page.getByText('still on this device', { exact: false })).toBeHidden();
  await expect.poll(() => cardsInTray(visit.page, baseURL!)).toBe(before + 30);
  await visit.page.reload();
  await expect(visit.page.getByText('still on this device', { exact: false })).toBeHidden();
  expect(await cardsInTray(visit.page, baseURL!)).toBe(before + 30);
  await visit.kill();
  forget(profile);
});

const cardsInTray = (page: Page, baseURL: string): Promise<number> =>
  page.evaluate(async (url) => {
    const { total } = (await (await fetch(url)).json()) as { total: number };
    return total;
  }, `${baseURL}/api/v1/tray`);
