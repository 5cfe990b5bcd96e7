/** Server, worker and PostgreSQL of a bench's own, with a browser on them. */
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { CHROMIUM_FLAGS, CHROMIUM_PATH } from '@dossier/demo/chromium';
import { buildApp } from './buildApp.mjs';
import { appFolder, dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker, waitForHealth } from './services.mjs';

/** Runs `work` with a browser and the address of a service with an empty `database`, and that of its tables' owner; ends all of it afterwards. */
export async function withOwnService(database, work) {
  await buildApp();
  const running = [];
  try {
    const folder = join(dataFolder, 'bench-postgres');
    const postgres = await startPostgres({ folder, port: await anyFreePort(), setting: 'PORT' });
    running.push(postgres);
    await postgres.dropDatabase(database);
    await postgres.ensureDatabase(database);
    const port = await anyFreePort();
    const env = serverEnvironment({ postgres, database, port, appFolder, log: 'error' });
    await setUpDatabase(env);
    running.push(startServer(env), startWorker(env));
    const address = `http://127.0.0.1:${port}`;
    await waitForHealth(address);
    const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: CHROMIUM_FLAGS });
    running.push({ stop: () => browser.close() });
    return await work(browser, address, postgres.url('dossier_owner', database));
  } finally {
    for (const service of running.reverse()) await service.stop();
  }
}

/** A page signed in on the photograph screen. */
export async function photographPage(browser, address, viewport, patienceMs) {
  const page = await browser.newPage({ viewport, baseURL: address });
  page.setDefaultTimeout(patienceMs);
  await page.goto('/photograph');
  await page.getByLabel('E-mail').fill('ottilie@keldermoss.example');
  await page.getByLabel('Password').fill('cold-chain');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await pickButton(page).waitFor();
  return page;
}

const pickButton = (page) => page.getByRole('button', { name: /^Pick (files|pictures)$/ }).first();

/**
 * Picks pictures as a person does, from a folder.
 * @param pictures bytes of JPEG files
 * @returns when they were chosen, in milliseconds
 */
export async function pickFiles(page, pictures) {
  const folder = join(dataFolder, 'bench-pictures');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const files = pictures.map((_, i) => join(folder, `card-${i}.jpg`));
  pictures.forEach((bytes, i) => writeFileSync(files[i], bytes));
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), pickButton(page).click()]);
  const began = performance.now();
  await chooser.setFiles(files);
  return began;
}
