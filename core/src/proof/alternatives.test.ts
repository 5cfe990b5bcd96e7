import type { ReadCharacter, Reading } from '../reading/fields';
import { alternativesOf, draftOf, fieldOfWord, textOfWords, wordAt, wordsOf, wordsWithin } from '.';
import { effortOf } from './effort';

/** A line whose characters are read as given; a doubtful one as `x(y:0.3,z:0.1)`. */
function lineOf(marked: string, top = 10): Reading['lines'][number] {
  const characters: ReadCharacter[] = [...marked.matchAll(/(.)(?:\(([^)]+)\))?/gu)].map(([, text, others]) => ({
    text: text!,
    probability: others ? 0.55 : 0.99,
    alternatives: (others ?? '').split(',').filter(Boolean).map((other) => ({ text: other.split(':')[0]!, probability: Number(other.split(':')[1]) })), // prettier-ignore
    at: 0,
  }));
  const placed = characters.map((c, i) => ({ ...c, at: (i + 0.5) / characters.length }));
  const right = characters.length * 10;
  const quad = [[0, top], [right, top], [right, top + 20], [0, top + 20]] as const; // prettier-ignore
  return { text: characters.map((c) => c.text).join(''), characters: placed, quad, confidence: 0.9 };
}
const readingWith = (...lines: string[]): Reading => ({
  width: 600,
  height: 400,
  lines: lines.map((line, i) => lineOf(line, 10 + i * 40)),
});
const field = (value: string, name: 'familyName' | 'company' = 'familyName', line = 0) => ({
  field: name,
  value,
  sources: [{ line, from: 0, to: value.length }],
  confidence: 0.5,
  reasons: [],
});

describe('what a doubtful field could be', () => {
  it('replaces each doubtful character by what it looks like, likeliest first, two together last', () => {
    const reading = readingWith('Ha1(l:0.4,I:0.05)ey0(o:0.2)');
    const [doubt] = draftOf([field('Ha1ey0')]).fields;
    const found = alternativesOf(doubt!, reading);
    expect(found.map((a) => a.value)).toEqual(['Haley0', 'Ha1eyo', 'Haleyo', 'HaIey0']);
    expect(found[0]).toMatchObject({ from: '1', to: 'l' });
    expect(found.every((a, i) => i === 0 || a.probability <= found[i - 1]!.probability)).toBe(true);
  });

  it('keeps the natural case that capitals were given', () => {
    const [doubt] = draftOf([field('Vo5s')]).fields;
    expect(alternativesOf(doubt!, readingWith('VO5(S:0.4)S'))[0]!.value).toBe('VoSs');
    const [small] = draftOf([field('Voss')]).fields;
    expect(alternativesOf(small!, readingWith('VOS(5:0.4)S'))[0]!.value).toBe('Vo5s');
  });

  it('is nothing where every character is sure or the value is not what is printed', () => {
    expect(alternativesOf(draftOf([field('Haley')]).fields[0]!, readingWith('Haley'))).toEqual([]);
    expect(alternativesOf(draftOf([field('Inferred Ltd')]).fields[0]!, readingWith('Ha1(l:0.4)ey'))).toEqual([]);
  });
});

describe('words on the picture', () => {
  const reading = readingWith('Nella Voss', 'Head Buyer, Fruit');
  const words = wordsOf(reading);

  it('are found under a finger, and the field that uses them with it', () => {
    expect(words.map((w) => w.text)).toEqual(['Nella', 'Voss', 'Head', 'Buyer,', 'Fruit']);
    const voss = wordAt(words, [80, 22])!;
    expect(voss.text).toBe('Voss');
    expect(wordAt(words, [400, 300])).toBeUndefined();
    const draft = draftOf([{ ...field('Voss'), sources: [{ line: 0, from: 6, to: 10 }] }]);
    expect(fieldOfWord(draft, voss)).toBe(draft.fields[0]!.id);
    expect(fieldOfWord(draft, words[0]!)).toBeUndefined();
  });

  it('are swept up by a rectangle drawn in any direction, line by line', () => {
    const swept = wordsWithin(words, [130, 80], [-5, 40]);
    expect(textOfWords(swept)).toEqual({ text: 'Head Buyer,', sources: [{ line: 1, from: 0, to: 11 }] });
    expect(textOfWords(words).text).toBe('Nella Voss Head Buyer, Fruit');
  });
});

describe('effort', () => {
  const reading = readingWith('Ha1(l:0.4)ey', 'Harrowfield Creamery', 'Seen. Heard.');

  it('is one act when everything is right, two more for a doubt with the right alternative', () => {
    expect(effortOf([field('Haley')], reading, { familyName: ['Haley'] }).acts).toBe(1);
    expect(effortOf([field('Ha1ey')], reading, { familyName: ['Haley'] }).acts).toBe(3);
  });

  it('counts a loose line given, a value left out, letters typed', () => {
    expect(effortOf([], reading, { company: ['Harrowfield Creamery'] }).acts).toBe(3);
    expect(effortOf([], reading, { company: ['Creamery'] }).acts).toBe(3);
    expect(effortOf([field('Haley')], reading, { familyName: [] }).acts).toBe(3);
    expect(effortOf([field('Haley')], reading, { familyName: ['Halley'] }).acts).toBe(1 + 2 + 1);
    expect(effortOf([], reading, { title: ['Buyer'] }).acts).toBe(1 + 2 + 5);
  });

  it('undoes a mix-up with one swap, and moves letters out of a name', () => {
    const mixed = [field('Haley'), { ...field('Nella'), field: 'givenName' as const }];
    expect(effortOf(mixed, reading, { familyName: ['Nella'], givenName: ['Haley'] }).acts).toBe(3);
    expect(effortOf([field('Haley MBA')], reading, { familyName: ['Haley'], suffix: ['MBA'] }).acts).toBe(3);
  });

  it('compares with typing the record by hand', () => {
    expect(effortOf([], reading, { title: ['Buyer'], email: ['a@b.example'] }).typing).toBe(1 + 6 + 12);
  });
});
