import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { decodePhoto } from './decodePhoto';
import { findCards } from './findCards';
import { readLane } from './lineLane';
import { loadModels } from './models';
import { readLines } from './readLines';
import { uprightCard } from './uprightCard';

jest.setTimeout(120_000);

test('two threads read what one reads, each line once, from top to bottom', async () => {
  const models = await loadModels();
  const photo = await decodePhoto(readFileSync(join(__dirname, '../../demo/photos/skerry.jpg')));
  const [quad] = (await findCards(models, photo)).cards;
  const { picture: card, lines: outlines } = await uprightCard(models, photo, { quad: quad!, upright: false });
  const begun = new Int32Array(new SharedArrayBuffer(4));
  const alone = await readLane(models, { card, outlines, begun });
  expect(alone.length).toBeGreaterThan(4);
  const top = (line: (typeof alone)[number]) => line.quad[0][1];
  expect(await readLines(models, card, outlines)).toEqual(alone.sort((a, b) => top(a) - top(b)));
});

test('what one thread has begun the other leaves alone', async () => {
  const models = await loadModels();
  const card = { data: new Uint8Array(30 * 30 * 3), width: 30, height: 30 };
  const begun = new Int32Array(new SharedArrayBuffer(4));
  const outlines = [0, 1, 2].map(
    () =>
      [
        [0, 0],
        [30, 0],
        [30, 30],
        [0, 30],
      ] as const,
  ) as never[];
  Atomics.add(begun, 0, 2);
  await readLane(models, { card, outlines, begun });
  // The third by this lane, and one more look to find that none is left.
  expect(begun[0]).toBe(4);
});
