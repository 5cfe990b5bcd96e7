import { clampView, fitView, focusView, zoomedAt } from './stageView';

const card = { width: 1400, height: 900 };
const room = { width: 390, height: 260 };
const shown = ({ scale, x, y }: ReturnType<typeof fitView>, [px, py]: [number, number]) => [
  px * scale + x,
  py * scale + y,
];

describe('the card on its stage', () => {
  it('is shown whole and in the middle at first', () => {
    const view = fitView(card, room);
    expect(shown(view, [700, 450])).toEqual([195, 130]);
    expect(shown(view, [0, 0])[0]).toBeGreaterThanOrEqual(0);
    expect(shown(view, [1400, 900])[1]).toBeLessThanOrEqual(260);
  });

  it('brings a small line near and keeps it whole, also at the card’s edge', () => {
    const area = { left: 20, top: 850, width: 300, height: 30 };
    const view = focusView(area, card, room);
    expect(view.scale).toBeGreaterThan(fitView(card, room).scale * 2);
    const [left, top] = shown(view, [20, 850]);
    const [right, bottom] = shown(view, [320, 880]);
    expect(left).toBeGreaterThanOrEqual(0);
    expect(top).toBeGreaterThanOrEqual(0);
    expect(right).toBeLessThanOrEqual(390);
    expect(bottom).toBeLessThanOrEqual(260);
  });

  it('zooms about the finger, no smaller than whole and never off the stage', () => {
    const view = fitView(card, room);
    const near = zoomedAt(view, 3, [100, 90]);
    const point: [number, number] = [(100 - view.x) / view.scale, (90 - view.y) / view.scale];
    expect(shown(near, point).map(Math.round)).toEqual([100, 90]);
    expect(clampView(zoomedAt(view, 0.2, [0, 0]), card, room)).toEqual(view);
    const pushed = clampView({ ...near, x: 5000, y: -5000 }, card, room);
    expect(pushed.x).toBeLessThan(30);
    expect(shown(pushed, [1400, 900])[1]).toBeGreaterThan(230);
  });
});
