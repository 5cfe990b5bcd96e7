import { chooseCards, rectangle, type Quad } from '.';

const picture = rectangle(0, 0, 640, 480);
const line = (x: number, y: number, w = 120): Quad => rectangle(x, y, w, 14);
const outline = (quad: Quad, edgeSupport = 0.9) => ({ quad, edgeSupport });

describe('choosing cards among outlines', () => {
  it('takes the card and not the panel printed on it', () => {
    const card = rectangle(100, 100, 400, 240);
    const panel = rectangle(120, 120, 200, 120);
    expect(chooseCards([outline(panel), outline(card)], [line(130, 130), line(340, 300)], picture)).toEqual([card]);
  });

  it('takes several cards and not the outline around them', () => {
    const cards = [rectangle(20, 20, 280, 170), rectangle(330, 20, 280, 170), rectangle(20, 250, 280, 170)];
    const texts = cards.flatMap((c) => [line(c[0][0] + 20, c[0][1] + 30), line(c[0][0] + 20, c[0][1] + 80)]);
    const chosen = chooseCards([outline(rectangle(10, 10, 610, 420)), ...cards.map((c) => outline(c))], texts, picture);
    expect(chosen).toHaveLength(3);
    for (const card of cards) expect(chosen).toContainEqual(card);
  });

  it('takes six cards although some outlines hold two of them', () => {
    const cards = [0, 1, 2].flatMap((row) => [
      rectangle(20, 20 + row * 150, 230, 130),
      rectangle(270, 20 + row * 150, 230, 130),
    ]);
    const pair = rectangle(15, 15, 490, 140);
    const all = rectangle(8, 8, 500, 450);
    const texts = cards.flatMap((c) => [line(c[0][0] + 20, c[0][1] + 30), line(c[0][0] + 20, c[0][1] + 80)]);
    const chosen = chooseCards([outline(all), outline(pair), ...cards.map((c) => outline(c))], texts, picture);
    expect(chosen).toHaveLength(6);
    for (const card of cards) expect(chosen).toContainEqual(card);
  });

  it('takes the card and not a weaker outline far around it', () => {
    const card = rectangle(200, 180, 240, 140);
    const texts = [line(220, 200), line(220, 240)];
    expect(chooseCards([outline(rectangle(4, 4, 600, 440), 0.7), outline(card, 0.98)], texts, picture)).toEqual([card]);
  });

  it('leaves out rectangles without text and outlines without edges', () => {
    expect(chooseCards([outline(rectangle(0, 0, 200, 120))], [line(400, 400)], picture)).toEqual([]);
    expect(chooseCards([outline(rectangle(0, 0, 200, 120), 0.2)], [line(20, 20)], picture)).toEqual([]);
  });

  it('takes the whole picture when the only outline cuts through the text', () => {
    const wrong = rectangle(150, 20, 320, 200);
    const texts = [line(100, 40, 120), line(100, 70, 120), line(170, 110, 100)];
    expect(chooseCards([outline(wrong)], texts, picture)).toEqual([picture]);
  });
});
