import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { rectangle, type Quad } from '@dossier/core/capture';
import { decodePhoto } from './decodePhoto';
import { findCards } from './findCards';
import { lineCrop } from './lineCrop';
import { loadModels, type Models } from './models';
import { emptyPixels, type Pixels } from './pixels';
import { recogniseLine } from './recogniseLine';
import { withSideLines } from './sideLines';
import { uprightCard } from './uprightCard';
import { turnPixels } from './warp';

jest.setTimeout(120_000);

const LEVEL = rectangle(300, 200, 500, 60);
let models: Models;
let line: Pixels;
let text: string;
beforeAll(async () => {
  models = await loadModels();
  const photo = await decodePhoto(readFileSync(join(__dirname, '../../demo/photos/skerry.jpg')));
  const [quad] = (await findCards(models, photo)).cards;
  const card = await uprightCard(models, photo, { quad: quad!, upright: false });
  const crops = card.lines.map((outline) => ({ outline, crop: lineCrop(card.picture, outline) }));
  const fitting = crops.filter(({ crop }) => crop.width < 520).sort((a, b) => b.crop.width - a.crop.width)[0]!;
  line = fitting.crop;
  text = (await recogniseLine(models, card.picture, fitting.outline))!.text;
});

/** A plain card, 900 × 560, with the line turned along its left side. */
function cardWithTurnedLine(turns: 1 | 3): Pixels {
  const card = emptyPixels(900, 560);
  card.data.fill(246);
  const turned = turnPixels(line, turns);
  for (let y = 0; y < turned.height; y++)
    for (let x = 0; x < turned.width; x++) {
      const from = (y * turned.width + x) * 3;
      card.data.set(turned.data.subarray(from, from + 3), ((y + 10) * card.width + x + 40) * 3);
    }
  return card;
}

test.each([
  ['downward', 1],
  ['upward', 3],
] as const)('a line along the side is found, and read %s', async (_, turns) => {
  const card = cardWithTurnedLine(turns);
  const lines = await withSideLines(models, card, [LEVEL]);
  expect(lines).toContainEqual(LEVEL);
  const [side] = lines.filter((quad) => quad !== LEVEL);
  expect((await recogniseLine(models, card, side!))?.text).toBe(text);
});

test('letters of it that were found one by one give way to the whole', async () => {
  const letters: Quad[] = [rectangle(44, 60, 40, 40), rectangle(44, 140, 40, 42)];
  const lines = await withSideLines(models, cardWithTurnedLine(3), [LEVEL, ...letters]);
  expect(lines).toHaveLength(2);
});

test('plain paper along the sides has no lines', async () => {
  const plain = emptyPixels(900, 560);
  plain.data.fill(240);
  expect(await withSideLines(models, plain, [LEVEL])).toEqual([LEVEL]);
});
