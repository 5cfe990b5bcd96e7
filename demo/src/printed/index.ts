import type { Quad } from '@dossier/core/capture';
import type { PrintedCard } from '@dossier/core/fixtures/printed-cards';
import { chromium } from 'playwright-core';
import { CHROMIUM_FLAGS, CHROMIUM_PATH } from '../chromium';
import { randomFrom } from '../register/random';
import { cardPage, type DrawnFrom } from './cardPage';

export { layoutNames, type DrawnFrom } from './cardPage';
export { typefaces } from './typefaces';
export { variedCard } from './varied';

export interface DrawnCard {
  card: PrintedCard;
  layout: string;
  typeface: string;
  /** A photograph of it as JPEG. */
  photo: Buffer;
  quad: Quad;
}

/**
 * Draws a photograph of each card. How it is set, in what typeface, colours and light, and how it lies follow from the seed;
 * nothing of it depends on the other cards.
 */
export async function drawPrinted(
  cards: readonly PrintedCard[],
  seed: number,
  onDrawn: (card: DrawnCard) => void,
  from?: DrawnFrom,
): Promise<void> {
  const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: CHROMIUM_FLAGS });
  const page = await browser.newPage({ viewport: { width: 1600, height: 1200 } });
  for (const [i, card] of cards.entries()) {
    const { html, layout, typeface } = cardPage(card, randomFrom(seed * 10_007 + i), from);
    await page.setContent(html);
    await page.evaluate(() => document.fonts.ready);
    await page.evaluate(fitText);
    const photo = await page.screenshot({ type: 'jpeg', quality: 70 });
    const corners = await page.$$eval('[data-corner]', (marks) =>
      marks.map((mark) => [mark.getBoundingClientRect().x, mark.getBoundingClientRect().y] as const),
    );
    onDrawn({ card, layout, typeface, photo, quad: corners as unknown as Quad });
  }
  await browser.close();
}

/** Makes the text of the page's card smaller until all of it is on the card. Runs in the page: no function has a name in it. */
function fitText(): void {
  const card = document.querySelector<HTMLElement>('[data-card]')!;
  const boxes = [card, ...card.querySelectorAll('div')].filter(
    ({ style }) => style.width !== '0px' && style.transform === '',
  );
  let size = 27;
  while (
    size > 12 &&
    boxes.some((box) => box.scrollWidth > box.clientWidth + 1 || box.scrollHeight > box.clientHeight + 2)
  )
    card.style.fontSize = `${--size}px`;
}
