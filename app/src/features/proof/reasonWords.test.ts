import { REASON_CODES } from '@dossier/core/reading/fields';
import type { Reason } from '@dossier/core/reading/fields';
import { reasonWords, whyDoubtful } from './reasonWords';

const doubtSentence = (disagreement: Reason | string) => whyDoubtful({ disagreement: disagreement as Reason });

describe('reasons in words', () => {
  it('are there for every code, with what they quote', () => {
    for (const code of REASON_CODES) expect(reasonWords({ code, said: 'DE', other: 'b', why: { code: 'asRead' } })).toMatch(/\w{2}/); // prettier-ignore
    expect(reasonWords({ code: 'ifFromCountry', said: 'DE' })).toBe('if the card is from Germany');
    expect(reasonWords({ code: 'wasReadAs', said: 'eida@quay.example', why: { code: 'mayBeLabel', said: 'e' } })).toBe('Read as “eida@quay.example”: “e” may be a label or an icon.'); // prettier-ignore
  });

  it('are a sentence where a field is doubtful', () => {
    expect(doubtSentence({ code: 'whereTitleStands', said: 'Keeper' })).toBe('“Keeper” stands where a position does.');
    expect(doubtSentence({ code: 'usuallySpelled', said: 'Begona', other: 'Begoña' })).toBe('“Begona” is usually spelled “Begoña”.'); // prettier-ignore
  });

  it('tell what a second reading saw where it is the first on offer', () => {
    const offer = (code: 'readTheSecondTime' | 'mayBeName') => ({ runnersUp: [{ value: 'lda@quay.example', reason: { code } }] }); // prettier-ignore
    expect(whyDoubtful(offer('readTheSecondTime'))).toBe('Read a second time it was “lda@quay.example”.');
    expect(whyDoubtful(offer('mayBeName'))).toBeUndefined();
  });

  it('stay as they were written on cards that were read before', () => {
    expect([reasonWords('has a label'), doubtSentence('The code says otherwise.')]).toEqual(['has a label', 'The code says otherwise.']); // prettier-ignore
  });
});
