import { rectangle } from '@dossier/core/capture';
import { iconBefore } from './iconBefore';
import { emptyPixels, type Pixels } from './pixels';

/** A line of text is outlined here, 30 high; an icon stands up to 50 before it. */
const LINE = rectangle(100, 60, 200, 30);

type Draw = (x: number, y: number) => boolean;
const inBox =
  (left: number, top: number, width: number, height: number): Draw =>
  (x, y) =>
    x >= left && y >= top && x < left + width && y < top + height;

/** A card on which everything that `isInk` says is ink. */
function drawn(isInk: Draw, ground = [240, 236, 224], ink = [30, 90, 40]): Pixels {
  const card = emptyPixels(400, 150);
  for (let y = 0; y < card.height; y++)
    for (let x = 0; x < card.width; x++) card.data.set(isInk(x, y) ? ink : ground, (y * card.width + x) * 3);
  return card;
}

const telephone = (left = 66, top = 64): Draw => {
  const [body, screen] = [inBox(left, top, 13, 22), inBox(left + 2, top + 3, 9, 14)];
  return (x, y) => body(x, y) && !screen(x, y);
};

describe('the icon before a line', () => {
  it('is a mobile telephone when it is an upright rectangle, dark or light, open or solid', () => {
    expect(iconBefore(drawn(telephone()), LINE)).toBe('mobile');
    expect(iconBefore(drawn(telephone(), [24, 24, 28], [250, 120, 80]), LINE)).toBe('mobile');
    expect(iconBefore(drawn(inBox(66, 64, 13, 22)), LINE)).toBe('mobile');
  });

  const any =
    (...shapes: Draw[]): Draw =>
    (x, y) =>
      shapes.some((isInk) => isInk(x, y));
  const box = inBox(58, 72, 28, 14);

  it.each<[string, Draw]>([
    ['of one piece', any(inBox(63, 64, 18, 9), box)],
    ['with its sheet apart', any(inBox(63, 63, 18, 7), box)],
    ['with a second sheet below', any(inBox(63, 62, 18, 9), inBox(58, 71, 28, 12), inBox(64, 83, 16, 6))],
    ['with a handset beside the sheet', any(inBox(66, 62, 18, 11), box)],
    [
      'drawn in lines',
      (x, y) => any(inBox(63, 62, 18, 10), box)(x, y) && !any(inBox(65, 64, 14, 8), inBox(60, 74, 24, 10))(x, y),
    ],
  ])('is a fax when it is a box %s', (_, isInk) => expect(iconBefore(drawn(isInk), LINE)).toBe('fax'));

  it.each<[string, Draw]>([
    ['nothing', () => false],
    ['an envelope', inBox(60, 66, 24, 17)],
    ['a round sign', (x, y) => Math.hypot((x - 72) / 0.62, y - 75) < 12],
    ['a leaning bar', (x, y) => Math.abs(x - 72 - (y - 75) * 0.7) < 4 && Math.abs(y - 75) < 12],
    ['a letter H', (x, y) => inBox(66, 64, 13, 22)(x, y) && (x < 69 || x >= 76 || Math.abs(y - 75) < 2)],
    ['a frame that goes on above', inBox(66, 0, 13, 86)],
    ['a telephone for a desk', any(inBox(58, 64, 28, 6), inBox(66, 70, 12, 4), box)],
    ['a briefcase', any(inBox(67, 68, 10, 5), box)],
    ['a house', any((x, y) => y >= 62 && y < 76 && Math.abs(x - 72) <= y - 62, box)],
    ['a person', any((x, y) => Math.hypot(x - 72, y - 68) < 7, box)],
    ['two things', (x, y) => telephone(56)(x, y) || telephone(80)(x, y)],
    ['a rule beside the text', inBox(72, 62, 3, 26)],
    ['a letter O', (x: number, y: number) => Math.abs(Math.hypot((x - 73) / 11, (y - 75) / 11) - 0.85) < 0.15],
  ])('says nothing when it is %s', (_, isInk) => expect(iconBefore(drawn(isInk), LINE)).toBeUndefined());

  it('is not looked for beyond the card', () => {
    expect(iconBefore(drawn(telephone(6)), rectangle(40, 60, 200, 30))).toBeUndefined();
  });
});
