import { chromium } from 'playwright-core';
import { CHROMIUM_FLAGS, CHROMIUM_PATH } from './chromium';
import { layouts, type LayoutName } from './layouts';
import { people } from './people';
import { scenePage } from './scene';
import type { Shot, Table } from './shots';

const TABLES: readonly Table[] = ['oak', 'slate', 'linen', 'steel', 'walnut'];
const LAYOUTS = (Object.keys(layouts) as LayoutName[]).filter((name) => name !== 'back');

/**
 * Draws photographs of one demo card each, no two alike: person, layout, table, turn and tilt follow from their number.
 * @param scale pixels for each of 1600 × 1200
 * @returns JPEG files
 */
export async function drawMany(count: number, onProgress: (done: number) => void, scale = 1): Promise<Buffer[]> {
  const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: CHROMIUM_FLAGS });
  const page = await browser.newPage({ viewport: { width: 1600, height: 1200 }, deviceScaleFactor: scale });
  const pictures: Buffer[] = [];
  for (let i = 0; i < count; i++) {
    await page.setContent(scenePage(shotOf(i)));
    await page.evaluate(() => document.fonts.ready);
    pictures.push(await page.screenshot({ type: 'jpeg', quality: 72 }));
    onProgress(i + 1);
  }
  await browser.close();
  return pictures;
}

function shotOf(i: number): Shot {
  const layout = LAYOUTS[i % LAYOUTS.length]!;
  const card = {
    person: people[i % people.length]!.id,
    layout,
    x: 800 + ((i * 37) % 60) - 30,
    y: 600 + ((i * 53) % 60) - 30,
    size: layout === 'upright' ? 620 : 1080,
    turn: ((i * 29) % 25) - 12,
    tilt: [(i * 7) % 14, ((i * 11) % 14) - 7] as const,
  };
  const id = `many-${i}`;
  return {
    id,
    table: TABLES[i % TABLES.length]!,
    width: 1600,
    height: 1200,
    cards: [card],
    filed: false,
    by: 'ottilie',
  };
}
