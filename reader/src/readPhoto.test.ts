import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { intersectionOverUnion, type Quad } from '@dossier/core/capture';
import { proposeFields } from '@dossier/core/reading';
import sharp from 'sharp';
import { readPhoto, UnreadablePhoto } from '.';
import { decodePhoto } from './decodePhoto';
import { keptPicture } from './keptPicture';
import { photoThumbnail } from './photoThumbnail';
import { sniffPhoto } from './sniffPhoto';

const demo = join(__dirname, '../../demo/photos');
const photo = (name: string) => readFileSync(join(demo, `${name}.jpg`));
const truth = JSON.parse(readFileSync(join(demo, 'truth.json'), 'utf8')) as {
  id: string;
  cards: { quad: Quad; fields: { familyName: string | null; company: string } }[];
}[];
const truthOf = (name: string) => truth.find((t) => t.id === name)!.cards;

jest.setTimeout(180_000);

describe('reading a photograph', () => {
  it('finds the card, takes it out flat and reads it with the place of every character', async () => {
    const { cards, width, height } = await readPhoto(photo('harrowfield'));
    expect([width, height]).toEqual([1600, 1200]);
    expect(cards).toHaveLength(1);
    const [card] = cards;
    expect(intersectionOverUnion(card!.quad, truthOf('harrowfield')[0]!.quad)).toBeGreaterThan(0.95);
    const email = card!.reading.lines.find((line) => line.text.includes('@'))!;
    expect(email.text).toContain('nella@harrowfield.example');
    expect(email.characters.map((c) => c.text).join('')).toBe(email.text);
    const places = email.characters.map((c) => c.at);
    expect([...places].sort((a, b) => a - b)).toEqual(places);
    expect((await sharp(card!.picture).metadata()).width).toBe(card!.reading.width);
    expect(Math.max(...Object.values(await sizeOf(card!.thumbnail)))).toBeLessThanOrEqual(320);
  });

  it('turns a card that lies on its head or on its side', async () => {
    for (const name of ['peck', 'boreal']) {
      const { cards } = await readPhoto(photo(name));
      const [expected] = truthOf(name);
      const value = proposeFields(cards[0]!.reading).fields.find((f) => f.field === 'familyName')?.value;
      expect(value).toBe(expected!.fields.familyName);
      // Corner by corner: the outline begins where the card's own reading begins.
      cards[0]!.quad.forEach(([x, y], i) => {
        expect(Math.hypot(x - expected!.quad[i]![0], y - expected!.quad[i]![1])).toBeLessThan(120);
      });
    }
  });

  it('makes several cards of several in one picture', async () => {
    const shares: number[] = [];
    const { cards } = await readPhoto(photo('table'), { onProgress: (share) => shares.push(share) });
    expect(cards).toHaveLength(4);
    for (const { quad } of truthOf('table')) {
      expect(Math.max(...cards.map((card) => intersectionOverUnion(card.quad, quad)))).toBeGreaterThan(0.9);
    }
    expect(shares.at(-1)).toBe(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });

  it('takes borders as a person set them, in their order, and turns only where the person has not', async () => {
    const [a, b, c, d] = truthOf('harrowfield')[0]!.quad;
    const empty: Quad = [[4, 4], [124, 4], [124, 84], [4, 84]]; // prettier-ignore
    const { cards } = await readPhoto(photo('harrowfield'), {
      outlines: [
        { quad: empty, upright: false },
        { quad: [b, c, d, a], upright: false },
        { quad: [b, c, d, a], upright: true },
      ],
    });
    expect(cards).toHaveLength(3);
    expect(cards[0]!.reading.lines).toEqual([]);
    const [turned, asSet] = [cards[1]!, cards[2]!];
    expect(turned.reading.width).toBeGreaterThan(turned.reading.height);
    expect(asSet.reading.width).toBeLessThan(asSet.reading.height);
    expect(asSet.quad).toEqual([b, c, d, a]);
    const emails = proposeFields(turned.reading).fields.filter((f) => f.field === 'email');
    expect(emails.map((f) => f.value)).toEqual(['nella@harrowfield.example']);
  });

  it('follows the EXIF orientation', async () => {
    const turned = await sharp(photo('harrowfield')).rotate(90).withMetadata({ orientation: 8 }).jpeg().toBuffer();
    const { cards, width } = await readPhoto(turned);
    expect(width).toBe(1600);
    expect(cards[0]!.reading.lines.some((line) => line.text.includes('Harrowfield'))).toBe(true);
  });

  it('gives the whole picture when there is no card', async () => {
    const plain = await sharp({ create: { width: 500, height: 400, channels: 3, background: '#8a9ba8' } })
      .png()
      .toBuffer();
    const { cards, whole } = await readPhoto(plain);
    expect(cards).toEqual([]);
    expect(whole!.reading).toEqual({ width: 500, height: 400, lines: [] });
    expect(await sizeOf(whole!.picture)).toEqual({ width: 500, height: 400 });
  });
});

describe('pictures of every kind', () => {
  it('opens HEIC', async () => {
    const { cards } = await readPhoto(readFileSync(join(__dirname, '../fixtures/harrowfield.heic')));
    expect(cards[0]!.reading.lines.map((line) => line.text)).toContain('Harrowfield Creamery');
  });

  it('keeps the colours of a camera whose profile is not sRGB', async () => {
    const plain = photo('harrowfield');
    const { cards } = await readPhoto(await sharp(plain).withIccProfile('p3').jpeg({ quality: 95 }).toBuffer());
    const { picture, thumbnail } = cards[0]!;
    const { icc } = await sharp(await sharp(plain).withIccProfile('p3').jpeg().toBuffer()).metadata();
    for (const jpeg of [picture, thumbnail]) expect((await sharp(jpeg).metadata()).icc).toEqual(icc);
    const meanColours = async (jpeg: Uint8Array) =>
      (await sharp(jpeg).toColourspace('srgb').stats()).channels.map((c) => c.mean);
    const expected = await meanColours((await readPhoto(plain)).cards[0]!.picture);
    for (const [i, mean] of (await meanColours(picture)).entries())
      expect(Math.abs(mean - expected[i]!)).toBeLessThan(2);
  });

  const small = sharp({ create: { width: 64, height: 48, channels: 3, background: '#ddd' } });

  it.each([
    [
      'a PNG with transparency',
      () =>
        sharp({ create: { width: 64, height: 48, channels: 4, background: '#dddddd80' } })
          .png()
          .toBuffer(),
    ],
    ['a 16-bit PNG', () => small.clone().toColourspace('rgb16').png().toBuffer()],
    ['a grey JPEG', () => small.clone().greyscale().jpeg().toBuffer()],
    ['a CMYK JPEG', () => small.clone().toColourspace('cmyk').jpeg().toBuffer()],
    ['a WebP', () => small.clone().webp().toBuffer()],
    ['an animated WebP by its first picture', () => animated()],
    [
      'a strip one pixel high',
      () =>
        sharp({ create: { width: 900, height: 1, channels: 3, background: '#ddd' } })
          .png()
          .toBuffer(),
    ],
    [
      'one pixel',
      () =>
        sharp({ create: { width: 1, height: 1, channels: 3, background: '#ddd' } })
          .png()
          .toBuffer(),
    ],
  ])('opens %s', async (_kind, make) => {
    const { cards } = await readPhoto(await make());
    expect(cards).toEqual([]);
  });

  it.each([
    ['text', Buffer.from('Dear Sir or Madam'), 'not-a-picture'],
    ['nothing', Buffer.alloc(0), 'not-a-picture'],
    ['a cut-off JPEG', photo('harrowfield').subarray(0, 300), 'damaged'],
    [
      'a PNG with a broken middle',
      Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(200, 7)]),
      'damaged',
    ],
    [
      'an HEIC without content',
      Buffer.concat([Buffer.from('00000018', 'hex'), Buffer.from('ftypheic'), Buffer.alloc(60)]),
      'damaged',
    ],
    ['more than 15 MB', Buffer.alloc(15 * 1024 * 1024 + 1), 'too-large'],
  ])('refuses %s with words for a person', async (_kind, bytes, code) => {
    const refusal = await readPhoto(bytes).catch((error: unknown) => error);
    expect(refusal).toBeInstanceOf(UnreadablePhoto);
    expect(refusal).toMatchObject({ code, message: expect.stringMatching(/picture|file/) });
  });

  it('refuses more than 60 megapixels before it decodes them', async () => {
    const huge = await sharp({ create: { width: 9000, height: 7000, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
    await expect(readPhoto(huge)).rejects.toMatchObject({ code: 'too-many-pixels' });
  });

  it('that are damaged anywhere are opened as far as they go, or refused in words', async () => {
    const whole = await sharp(photo('harrowfield')).resize(320).jpeg().toBuffer();
    let seed = 11;
    const chance = (below: number) => (seed = (seed * 16807) % 2147483647) % below;
    for (let round = 0; round < 60; round++) {
      const broken = Buffer.from(whole);
      for (let k = 0; k < 1 + chance(12); k++) broken[2 + chance(broken.length - 2)] = chance(256);
      const bytes = round % 3 === 0 ? broken.subarray(0, chance(broken.length)) : broken;
      const outcome = await decodePhoto(bytes).catch((error: unknown) => error);
      if (outcome instanceof UnreadablePhoto) expect(outcome.message).toMatch(/\.$/);
      else expect(outcome).toMatchObject({ width: expect.any(Number), height: expect.any(Number) });
    }
  });

  it('are told apart by their bytes', async () => {
    expect(sniffPhoto(photo('harrowfield'))).toBe('jpeg');
    expect(sniffPhoto(await small.clone().webp().toBuffer())).toBe('webp');
    expect(sniffPhoto(Buffer.from('GIF89a'))).toBeUndefined();
  });

  it('get a small upright picture, or none when they cannot be opened', async () => {
    const thumbnail = await photoThumbnail(photo('harrowfield'));
    expect(await sizeOf(thumbnail!)).toEqual({ width: 320, height: 240 });
    expect(await photoThumbnail(Buffer.from('Dear Sir'))).toBeUndefined();
  });

  it('are made anew where they come in a file, without what stood beside them', async () => {
    const made = (await keptPicture(photo('harrowfield')))!;
    expect(await sizeOf(made.picture)).toEqual({ width: made.width, height: made.height });
    expect(Math.max(made.width, made.height)).toBeLessThanOrEqual(1600);
    expect(await sizeOf(made.thumbnail)).toEqual({ width: 320, height: 240 });
    expect((await sharp(made.picture).metadata()).exif).toBeUndefined();
    expect(await keptPicture(Buffer.from('Dear Sir'))).toBeUndefined();
  });
});

async function animated(): Promise<Buffer> {
  const frames = await Promise.all(
    ['#dddddd', '#999999'].map((background) =>
      sharp({ create: { width: 64, height: 48, channels: 3, background } })
        .png()
        .toBuffer(),
    ),
  );
  return sharp(frames, { join: { animated: true } })
    .webp({ loop: 0, delay: [100, 100] })
    .toBuffer();
}

async function sizeOf(bytes: Uint8Array): Promise<{ width: number; height: number }> {
  const { width = 0, height = 0 } = await sharp(bytes).metadata();
  return { width, height };
}
