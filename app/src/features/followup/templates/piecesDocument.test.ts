import fc from 'fast-check';
import type { Piece } from '@dossier/contract';
import { documentOf, piecesOf } from './piecesDocument';

describe('a template in the editor', () => {
  it('has a paragraph for each line, and places between its words', () => {
    expect(
      documentOf([{ field: 'greeting', fallback: '' }, '\n\nYou said ', { field: 'noteLine', fallback: 'hello' }, '.']),
    ).toEqual({
      type: 'doc',
      content: [
        { type: 'paragraph', content: [{ type: 'place', attrs: { field: 'greeting', fallback: '' } }] },
        { type: 'paragraph' },
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: 'You said ' },
            { type: 'place', attrs: { field: 'noteLine', fallback: 'hello' } },
            { type: 'text', text: '.' },
          ],
        },
      ],
    });
  });
  it('is the same when it comes back', () => {
    const piece: fc.Arbitrary<Piece> = fc.oneof(
      fc.stringMatching(/^[a-z \n]{1,12}$/),
      fc.record({
        field: fc.constantFrom('greeting' as const, 'company' as const),
        fallback: fc.constantFrom('', 'you'),
      }),
    );
    const joined = (pieces: readonly Piece[]) => piecesOf(documentOf(pieces));
    fc.assert(fc.property(fc.array(piece), (pieces) => expect(joined(joined(pieces))).toEqual(joined(pieces))));
    fc.assert(
      fc.property(fc.array(piece), (pieces) => {
        const flat = (some: readonly Piece[]) =>
          some.map((one) => (typeof one === 'string' ? one : `{${one.field}|${one.fallback}}`)).join('');
        expect(flat(joined(pieces))).toBe(flat(pieces));
      }),
    );
  });
});
