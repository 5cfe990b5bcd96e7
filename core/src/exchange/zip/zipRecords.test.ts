import { centralRecord, dataDescriptor, endRecords, localHeader, type ZipEntry } from './zipRecords';

const at = new Date('2026-03-24T13:37:42Z');
const entry = (rest: Partial<ZipEntry>): ZipEntry => ({
  name: 'Nella Åkerlund.vcf',
  crc: 0x1234abcd,
  packed: 560,
  size: 560,
  offset: 0,
  isDeflated: false,
  isStreamed: false,
  ...rest,
});
const NAME = new TextEncoder().encode('Nella Åkerlund.vcf').length;
const view = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
const hex = (value: number) => value.toString(16);

describe('the records of an archive of files', () => {
  it('say before a file what it is, with its moment in steps of two seconds', () => {
    const header = localHeader(entry({}), at);
    const told = view(header);
    expect(hex(told.getUint32(0, true))).toBe('4034b50');
    expect([told.getUint16(4, true), hex(told.getUint16(6, true)), told.getUint16(8, true)]).toEqual([20, '800', 0]);
    const [time, day] = [told.getUint16(10, true), told.getUint16(12, true)];
    expect([time >> 11, (time >> 5) & 63, (time & 31) * 2]).toEqual([13, 37, 42]);
    expect([(day >> 9) + 1980, (day >> 5) & 15, day & 31]).toEqual([2026, 3, 24]);
    expect([hex(told.getUint32(14, true)), told.getUint32(18, true), told.getUint32(22, true)]).toEqual(['1234abcd', 560, 560]); // prettier-ignore
    expect([told.getUint16(26, true), told.getUint16(28, true), header.length]).toEqual([NAME, 0, 30 + NAME]);
  });

  it('tell the size of what is streamed behind it, in eight bytes each', () => {
    const header = view(localHeader(entry({ isStreamed: true, isDeflated: true }), at));
    expect([header.getUint16(4, true), hex(header.getUint16(6, true)), header.getUint16(8, true)]).toEqual([
      45,
      '808',
      8,
    ]);
    expect([header.getUint32(14, true), header.getUint32(18, true), header.getUint16(28, true)]).toEqual([0, 0xffffffff, 20]); // prettier-ignore
    const behind = view(dataDescriptor({ crc: 7, packed: 5e9, size: 9e9 }));
    expect(hex(behind.getUint32(0, true))).toBe('8074b50');
    expect([behind.getUint32(4, true), behind.getBigUint64(8, true), behind.getBigUint64(16, true)]).toEqual([7, 5_000_000_000n, 9_000_000_000n]); // prettier-ignore
  });

  it('list a file with what does not fit its place beside it, and only that', () => {
    const small = centralRecord(entry({ offset: 12 }), at);
    expect([view(small).getUint16(6, true), view(small).getUint32(42, true), small.length]).toEqual([20, 12, 46 + NAME]); // prettier-ignore
    const far = centralRecord(entry({ offset: 5e9 }), at);
    const told = view(far);
    expect([told.getUint16(6, true), told.getUint32(20, true), told.getUint32(42, true)]).toEqual([
      45, 560, 0xffffffff,
    ]);
    expect([told.getUint16(46 + NAME, true), told.getUint16(48 + NAME, true), told.getBigUint64(50 + NAME, true)]).toEqual([1, 8, 5_000_000_000n]); // prettier-ignore
    const large = view(centralRecord(entry({ size: 6e9, packed: 5e9, offset: 7e9 }), at));
    expect([50, 58, 66].map((place) => large.getBigUint64(place + NAME, true))).toEqual([6_000_000_000n, 5_000_000_000n, 7_000_000_000n]); // prettier-ignore
  });

  it('end in the first format as long as it can count, and in the later one behind that', () => {
    const plain = endRecords(65_534, 1000, 500);
    expect([plain.length, view(plain).getUint16(10, true), view(plain).getUint32(12, true), view(plain).getUint32(16, true)]).toEqual([22, 65_534, 500, 1000]); // prettier-ignore
    for (const [count, offset, length] of [
      [65_535, 1000, 500],
      [3, 5e9, 500],
      [3, 1000, 5e9],
    ] as const) {
      const told = view(endRecords(count, offset, length));
      expect([told.byteLength, hex(told.getUint32(0, true)), hex(told.getUint32(56, true)), hex(told.getUint32(76, true))]).toEqual([98, '6064b50', '7064b50', '6054b50']); // prettier-ignore
      expect([24, 32, 40, 48].map((place) => Number(told.getBigUint64(place, true)))).toEqual([count, count, length, offset]); // prettier-ignore
      // Where the record of the later format begins.
      expect(Number(told.getBigUint64(64, true))).toBe(offset + length);
    }
  });
});
