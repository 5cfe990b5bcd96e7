import { cardLines } from '../cardLine';
import { confidenceOf, isDoubt, shareDoubts } from './confidence';
import type { JudgedCard } from './features';
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

const cardOf = (lines: Parameters<typeof readingOf>[0], ...drafts: UnscoredProposal[]): JudgedCard => {
  const reading = readingOf(lines);
  return { reading, lines: reading.lines, geometry: cardLines(reading), drafts, country: undefined };
};
const confidenceIn = (lines: Parameters<typeof readingOf>[0], draft: UnscoredProposal) =>
  confidenceOf(draft, cardOf(lines, draft));

describe('the confidence of a value', () => {
  const sure = { text: 'Nella', probability: 0.9995 };
  const unsure = { text: 'Voss ', probability: 0.5 };

  it('falls with what the engine is unsure of', () => {
    for (const field of ['company', 'title', 'familyName', 'email'] as const)
      expect(confidenceIn([unsure], draftOf(field, [0]))).toBeLessThan(confidenceIn([sure], draftOf(field, [0])));
  });

  it('is that of its surest place where it is printed twice and must be exact', () => {
    const [once, twice] = [[0], [0, 1]].map((lines) => confidenceIn([unsure, sure], draftOf('email', lines)));
    expect(twice).toBeGreaterThan(once!);
    expect(confidenceIn([unsure, sure], draftOf('company', [0, 1]))).toBeLessThan(confidenceIn([sure, sure], draftOf('company', [0, 1]))); // prettier-ignore
  });

  it('falls with what speaks against the role, for fields that weights were fitted for and for others', () => {
    for (const field of ['company', 'region'] as const) {
      const of = (trust: number) => confidenceIn([sure], draftOf(field, [0], { trust }));
      expect(of(-1)).toBeLessThan(of(7));
    }
  });

  it('is a doubt where the card itself disagrees', () => {
    const confidence = confidenceIn([sure], draftOf('company', [0], { disagreement: { code: 'codeSaysOther' } }));
    expect(isDoubt({ field: 'company', confidence })).toBe(true);
  });

  it('is what a code says where nothing but the code says it', () => {
    for (const field of ['company', 'email', 'title'] as const)
      expect(confidenceIn([sure], { ...draftOf(field, []), certainty: 0.9 })).toBe(0.9);
  });

  it('must be higher where somebody is known or reached by it than for the rest', () => {
    expect(isDoubt({ field: 'email', confidence: 0.8 })).toBe(true);
    expect(isDoubt({ field: 'street', confidence: 0.8 })).toBe(false);
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
