/**
 * How soon the proposals for one photograph are on the proof screen, in a real browser against a service of its own:
 *
 *     npm run bench:upload -- [COUNT]
 *
 * Draws COUNT (12) photographs of 12 megapixels, and picks one after the other on the photograph screen. Milliseconds are
 * from the choice of the file to the fields on the desk, the ways through the tray included.
 */
import { drawMany } from '@dossier/demo/many-shots';
import { photographPage, pickFiles, withOwnService } from './ownService.mjs';

const PATIENCE_MS = 2 * 60 * 1000;
const TWELVE_MEGAPIXELS = 2.5;
const count = Number(process.argv[2] ?? 12);
const [warmUp, ...pictures] = await drawMany(count + 1, () => undefined, TWELVE_MEGAPIXELS);

await withOwnService('upload', async (browser, address) => {
  const page = await photographPage(browser, address, { width: 390, height: 844 }, PATIENCE_MS);
  const toProve = page.locator('a[href^="/proof/"]');
  const others = [];
  const prove = async (buffer) => {
    // Who takes a picture has had the screen before them for a while.
    await page.goto('/photograph', { waitUntil: 'networkidle' });
    const began = await pickFiles(page, { name: 'card.jpg', mimeType: 'image/jpeg', buffer });
    await page.getByText('See the tray').first().click();
    await toProve.nth(others.length).waitFor();
    await toProve.and(page.locator(others.map((href) => `:not([href="${href}"])`).join('') || '*')).click();
    await page.getByRole('textbox', { name: /^E-mail/ }).first().waitFor(); // prettier-ignore
    const ms = performance.now() - began;
    await page.waitForURL('**/proof/*');
    others.push(new URL(page.url()).pathname);
    return ms;
  };
  await prove(warmUp);
  const ms = [];
  for (const picture of pictures) ms.push(await prove(picture));
  ms.sort((a, b) => a - b);
  const at = (share) => Math.round(ms[Math.floor(share * (ms.length - 1))]);
  const megabytes = Math.round(pictures.reduce((sum, { length }) => sum + length, 0) / pictures.length / 1e5) / 10;
  console.log(JSON.stringify({ photographs: ms.length, megabytes, median: at(0.5), p95: at(0.95), worst: at(1) }));
});
