import { proposeFields, type FieldName } from '..';
import { readingOf, type PrintedLine } from '../readingOf.testing';

const CARD: (string | PrintedLine)[] = [
  { text: 'Harrowfield Creamery', size: 36 },
  { text: 'Nella Harrowfield-Voss', size: 48, y: 200 },
  'Head of Cold Chain',
  { text: 'T 01632 960 117', y: 400 },
  'nella@harrowfield.example',
  'www.harrowfield.example',
];
const VCARD = (...lines: string[]) => ['BEGIN:VCARD', 'VERSION:3.0', ...lines, 'END:VCARD'].join('\n');

const withCode = (lines: readonly (string | PrintedLine)[], text: string, country = 'GB') => {
  const reading = readingOf(lines);
  const { fields } = proposeFields(
    { ...reading, codes: [{ text, quad: reading.lines[0]!.quad }] },
    { assumedCountry: country },
  );
  const all = (field: FieldName) => fields.filter((f) => f.field === field);
  return { all, one: (field: FieldName) => all(field)[0] };
};

describe('holding a card against its code', () => {
  it('is surer of what both say', () => {
    const unsure = CARD.map((line) => (line === 'nella@harrowfield.example' ? { text: line, probability: 0.4 } : line));
    const alone = proposeFields(readingOf(unsure)).fields.find((f) => f.field === 'email')!;
    const both = withCode(unsure, VCARD('EMAIL:nella@harrowfield.example')).one('email')!;
    expect(alone.confidence).toBeLessThan(0.8);
    expect(both.confidence).toBeGreaterThan(0.95);
    expect(both.reasons).toContainEqual({ code: 'codeSaysSame' });
  });

  it('sets a misread value right and keeps the reading', () => {
    const misread = CARD.map((line) => (line === 'nella@harrowfield.example' ? 'ne1la@harrowfield.example' : line));
    const email = withCode(misread, 'MECARD:N:Harrowfield-Voss,Nella;EMAIL:nella@harrowfield.example;;').one('email')!;
    expect(email.value).toBe('nella@harrowfield.example');
    expect(email.runnersUp?.map((r) => r.value)).toEqual(['ne1la@harrowfield.example']);
    expect(email.sources).toHaveLength(1);
  });

  it('shows a disagreement as a doubt and offers the other value', () => {
    const title = withCode(CARD, VCARD('FN:Nella Harrowfield-Voss', 'TITLE:Operations Director')).one('title')!;
    expect(title.value).toBe('Head of Cold Chain');
    expect(title.confidence).toBeLessThan(0.8);
    expect(title.disagreement?.said).toBe('Operations Director');
    expect(title.runnersUp?.[0]?.value).toBe('Operations Director');
  });

  it('adds what only the code says, without a place on the print', () => {
    const { all } = withCode(CARD, VCARD('TEL;TYPE=CELL:07700 900651', 'ADR:;;9 Quay Road;Port Ellery;;PE4 7QX;'));
    const mobile = all('phone').find((f) => f.value === '+447700900651')!;
    expect(mobile).toMatchObject({ phoneKind: 'mobile', sources: [], reasons: [{ code: 'onlyInCode' }] });
    expect(all('postalCode')[0]!.value).toBe('PE4 7QX');
  });

  it('takes the words of the family name as the code has them', () => {
    const card = ['Carlos Fraga Saraiva', 'Sales Director', 'info@corbrook.example'];
    expect(withCode(card, 'MECARD:N:Fraga Saraiva,Carlos;;').one('familyName')!.value).toBe('Fraga Saraiva');
    expect(withCode(card, 'MECARD:N:Saraiva,Carlos Fraga;;').one('middleName')!.value).toBe('Fraga');
  });

  it('does not offer the counting page of a printed site', () => {
    expect(
      withCode(CARD, 'https://harrowfield.example/qr?c=7')
        .all('website')
        .map((f) => f.value),
    ).toEqual(['harrowfield.example']);
  });

  it('passes over a code that says nothing about a person', () => {
    const fields = (text: string) =>
      withCode(CARD, text)
        .all('email')
        .map((f) => f.value);
    expect(fields('WIFI:S:guests;T:WPA;P:secret;;')).toEqual(['nella@harrowfield.example']);
  });
});
