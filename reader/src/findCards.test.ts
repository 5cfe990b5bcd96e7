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
    const { cards: found, beside } = await findCards(await loadModels(), picture);
    expect(beside).toEqual([]);
    const overlaps = cards.map((card) => Math.max(0, ...found.map((quad) => intersectionOverUnion(card, quad))));
    expect(overlaps.filter((overlap) => overlap > 0.9)).toHaveLength(names.length);
  });

  it('tells of text that is on no card it found: of one whose edges nobody sees', async () => {
    const { picture, lies } = await onGround('table', 'harrowfield');
    const { cards, beside } = await findCards(await loadModels(), picture);
    expect(cards).toHaveLength(4);
    expect(beside).toHaveLength(1);
    expect(intersectionOverUnion(beside[0]!, lies)).toBeGreaterThan(0.5);
  });
});

/** A photograph with another card in its corner, which goes over into the ground on all sides. */
async function onGround(ground: string, name: string) {
  const [photo, other] = await Promise.all([ground, name].map((of) => decodePhoto(readFileSync(join(demo, `${of}.jpg`))))); // prettier-ignore
  const [width, height] = [Math.round(0.22 * photo!.width), Math.round(0.13 * photo!.width)];
  const card = warpQuad(other!, truth.find((t) => t.id === name)!.cards[0]!.quad, width, height);
  const edge = (i: number) => Math.min(i % width, Math.floor(i / width), width - 1 - (i % width), height - 1 - Math.floor(i / width)); // prettier-ignore
  const fading = Buffer.alloc(4 * width * height);
  for (let i = 0; i < width * height; i++)
    fading.set([...card.data.subarray(3 * i, 3 * i + 3), 255 * Math.min(1, Math.max(0, edge(i) / (0.12 * height) - 0.2))], 4 * i); // prettier-ignore
  const [left, top] = [20, photo!.height - height - 20];
  const both = sharp(Buffer.from(photo!.data), { raw: { width: photo!.width, height: photo!.height, channels: 3 } }).composite([{ input: fading, raw: { width, height, channels: 4 }, left, top }]); // prettier-ignore
  return { picture: await decodePhoto(await both.jpeg({ quality: 92 }).toBuffer()), lies: rectangle(left, top, width, height) }; // prettier-ignore
}
