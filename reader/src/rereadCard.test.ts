import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { UnreadablePhoto } from './errors';
import { readPhoto } from './readPhoto';
import { rereadCard } from './rereadCard';

jest.setTimeout(120_000);

describe('a card read a second time', () => {
  it('is read from its picture, in lines found anew, and by a head that knows no accents', async () => {
    const photo = readFileSync(join(__dirname, '../../demo/photos/harrowfield.jpg'));
    const [first] = (await readPhoto(photo)).cards;
    const { lines, baseLetters } = await rereadCard(first!.picture);
    const texts = lines.map(({ text }) => text);
    expect(texts).toContain('Harrowfield Creamery');
    expect(texts.some((text) => text.includes('nella@harrowfield.example'))).toBe(true);
    expect(lines.every(({ text, characters }) => characters.map((c) => c.text).join('') === text)).toBe(true);
    expect(baseLetters.some((text) => text.replace(/\s/g, '').includes('nella@harrowfield.example'))).toBe(true);
    // Not the same boxes: that would be the same look.
    expect(lines.map(({ quad }) => quad)).not.toEqual(first!.reading.lines.map(({ quad }) => quad));
  });

  it('cannot be read from what is no picture', async () => {
    await expect(rereadCard(Buffer.from('no picture'))).rejects.toBeInstanceOf(UnreadablePhoto);
  });
});
