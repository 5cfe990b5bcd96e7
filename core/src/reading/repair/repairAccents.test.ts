import { readingOf } from '../readingOf.testing';
import { readingOfText } from '../readingOfText';
import { repairAccents, wordsReadTwice } from './repairAccents';
import type { ReadLine } from '../types';

/** A line in which the engine also saw `others` in place of single characters. */
function lineWith(text: string, others: Record<number, string>, probability = 0.95): ReadLine {
  const [line] = readingOf([text]).lines;
  const characters = line!.characters.map((c, i) =>
    others[i] ? { ...c, probability, alternatives: [{ text: others[i], probability: 0.04 }] } : c,
  );
  return { ...line!, characters };
}

test('letters of a foreign name stay where the engine is sure of them, and in what somebody typed', () => {
  const name = 'Şengül Petrović';
  expect(repairAccents(readingOfText(name).lines[0]!, 'DE').text).toBe(name);
  expect(repairAccents(readingOf([name]).lines[0]!, 'DE').text).toBe(name);
  expect(repairAccents(readingOf([{ text: name, probability: 0.8 }]).lines[0]!, 'DE').text).toBe('Sengül Petrovic');
});

test.each([
  ['SE', 'Marcus Äberg', 'Marcus Åberg'],
  ['SE', 'SVEN ÄKERLUND', 'SVEN ÅKERLUND'],
  ['SE', 'Ängelholm', 'Ängelholm'],
  ['DE', 'Äberg', 'Äberg'],
])('in %s %s is %s', (country, read, right) => expect(repairAccents(lineWith(read, {}), country).text).toBe(right));

describe('an accented letter that is not the country’s own', () => {
  it.each([
    ['SE', 'Gôteborg', 'ö', 'Göteborg'],
    ['DK', 'Tömrer', 'o', 'Tømrer'],
    ['DE', 'Mûller', 'ú', 'Müller'],
  ])('gives way in %s where it is doubtful: %s', (country, read, other, right) =>
    expect(repairAccents(lineWith(read, { 1: other }, 0.5), country).text).toBe(right),
  );

  it('stays where it is sure, where the country is open, and where other languages are expected', () => {
    expect(repairAccents(lineWith('Gôteborg', { 1: 'ö' }, 0.95), 'SE').text).toBe('Gôteborg');
    expect(repairAccents(lineWith('Côte', { 1: 'ö' }, 0.5), 'FR').text).toBe('Côte');
    expect(repairAccents(lineWith('Côte', { 1: 'ö' }, 0.5), undefined).text).toBe('Côte');
    expect(repairAccents(lineWith('Gôteborg', { 1: 'ö' }, 0.5), 'SE', ['cs']).text).toBe('Gôteborg');
  });
});

test.each([
  ['PL', 'Grażyna Kępiñski', 'Grażyna Kępiński'],
  ['PL', 'ŽUREK', 'ŻUREK'],
  ['SK', 'Trzeziñská', 'Trzezińská'],
  ['SK', 'Nuñez', 'Nuñez'],
  ['PL', 'Muñoz', 'Muñoz'],
  ['NZ', 'Åkesson', 'Åkesson'],
  ['PT', 'Guimarães', 'Guimarães'],
])('in %s no word is spelled %s: %s', (country, read, right) =>
  expect(repairAccents(lineWith(read, {}), country).text).toBe(right),
);

test.each([
  ['NZ', 'Whangãrei', 'Whangārei'],
  ['NZ', 'TÅMAKI', 'TĀMAKI'],
  ['PL', 'Poznañ', 'Poznań'],
])('in %s %s is %s where its mark was not surely seen', (country, read, right) => {
  const unsure = Object.fromEntries([...read].map((letter, i) => [i, letter]));
  expect(repairAccents(lineWith(read, unsure, 0.9), country).text).toBe(right);
});

it('leaves a doubtful letter that is read so on another line as well', () => {
  const firm = lineWith('MYKLÖF LAKS', { 4: 'Ø' }, 0.6);
  const name = lineWith('Aksel Myklöf', { 10: 'ø' }, 0.6);
  expect(repairAccents(firm, 'NO').text).toBe('MYKLØF LAKS');
  expect([...wordsReadTwice([firm, name])]).toEqual(['myklöf']);
  for (const line of [firm, name]) expect(repairAccents(line, 'NO', [], wordsReadTwice([firm, name])).text).toBe(line.text); // prettier-ignore
  expect([...wordsReadTwice([lineWith('Myklöf Myklöf', {}), lineWith('Voss', {}), lineWith('Voss', {})])]).toEqual([]);
});

test.each([
  ['Zbigniew Gołqbek', 'PL', 'Zbigniew Gołąbek'],
  ['golqbek@stolarnia.example', 'PL', 'golqbek@stolarnia.example'],
  ['Jacques Quentin', 'FR', 'Jacques Quentin'],
])('no Polish word has a q: %s in %s', (read, country, expected) =>
  expect(repairAccents(readingOf([read]).lines[0]!, country).text).toBe(expected),
);
