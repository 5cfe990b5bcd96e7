import { rectangle } from '@dossier/core/capture';
import type { ReadLine } from '@dossier/core/reading';
import { withIcon } from './lineLane';
import { emptyPixels } from './pixels';

/** A line from 100 to 300, 30 high, each character as wide as the next. */
const lineOf = (text: string): ReadLine => ({
  text,
  quad: rectangle(100, 60, 200, 30),
  characters: [...text].map((character, i) => ({
    text: character,
    probability: 1,
    alternatives: [],
    at: (i + 0.5) / text.length,
  })),
  confidence: 1,
});

/** A card with a telephone's upright rectangle from `left` on. */
function cardWithTelephone(left: number) {
  const card = emptyPixels(400, 150);
  for (let y = 0; y < card.height; y++)
    for (let x = 0; x < card.width; x++)
      if (!(x >= left && x < left + 13 && y >= 64 && y < 86)) card.data.set([240, 236, 224], (y * card.width + x) * 3);
  return card;
}

test.each([
  ['before the line', 66, '027 440 9118'],
  ['within it, read as a sign', 104, '& 027 440 9118'],
  ['within it, read as a digit', 104, '0 027 440 9118'],
])('a telephone is an icon %s', (_, left, text) => {
  expect(withIcon(cardWithTelephone(left), lineOf(text)).icon).toBe('mobile');
});

test.each([
  ['a word', 'Harbour Road 4'],
  ['a label of its own', 'Tel. 027 440 9118'],
])('nothing is looked for before %s', (_, text) => {
  expect(withIcon(cardWithTelephone(66), lineOf(text)).icon).toBeUndefined();
});
