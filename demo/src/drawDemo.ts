import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Quad } from '@dossier/core/capture';
import { chromium } from 'playwright-core';
import { CHROMIUM_FLAGS, CHROMIUM_PATH } from './chromium';
import { scenePage } from './scene';
import { shots } from './shots';
import { truthOf } from './truth';

/** Draws every demo photograph with Chromium and writes it with the truth about it. */
const folder = join(dirname(fileURLToPath(import.meta.url)), '../photos');
const browser = await chromium.launch({
  executablePath: CHROMIUM_PATH,
  args: CHROMIUM_FLAGS,
});
const truth: unknown[] = [];
for (const shot of shots) {
  const page = await browser.newPage({ viewport: { width: shot.width, height: shot.height } });
  await page.setContent(scenePage(shot));
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(folder, `${shot.id}.jpg`), type: 'jpeg', quality: 72 });
  const marks = await page.$$eval('[data-corner]', (elements) =>
    elements.map((element) => {
      const { x, y } = element.getBoundingClientRect();
      return [Math.round(x * 10) / 10, Math.round(y * 10) / 10] as const;
    }),
  );
  // Four marks a card, top left first in the card's own reading order.
  const quads = shot.cards.map((_, i) => marks.slice(i * 4, i * 4 + 4) as unknown as Quad);
  truth.push(truthOf(shot, quads));
  await page.close();
  console.log(shot.id);
}
await browser.close();
writeFileSync(join(folder, 'truth.json'), `${JSON.stringify(truth, null, 1)}\n`);
