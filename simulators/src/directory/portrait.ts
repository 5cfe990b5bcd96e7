import { crc32, deflateSync } from 'node:zlib';

const SIDE = 240;

/** A portrait as a PNG (RFC 2083): head and shoulders before a ground whose colour comes from the name. */
export function portraitOf(name: string): Buffer {
  const seed = [...name].reduce((sum, letter) => (sum * 31 + letter.codePointAt(0)!) % 4096, 7);
  const ground = [96 + (seed % 90), 104 + ((seed >> 3) % 80), 110 + ((seed >> 6) % 70)];
  const rows: Buffer[] = [];
  for (let y = 0; y < SIDE; y++) {
    const row = Buffer.alloc(1 + 3 * SIDE);
    for (let x = 0; x < SIDE; x++) {
      const isHead = (x - 120) ** 2 / 44 ** 2 + (y - 92) ** 2 / 56 ** 2 < 1;
      const isBody = (x - 120) ** 2 / 92 ** 2 + (y - 250) ** 2 / 96 ** 2 < 1;
      const colour = isHead ? [226, 196, 172] : isBody ? [52, 58, 70] : ground;
      row.set(colour, 1 + 3 * x);
    }
    rows.push(row);
  }
  const head = Buffer.alloc(13);
  head.writeUInt32BE(SIDE, 0);
  head.writeUInt32BE(SIDE, 4);
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.concat(rows))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  const check = Buffer.alloc(4);
  check.writeUInt32BE(crc32(body));
  return Buffer.concat([length, body, check]);
}
