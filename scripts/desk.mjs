/**
 * How soon the desk shows the next card, and how smoothly a picture is dragged, in a real browser on a slowed processor:
 *
 *     npm run bench:desk -- [SLOWER]
 *
 * Reads the demo photographs with a server and worker of its own, then goes from card to card with the processor SLOWER (4)
 * times slower. Milliseconds are from the press of the button to the first frame in which the next card's fields are painted.
 */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { CHROMIUM_FLAGS, CHROMIUM_PATH } from '@dossier/demo/chromium';
import { buildApp } from './buildApp.mjs';
import { appFolder, dataFolder, root } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker, waitForHealth } from './services.mjs';

const PATIENCE_MS = 10 * 60 * 1000;
const CARDS = 14;
const DRAG_STEPS = 60;
const slower = Number(process.argv[2] ?? 4);
const photos = readdirSync(join(root, 'demo/photos'))
  .filter((name) => name.endsWith('.jpg'))
  .slice(0, CARDS);
await buildApp();

const running = [];
try {
  const folder = join(dataFolder, 'bench-postgres');
  const postgres = await startPostgres({ folder, port: await anyFreePort(), setting: 'PORT' });
  running.push(postgres);
  await postgres.dropDatabase('desk');
  await postgres.ensureDatabase('desk');
  const port = await anyFreePort();
  const env = serverEnvironment({ postgres, database: 'desk', port, appFolder, log: 'error' });
  await setUpDatabase(env);
  running.push(startServer(env), startWorker(env));
  const address = `http://127.0.0.1:${port}`;
  await waitForHealth(address);
  const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: CHROMIUM_FLAGS });
  try {
    const sizes = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } };
    const figures = {};
    for (const [name, viewport] of Object.entries(sizes)) {
      const page = await browser.newPage({ viewport, baseURL: address });
      page.setDefaultTimeout(PATIENCE_MS);
      await openTray(page, name === 'phone');
      figures[name] = await measure(page);
      await page.close();
    }
    console.log(JSON.stringify({ slower, ...figures }, null, 1));
  } finally {
    await browser.close();
  }
} finally {
  for (const service of running.reverse()) await service.stop();
}

async function openTray(page, withPhotos) {
  await page.goto('/photograph');
  await page.getByLabel('E-mail').fill('ottilie@keldermoss.example');
  await page.getByLabel('Password').fill('cold-chain');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: /^Pick (files|pictures)$/ }).first().waitFor(); // prettier-ignore
  if (withPhotos) {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: /^Pick (files|pictures)$/ }).first().click(), // prettier-ignore
    ]);
    await chooser.setFiles(photos.map((name) => join(root, 'demo/photos', name)));
    await page.getByText(`All ${photos.length} photographs are read`, { exact: false }).waitFor();
  }
  await page.goto('/tray');
}

async function measure(page) {
  const cards = page.locator('a[href^="/proof/"]');
  await cards.first().click();
  await page.getByRole('button', { name: 'Skip to the next card' }).waitFor();
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
  const next = [];
  for (let i = 0; i < photos.length - 2; i++) {
    // A person looks at the card before going on.
    await page.waitForTimeout(2500);
    next.push(await page.evaluate(goOn));
  }
  next.sort((a, b) => a - b);
  const at = (share) => Math.round(next[Math.floor(share * (next.length - 1))]);
  const drag = await measureDrag(page);
  return { cards: next.length, nextCardMs: { median: at(0.5), p95: at(0.95), worst: at(1) }, drag };
}

/** In the page: presses the button and waits until the fields of another card are painted. */
function goOn() {
  // Asks for the style of the desk only: whatever asks for more has the page laid out first.
  const shown = () => [...document.querySelectorAll('[role=main]')].find((desk) => desk.checkVisibility());
  const before = shown();
  const button = before.querySelector('[aria-label="Skip to the next card"]');
  return new Promise((resolve) => {
    const began = performance.now();
    button.click();
    const look = () => {
      const now = shown();
      if (!now || now === before || !now.querySelector('textarea')) return requestAnimationFrame(look);
      // What is posted before a frame is painted comes when it is; what waits to be rendered out of sight comes later.
      return window.scheduler.postTask(() => resolve(performance.now() - began), { priority: 'user-blocking' });
    };
    requestAnimationFrame(look);
  });
}

async function measureDrag(page) {
  const box = await page.locator('img').filter({ visible: true }).first().boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.evaluate(() => {
    window.frames_ = [];
    const tick = (at) => {
      window.frames_.push(at);
      window.frameLoop = requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= DRAG_STEPS; i++) await page.mouse.move(x + 40 * Math.sin(i / 5), y + 20 * Math.cos(i / 5));
  await page.mouse.up();
  const times = await page.evaluate(() => (cancelAnimationFrame(window.frameLoop), window.frames_));
  const gaps = times.slice(1).map((at, i) => at - times[i]).sort((a, b) => a - b); // prettier-ignore
  const rounded = (share) => Math.round(gaps[Math.floor(share * (gaps.length - 1))]);
  return { frames: gaps.length, frameMs: { median: rounded(0.5), p95: rounded(0.95), worst: rounded(1) } };
}
