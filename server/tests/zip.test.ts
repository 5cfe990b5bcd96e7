import { PassThrough } from 'node:stream';
import { unzipSync } from 'fflate';
import { Gone, sinkOf, ZipSink } from '../src/features/exchange/takeOut/sink';

describe('files put into one', () => {
  it('are all there, however many they are, with what was written into each', async () => {
    // More than the first kind of such a file could hold.
    const MANY = 66_000;
    const out = new PassThrough();
    const pieces: Buffer[] = [];
    out.on('data', (piece: Buffer) => pieces.push(piece));
    const zip = new ZipSink(sinkOf(out));
    await zip.file('everybody.json', async (sink) => {
      for (let i = 0; i < 5_000; i++) await sink.write(`"ä ${i}",`);
    });
    for (let i = 0; i < MANY; i++) await zip.add(zip.free('Nella', '.vcf'), i % 2 ? `${i} ä` : Buffer.from(`${i} ä`));
    await zip.end();
    const files = unzipSync(new Uint8Array(Buffer.concat(pieces)));
    const names = Object.keys(files);
    expect([names.length, ...names.slice(1, 3)]).toEqual([MANY + 1, 'Nella.vcf', 'Nella (2).vcf']);
    expect(Buffer.from(files['everybody.json']!).toString()).toMatch(/^"ä 0","ä 1",.*"ä 4999",$/);
    // Text is packed tight.
    expect(Buffer.concat(pieces).indexOf('Nella.vcf')).toBeLessThan(20_000);
    expect(Buffer.from(files[names.at(-1)!]!).toString()).toBe(`${MANY - 1} ä`);
  });

  it('end for whoever writes them when nobody takes them any more', async () => {
    const out = new PassThrough({ highWaterMark: 10 });
    const zip = new ZipSink(sinkOf(out));
    const writing = zip.file('a.txt', async (sink) => {
      for (;;) await sink.write('x'.repeat(1000));
    });
    out.destroy();
    await expect(writing).rejects.toThrow(Gone);
    await expect(zip.add('b.txt', 'y')).rejects.toThrow(Gone);
  });
});
