import { draftOf, type DraftField } from '@dossier/core/proof';
import type { Reading } from '@dossier/core/reading/fields';
import { offersOf } from './offers';

/** A line whose last character the engine takes for an "l" or, less likely, for a "1". */
const reading: Reading = {
  width: 600,
  height: 400,
  lines: [
    {
      text: 'Gil',
      quad: [[10, 10], [100, 10], [100, 40], [10, 40]], // prettier-ignore
      confidence: 0.6,
      characters: [...'Gil'].map((text, i) => ({
        text,
        probability: i === 2 ? 0.6 : 0.999,
        alternatives: i === 2 ? [{ text: '1', probability: 0.3 }] : [],
        at: (i + 0.5) / 3,
      })),
    },
  ],
};
const field = (confidence: number, values: string[]): DraftField =>
  draftOf([
    {
      field: 'familyName',
      value: 'Gil',
      confidence,
      reasons: [],
      sources: [{ line: 0, from: 0, to: 3 }],
      runnersUp: values.map((value) => ({ value, reason: { code: 'mayBeName' } })),
    },
  ]).fields[0]!;

describe('what a field could be instead', () => {
  it('is what the engine saw in a doubtful character, then other lines of the card', () =>
    expect(offersOf(field(0.5, ['Voss']), reading)).toEqual([
      { value: 'Gi1', reason: '1 instead of l' },
      { value: 'Voss', reason: 'may be the name' },
    ]));

  it('are other lines alone where nothing is doubtful', () =>
    expect(offersOf(field(0.95, ['Voss']), reading).map(({ value }) => value)).toEqual(['Voss']));

  it('is neither the value itself nor anything twice, and no more than fit', () => {
    const many = ['Gil', 'Gi1', 'Voss', 'Boss', 'Ross', 'Moss'];
    expect(offersOf(field(0.5, many), reading).map(({ value }) => value)).toEqual(['Gi1', 'Voss', 'Boss', 'Ross']);
  });
});
