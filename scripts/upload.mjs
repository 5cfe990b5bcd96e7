/**
 * How soon the proposals for one photograph are there, against a service of its own on this machine:
 *
 *     npm run bench:upload -- [COUNT]
 *
 * Draws COUNT (12) photographs of 12 megapixels with a camera's grain. Each is picked on the photograph screen of a real
 * browser, and its card is opened from the tray as soon as it stands there: `screen` is milliseconds from the choice of the
 * file to the fields on the desk. The browser has the same cores as the reading then; `service` is the same from sending a
 * photograph to the proposals without a browser, as for somebody who photographs with a telephone.
 */
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { drawMany } from '@dossier/demo/many-shots';
import { photographPage, pickFiles, withOwnService } from './ownService.mjs';

const PATIENCE_MS = 2 * 60 * 1000;
const TWELVE_MEGAPIXELS = 2.5;
const count = Number(process.argv[2] ?? 12);
const drawn = await drawMany(count + 1, () => undefined, TWELVE_MEGAPIXELS);
const [warmUp, ...pictures] = await Promise.all(drawn.map(withGrain));

await withOwnService('upload', async (browser, address) => {
  const page = await photographPage(browser, address, { width: 390, height: 844 }, PATIENCE_MS);
  const seen = [];
  const screen = [];
  for (const picture of [warmUp, ...pictures]) {
    screen.push(await onScreen(page, picture, seen));
    seen.push(new URL(page.url()).pathname);
  }
  screen.shift();
  const [cookie] = await page.context().cookies();
  await page.close();
  const service = [];
  for (const picture of pictures) service.push(await fromService(address, `${cookie.name}=${cookie.value}`, picture));
  const megabytes = Math.round(pictures.reduce((sum, { length }) => sum + length, 0) / pictures.length / 1e5) / 10;
  console.log(JSON.stringify({ photographs: count, megabytes, screen: figures(screen), service: figures(service) }));
});

function figures(ms) {
  const sorted = [...ms].sort((a, b) => a - b);
  const at = (share) => Math.round(sorted[Math.floor(share * (sorted.length - 1))]);
  return { median: at(0.5), p95: at(0.95), worst: at(1) };
}

async function onScreen(page, picture, seen) {
  // Who takes a picture has had the screen before them for a while.
  await page.goto('/photograph', { waitUntil: 'networkidle' });
  const began = performance.timeOrigin + (await pickFiles(page, [picture]));
  const there = await page.evaluate(openWhenThere, seen);
  await page.waitForURL('**/proof/*');
  return there - began;
}

/**
 * In the page: goes to the tray once the picture is sent, presses the card that has not been seen yet, and waits until its
 * fields are painted; no frame is drawn for the waiting.
 */
function openWhenThere(seen) {
  const when = (look) =>
    new Promise((resolve) => {
      const observer = new window.MutationObserver(() => settle());
      const settle = () => {
        const found = look();
        if (!found) return;
        observer.disconnect();
        resolve(found);
      };
      observer.observe(document.body, { childList: true, subtree: true, attributes: true });
      settle();
    });
  const tray = () => {
    const kept = [...document.querySelectorAll('[role=status]')].find((line) =>
      line.textContent.includes('being read'),
    );
    return kept?.querySelector('a[href="/tray"]');
  };
  const card = () =>
    [...document.querySelectorAll('a[href^="/proof/"]')].find((link) => !seen.includes(link.getAttribute('href')));
  const fields = () => [...document.querySelectorAll('[role=main] textarea')].find((field) => field.checkVisibility());
  return when(tray)
    .then((link) => link.click())
    .then(() => when(card))
    .then((link) => link.click())
    .then(() => when(fields))
    .then(() => new Promise((resolve) => requestAnimationFrame(resolve)))
    .then(() =>
      window.scheduler.postTask(() => performance.timeOrigin + performance.now(), { priority: 'user-blocking' }),
    );
}

/** Sends a photograph, hears that it is read, and fetches the tray and the card. */
async function fromService(address, cookie, body) {
  const get = async (path) => (await fetch(`${address}/api/v1${path}`, { headers: { cookie } })).json();
  const known = new Set((await get('/tray')).items.map((item) => item.id));
  const events = await fetch(`${address}/api/v1/tray/events`, { headers: { cookie } });
  const photoId = randomUUID();
  const began = performance.now();
  await fetch(`${address}/api/v1/photos/${photoId}?takenAt=${new Date().toISOString()}`, {
    method: 'PUT',
    headers: { cookie, 'content-type': 'image/jpeg' },
    body,
  });
  let heard = '';
  for await (const piece of events.body.pipeThrough(new TextDecoderStream())) {
    heard += piece;
    if (heard.includes(photoId) && heard.includes('"read"')) break;
  }
  const { items } = await get('/tray');
  await get(`/cards/${items.find((item) => item.kind === 'card' && !known.has(item.id)).id}`);
  return performance.now() - began;
}

/** The same with a sensor's grain, which makes its file as large as a camera's: about 3 MB. */
async function withGrain(picture) {
  const { width, height } = await sharp(picture).metadata();
  const noise = { type: 'gaussian', mean: 128, sigma: 18 };
  const grain = await sharp({ create: { width, height, channels: 3, background: '#808080', noise } })
    .png()
    .toBuffer();
  return sharp(picture)
    .composite([{ input: grain, blend: 'soft-light' }])
    .jpeg({ quality: 90 })
    .toBuffer();
}
