/**
 * How soon the desk shows the next card, and how smoothly a picture is dragged, in a real browser on a slowed processor:
 *
 *     npm run bench:desk -- [SLOWER]
 *
 * Reads the demo photographs with a server and worker of its own, then goes from card to card with the processor SLOWER (4)
 * times slower. Milliseconds are from the press of the button to the first frame in which the next card's fields are painted.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { framesWhile } from './frames.mjs';
import { root } from './paths.mjs';
import { photographPage, pickFiles, withOwnService } from './ownService.mjs';

const PATIENCE_MS = 10 * 60 * 1000;
const CARDS = 14;
const DRAG_STEPS = 60;
const slower = Number(process.argv[2] ?? 4);
const photos = readdirSync(join(root, 'demo/photos'))
  .filter((name) => name.endsWith('.jpg'))
  .slice(0, CARDS);
const sizes = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } };
await withOwnService('desk', async (browser, address) => {
  const figures = {};
  for (const [name, viewport] of Object.entries(sizes)) {
    const page = await photographPage(browser, address, viewport, PATIENCE_MS);
    if (name === 'phone') {
      await pickFiles(page, photos.map((name) => readFileSync(join(root, 'demo/photos', name)))); // prettier-ignore
      await page.getByText(`All ${photos.length} photographs are read`, { exact: false }).waitFor();
    }
    await page.goto('/tray');
    figures[name] = await measure(page);
    await page.close();
  }
  console.log(JSON.stringify({ slower, ...figures }, null, 1));
});

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
  return framesWhile(page, async () => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= DRAG_STEPS; i++) await page.mouse.move(x + 40 * Math.sin(i / 5), y + 20 * Math.cos(i / 5));
    await page.mouse.up();
  });
}
