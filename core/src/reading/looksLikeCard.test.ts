import { looksLikeCard } from './looksLikeCard';
import { proposeFields } from './proposeFields';
import { readingOf } from './readingOf.testing';

const isOne = (...lines: string[]) => looksLikeCard(proposeFields(readingOf(lines)));

describe('text beside the cards of a photograph', () => {
  it('is like a card with somebody, or a firm, and a way to reach them', () => {
    expect(isOne('Gudrun Aasland', 'Buyer', 'g.aasland@skagen.example')).toBe(true);
    expect(isOne('Skagen Ferries Ltd', '+44 1632 960117', '9 Quay Road')).toBe(true);
  });

  it('is something else without either', () => {
    expect(isOne('Gudrun Aasland', 'Buyer')).toBe(false);
    expect(isOne('The tide turns at noon', 'Bring boots and a lamp', 'Nobody is left behind')).toBe(false);
  });
});
