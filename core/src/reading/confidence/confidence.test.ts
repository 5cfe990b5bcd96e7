import { confidenceOf, DOUBT_BELOW, shareDoubts } from './confidence';
import type { FieldProposal } from '../proposal';
import { readingOf } from '../readingOf.testing';
import type { UnscoredProposal } from '../unscoredProposal';

const draftOf = (
  field: UnscoredProposal['field'],
  lines: readonly number[],
  more: Partial<UnscoredProposal> = {},
): UnscoredProposal => ({
  field,
  value: 'x',
  sources: lines.map((line) => ({ line, from: 0, to: 4 })),
  trust: 5,
  reasons: [],
  ...more,
});

describe('the confidence of a value', () => {
  const sure = { text: 'Nella', probability: 0.999 };
  const unsure = { text: 'Voss ', probability: 0.6 };

  it('is that of its least sure character', () => {
    const [high, low] = [sure, unsure].map((line) => confidenceOf(readingOf([line]), draftOf('company', [0])));
    expect(high).toBeGreaterThan(DOUBT_BELOW);
    expect(low).toBeLessThan(DOUBT_BELOW);
  });

  it('is that of its surest place where it is printed twice and must be exact', () => {
    const reading = readingOf([sure, unsure]);
    expect(confidenceOf(reading, draftOf('email', [0, 1]))).toBeGreaterThan(DOUBT_BELOW);
    expect(confidenceOf(reading, draftOf('company', [0, 1]))).toBeLessThan(DOUBT_BELOW);
  });

  it('falls with what speaks against the role', () => {
    const of = (trust: number) => confidenceOf(readingOf([sure]), draftOf('title', [0], { trust }));
    expect(of(0)).toBeLessThan(of(2));
    expect(of(2)).toBeLessThan(of(6));
  });

  it('is a doubt where the card itself disagrees, and where the value is not printed', () => {
    const reading = readingOf([sure]);
    expect(confidenceOf(reading, draftOf('company', [0], { disagreement: 'Says otherwise.' }))).toBeLessThan(
      DOUBT_BELOW,
    );
    expect(confidenceOf(reading, draftOf('company', []))).toBeLessThan(DOUBT_BELOW);
  });
});

describe('a doubtful family name', () => {
  const proposal = (field: FieldProposal['field'], value: string, confidence: number): FieldProposal => ({
    field,
    value,
    confidence,
    sources: [],
    reasons: [],
  });
  const company = (family: FieldProposal, name: string) =>
    shareDoubts([family, proposal('company', name, 0.97)]).find(({ field }) => field === 'company')!.confidence;

  it('makes the firm that is called after its owner one', () => {
    expect(company(proposal('familyName', 'Gasiorek', 0.6), 'Agro-Mechanika Gasiorek')).toBe(0.6);
    expect(company(proposal('familyName', 'van der Wouden', 0.6), 'Van der Wouden Hoveniers')).toBe(0.6);
  });

  it('does not touch another firm, nor one whose owner is sure', () => {
    expect(company(proposal('familyName', 'Gasiorek', 0.6), 'Agro-Mechanika')).toBe(0.97);
    expect(company(proposal('familyName', 'Gasiorek', 0.9), 'Agro-Mechanika Gasiorek')).toBe(0.97);
  });
});
