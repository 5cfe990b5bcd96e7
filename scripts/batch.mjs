/**
 * A batch of photographs through upload, reading and tray in a real browser, against a server and worker of its own:
 *
 *     npm run bench:batch -- [COUNT]
 *
 * Draws COUNT (200) photographs with the demo program, picks them all at once on the photograph screen, waits for word
 * that all are read, then compares the tray with what was drawn. Prints the figures; ends with 1 when a card is lost.
 */
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { CHROMIUM_FLAGS, CHROMIUM_PATH } from '@dossier/demo/chromium';
import { drawMany } from '@dossier/demo/many-shots';
import { buildApp } from './buildApp.mjs';
import { appFolder, dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker, waitForHealth } from './services.mjs';

const PATIENCE_MS = 60 * 60 * 1000;

const count = Number(process.argv[2] ?? 200);
const tell = (words) => process.stderr.isTTY && process.stderr.write(`\r${words}   `);
const pictures = await drawMany(count, (done) => tell(`drawn ${done}/${count}`));
await buildApp();

const running = [];
let lost = true;
try {
  const folder = join(dataFolder, 'bench-postgres');
  const postgres = await startPostgres({ folder, port: await anyFreePort(), setting: 'PORT' });
  running.push(postgres);
  await postgres.dropDatabase('batch');
  await postgres.ensureDatabase('batch');
  const port = await anyFreePort();
  const env = serverEnvironment({ postgres, database: 'batch', port, appFolder, log: 'error' });
  await setUpDatabase(env);
  running.push(startServer(env), startWorker(env));
  const address = `http://127.0.0.1:${port}`;
  await waitForHealth(address);
  lost = !(await sendAll(address));
} finally {
  for (const service of running.reverse()) await service.stop();
}
process.exit(lost ? 1 : 0);

async function sendAll(address) {
  const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: CHROMIUM_FLAGS });
  const page = await browser.newPage({ viewport: { width: 390, height: 844 }, baseURL: address });
  page.setDefaultTimeout(PATIENCE_MS);
  await page.goto('/photograph');
  await page.getByLabel('E-mail').fill('ottilie@keldermoss.example');
  await page.getByLabel('Password').fill('cold-chain');
  await page.getByRole('button', { name: 'Sign in' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: /^Pick (files|pictures)$/ }).first().click(), // prettier-ignore
  ]);
  const began = performance.now();
  const since = () => Math.round((performance.now() - began) / 100) / 10;
  await chooser.setFiles(pictures.map((buffer, i) => ({ name: `card-${i}.jpg`, mimeType: 'image/jpeg', buffer })));
  await page.getByText(`${count} kept`, { exact: true }).waitFor();
  const keptSeconds = since();
  await page.getByText('all with Dossier, being read').waitFor();
  const uploadedSeconds = since();
  const progress = setInterval(() => tell(`${since()} s`), 1000);
  await page.getByText(`All ${count} photographs are read`, { exact: false }).waitFor();
  clearInterval(progress);
  const readSeconds = since();
  await page.getByRole('button', { name: 'See the tray' }).click();
  await page.getByText(/cards? not filed yet/).waitFor();
  const inTray = await page.evaluate(async () => {
    const items = [];
    for (let cursor = ''; cursor !== undefined;) {
      const tray = await (await fetch(`/api/v1/tray${cursor}`)).json();
      items.push(...tray.items);
      cursor = tray.next ? `?cursor=${tray.next}` : undefined;
    }
    return items;
  });
  await browser.close();
  const photographs = new Set(inTray.map((item) => item.photoId));
  const figures = {
    photographs: count,
    keptOnDeviceSeconds: keptSeconds,
    uploadedSeconds,
    readSeconds,
    cards: inTray.length,
    photographsInTray: photographs.size,
    named: inTray.filter((item) => item.name).length,
    cardsAnHour: Math.round((3600 * inTray.length) / readSeconds),
  };
  console.log(JSON.stringify(figures, null, 1));
  return photographs.size === count;
}
