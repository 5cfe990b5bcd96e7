import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { UnreadablePhoto } from './errors';
import type { PhotoReader } from './photoReader';
import type { PhotoRead } from './readPhoto';
import { RecordedReader } from './recordedReader';

const folder = () => mkdtempSync(join(tmpdir(), 'readings-'));
const bytes = (text: string) => new TextEncoder().encode(text);

/** An engine that finds one card, whose text is the photograph itself; and counts how often it was asked. */
async function fakeEngine() {
  const picture = await sharp({ create: { width: 40, height: 24, channels: 3, background: '#eee' } })
    .jpeg()
    .toBuffer();
  const asked: string[] = [];
  const engine: PhotoReader = {
    read: (photo, options) => {
      const text = new TextDecoder().decode(photo);
      asked.push(`${text} ${options?.outlines?.length ?? 'all'}`);
      if (text === 'broken') return Promise.reject(new UnreadablePhoto('damaged', 'Take it again.'));
      if (text === 'killed') return Promise.reject(new Error('The reading process ended.'));
      const quad = [[0, 0], [40, 0], [40, 24], [0, 24]]; // prettier-ignore
      const card = { quad, picture, thumbnail: picture, reading: { width: 40, height: 24, lines: [{ text }] } };
      const read = { width: 40, height: 24, cards: [card], whole: undefined, engine: 'e' } as unknown as PhotoRead;
      return Promise.resolve({ read, ms: 1, residentBytes: 1 });
    },
    readArea: (_card, { from }) => {
      asked.push(`area ${from.join()}`);
      return Promise.resolve([]);
    },
    reread: () => {
      asked.push('again');
      return Promise.resolve({ lines: [], baseLetters: ['RITA'] });
    },
    close: () => undefined,
  };
  return { engine, asked };
}

describe('a recorded reading', () => {
  it('is the answer to the same photograph again, without the engine', async () => {
    const { engine, asked } = await fakeEngine();
    const kept = folder();
    const recording = new RecordedReader({ folder: kept, engine: () => engine, record: true });
    const { read } = await recording.read(bytes('a card'));
    const replaying = new RecordedReader({
      folder: kept,
      engine: () => {
        throw new Error('not asked');
      },
      record: false,
    });
    const again = (await replaying.read(bytes('a card'))).read;
    expect(again.cards[0]!.reading).toEqual(read.cards[0]!.reading);
    expect((await sharp(again.cards[0]!.picture).metadata()).width).toBe(40);
    // What its cards say a second time was asked of their whole pictures, and is told of those that are kept.
    expect(await replaying.reread(again.cards[0]!.picture)).toEqual({ lines: [], baseLetters: ['RITA'] });
    expect(asked).toEqual(['a card all', 'again']);
  });

  it('tells a photograph that cannot be read as the engine did', async () => {
    const { engine, asked } = await fakeEngine();
    const reader = new RecordedReader({ folder: folder(), engine: () => engine, record: true });
    for (let time = 0; time < 2; time++)
      await expect(reader.read(bytes('broken'))).rejects.toMatchObject({ code: 'damaged', message: 'Take it again.' });
    expect(asked).toEqual(['broken all']);
  });

  it('is not one of other borders, of other areas, or of what went wrong', async () => {
    const { engine, asked } = await fakeEngine();
    const kept = folder();
    const reader = new RecordedReader({ folder: kept, engine: () => engine, record: true });
    await reader.read(bytes('a card'));
    await reader.read(bytes('a card'), { outlines: [] });
    for (const x of [1, 2, 1]) await reader.readArea(bytes('a card'), { from: [x, 1], to: [9, 9] });
    for (let time = 0; time < 2; time++) await expect(reader.read(bytes('killed'))).rejects.toThrow('ended');
    expect(asked).toEqual([
      'a card all',
      'again',
      'a card 0',
      'again',
      'area 1,1',
      'area 2,1',
      'killed all',
      'killed all',
    ]);
    expect(readdirSync(kept)).toHaveLength(5);
  });

  it('is asked for anew, and not kept, where nothing is to be recorded', async () => {
    const { engine, asked } = await fakeEngine();
    const kept = folder();
    const reader = new RecordedReader({ folder: kept, engine: () => engine, record: false });
    for (let time = 0; time < 2; time++) await reader.read(bytes('a card'));
    expect([asked, readdirSync(kept)]).toEqual([['a card all', 'a card all'], []]);
  });
});
