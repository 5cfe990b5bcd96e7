/**
 * A batch of photographs through upload, reading and tray in a real browser, against a server and worker of its own:
 *
 *     npm run bench:batch -- [COUNT]
 *
 * Draws COUNT (200) photographs with the demo program, picks them all at once on the photograph screen, waits for word
 * that all are read, then compares the tray with what was drawn. Prints the figures; ends with 1 when a card is lost.
 */
import { drawMany } from '@dossier/demo/many-shots';
import { photographPage, pickFiles, withOwnService } from './ownService.mjs';

const PATIENCE_MS = 60 * 60 * 1000;

const count = Number(process.argv[2] ?? 200);
const tell = (words) => process.stderr.isTTY && process.stderr.write(`\r${words}   `);
const pictures = await drawMany(count, (done) => tell(`drawn ${done}/${count}`));
const complete = await withOwnService('batch', sendAll);
process.exit(complete ? 0 : 1);

async function sendAll(browser, address) {
  const page = await photographPage(browser, address, { width: 390, height: 844 }, PATIENCE_MS);
  const began = performance.now();
  const since = () => Math.round((performance.now() - began) / 100) / 10;
  await pickFiles(page, pictures);
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
