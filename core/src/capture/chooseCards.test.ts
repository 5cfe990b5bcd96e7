import { chooseCards, rectangle, type Quad } from '.';

const picture = rectangle(0, 0, 640, 480);
const line = (x: number, y: number, w = 120): Quad => rectangle(x, y, w, 14);
const outline = (quad: Quad, edgeSupport = 0.9) => ({ quad, edgeSupport, sharpness: edgeSupport });

describe('choosing cards among outlines', () => {
  it('takes the card and not the panel printed on it', () => {
    const card = rectangle(100, 100, 400, 240);
    const panel = rectangle(120, 120, 200, 120);
    expect(chooseCards([outline(panel), outline(card)], [line(130, 130), line(340, 300)], picture)).toEqual([card]);
  });

  it('takes a card with the band along its side, though the seam is the clearer edge, where the band ends in one', () => {
    const card = rectangle(100, 100, 400, 240);
    const withoutBand = rectangle(145, 100, 355, 240);
    const texts = [line(200, 130), line(200, 160)];
    expect(chooseCards([outline(withoutBand, 1), outline(card, 0.9)], texts, picture)).toEqual([card]);
    expect(chooseCards([outline(withoutBand, 1), outline(card, 0.8)], texts, picture)).toEqual([withoutBand]);
  });

  it('takes no strip of ground between two cards for a band', () => {
    const cards = [rectangle(20, 100, 270, 170), rectangle(330, 100, 270, 170)];
    const texts = cards.flatMap((c) => [line(c[0][0] + 20, c[0][1] + 30), line(c[0][0] + 20, c[0][1] + 80)]);
    const upToTheNext = outline(rectangle(20, 100, 309, 170), 0.9);
    const chosen = chooseCards([...cards.map((c) => outline(c, 1)), upToTheNext], texts, picture);
    expect(chosen).toHaveLength(2);
    for (const card of cards) expect(chosen).toContainEqual(card);
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

  it('leaves out outlines without edges, and rectangles without text that are no surer than chance', () => {
    expect(chooseCards([outline(rectangle(0, 0, 200, 120), 0.2)], [line(20, 20)], picture)).toEqual([]);
    expect(chooseCards([outline(rectangle(0, 0, 200, 120), 0.8)], [], picture)).toEqual([]);
  });

  it('takes a card-shaped outline with perfect edges although its text was not seen', () => {
    const back = rectangle(150, 120, 320, 200);
    expect(chooseCards([outline(back, 1)], [], picture)).toEqual([back]);
  });

  it('takes two touching cards and not the long outline of both', () => {
    const cards = [rectangle(20, 100, 280, 175), rectangle(300, 100, 280, 175)];
    const texts = cards.flatMap((c) => [0, 40, 80].map((dy) => line(c[0][0] + 20, c[0][1] + 30 + dy)));
    const both = rectangle(20, 100, 560, 175);
    const chosen = chooseCards([outline(both, 1), ...cards.map((c) => outline(c, 0.8))], texts, picture);
    expect(chosen).toHaveLength(2);
  });

  it('takes the whole picture when the only outline cuts through the text', () => {
    const wrong = rectangle(150, 20, 320, 200);
    const scan = rectangle(0, 0, 640, 400);
    const texts = [40, 90, 140, 190, 260, 310].map((y) => rectangle(60, y, 380, 26));
    expect(chooseCards([outline(wrong)], texts, scan)).toEqual([scan]);
  });
});
