import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ReadingPool, UnreadablePhoto } from '.';

const photo = (name: string) => readFileSync(join(__dirname, `../../demo/photos/${name}.jpg`));

// Three times a process begins, each with its models.
jest.setTimeout(360_000);

describe('reading in processes of their own', () => {
  let pool: ReadingPool;
  beforeAll(() => {
    pool = new ReadingPool(1);
  });
  afterAll(() => pool.close());

  it('gives what reading in this process gives, with progress, one after the other', async () => {
    const shares: number[] = [];
    const [first, second] = await Promise.all([
      pool.read(photo('harrowfield'), { onProgress: (share) => shares.push(share) }),
      pool.read(photo('harrowfield')),
    ]);
    expect(first.read.cards).toHaveLength(1);
    expect(first.read.cards[0]!.picture).toBeInstanceOf(Uint8Array);
    expect(first.read.cards[0]!.reading.lines.map((l) => l.text)).toEqual(
      second.read.cards[0]!.reading.lines.map((l) => l.text),
    );
    expect(shares.at(-1)).toBe(1);
  });

  it('says what is wrong with a picture and goes on', async () => {
    await expect(pool.read(Buffer.from('no picture'))).rejects.toBeInstanceOf(UnreadablePhoto);
    expect((await pool.read(photo('harrowfield'))).read.cards).toHaveLength(1);
  });

  it('begins anew when a reading process is killed', async () => {
    const lost = pool.read(photo('table'), {
      onProgress: () => pool['children'].forEach((child) => child.kill('SIGKILL')),
    });
    await expect(lost).rejects.toThrow('ended');
    expect((await pool.read(photo('harrowfield'))).read.cards).toHaveLength(1);
  });
});
