import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { aspectOfQuad, intersectionOverUnion, rectangle, type Quad } from '@dossier/core/capture';
import sharp, { type OverlayOptions } from 'sharp';
import { decodePhoto } from './decodePhoto';
import { findCards } from './findCards';
import { loadModels } from './models';
import { warpQuad } from './warp';

const demo = join(__dirname, '../../demo/photos');
const truth = JSON.parse(readFileSync(join(demo, 'truth.json'), 'utf8')) as { id: string; cards: { quad: Quad }[] }[];
const SHEET = { width: 4000, height: 3000 };
/** Length of a card on the sheet in pixels: its lines of text are 15 to 20 high where cards are looked for. */
const CARD_LENGTH = 820;
const GAP = 60;

jest.setTimeout(180_000);

/** A scanned sheet with cards of one length side by side, on paper as light as they are. */
async function sheetOf(names: readonly string[]) {
  const cards: Quad[] = [];
  const pictures: OverlayOptions[] = [];
  for (const [i, name] of names.entries()) {
    const photo = await decodePhoto(readFileSync(join(demo, `${name}.jpg`)));
    const { quad } = truth.find((t) => t.id === name)!.cards[0]!;
    const height = Math.round(CARD_LENGTH / aspectOfQuad(quad, [photo.width, photo.height]));
    const card = warpQuad(photo, quad, CARD_LENGTH, height);
    const left = 200 + (i % 4) * (CARD_LENGTH + GAP);
    const top = 200 + Math.floor(i / 4) * 700;
    pictures.push({ input: Buffer.from(card.data), raw: { width: CARD_LENGTH, height, channels: 3 }, left, top });
    cards.push(rectangle(left, top, CARD_LENGTH, height));
  }
  const paper = sharp({ create: { ...SHEET, channels: 3, background: '#f4f1e8' } });
  return { cards, picture: await decodePhoto(await paper.composite(pictures).jpeg({ quality: 90 }).toBuffer()) };
}

describe('finding cards', () => {
  it('finds every card of a sheet whose text is too small for the first look', async () => {
    const names = ['ashgrove', 'crane', 'glace', 'harrowfield', 'kestrel', 'larch', 'maple', 'orchid'];
    const { cards, picture } = await sheetOf(names);
    const found = await findCards(await loadModels(), picture);
    const overlaps = cards.map((card) => Math.max(0, ...found.map((quad) => intersectionOverUnion(card, quad))));
    expect(overlaps.filter((overlap) => overlap > 0.9)).toHaveLength(names.length);
  });
});
