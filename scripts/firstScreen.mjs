/**
 * How soon the first screen can be used on a slow network, in a real browser that has nothing of Dossier yet:
 *
 *     npm run bench:first -- [SLOWER]
 *
 * The network carries 1.6 Mbit/s down and 0.75 up, with 150 ms there and back; the processor may be SLOWER (1) times slower.
 * Milliseconds are from the call of the address to the moment when the sign-in page takes a letter, and when somebody who is signed
 * in sees the cards of their tray; kilobytes are those that came over the network until then.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';
import { photographPage, pickFiles, withOwnService } from './ownService.mjs';

const PATIENCE_MS = 5 * 60 * 1000;
const RUNS = 5;
const NETWORK = { offline: false, latency: 150, downloadThroughput: 1.6e6 / 8, uploadThroughput: 0.75e6 / 8 };
const PHONE = { width: 390, height: 844 };
const photos = ['skerry', 'kestrel', 'larch', 'maple'];
const slower = Number(process.argv[2] ?? 1);

await withOwnService('first', async (browser, address) => {
  const page = await photographPage(browser, address, PHONE, PATIENCE_MS);
  await pickFiles(page, photos.map((name) => readFileSync(join(root, `demo/photos/${name}.jpg`)))); // prettier-ignore
  await page.getByText(`All ${photos.length} photographs are read`, { exact: false }).waitFor();
  const cookies = await page.context().cookies();
  const signIn = await measure(browser, address, [], (fresh) => fresh.getByLabel('E-mail').fill('o'));
  const tray = await measure(browser, `${address}/tray`, cookies, (fresh) => fresh.locator('a[href^="/proof/"]').first().waitFor()); // prettier-ignore
  console.log(JSON.stringify({ network: '1.6 Mbit/s, 150 ms', slower, signIn, tray }, null, 1));
});

async function measure(browser, address, cookies, isUsable) {
  const ms = [];
  let kilobytes = 0;
  for (let run = 0; run < RUNS; run++) {
    const context = await browser.newContext({ viewport: PHONE });
    await context.addCookies(cookies);
    const page = await context.newPage();
    page.setDefaultTimeout(PATIENCE_MS);
    const session = await context.newCDPSession(page);
    await session.send('Network.enable');
    await session.send('Network.emulateNetworkConditions', NETWORK);
    await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
    let bytes = 0;
    session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
    const began = performance.now();
    await page.goto(address, { waitUntil: 'commit' });
    await isUsable(page);
    ms.push(performance.now() - began);
    kilobytes = Math.max(kilobytes, Math.round(bytes / 1024));
    await context.close();
  }
  ms.sort((a, b) => a - b);
  return { medianMs: Math.round(ms[RUNS >> 1]), worstMs: Math.round(ms.at(-1)), kilobytes };
}
