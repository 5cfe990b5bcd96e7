import { printedCards, readAgainst } from '../../fixtures/printedCards';
import { proposeFields } from './proposeFields';
import { readingOfText } from './readingOfText';

const cards = printedCards();

describe.each([...new Set(cards.map((card) => card.group))])('%s cards', (group) => {
  it.each(cards.filter((card) => card.group === group).map((card) => [card.expected.name, card] as const))(
    'of %s',
    (_name, card) => {
      const fields = readAgainst(card, proposeFields(readingOfText(card.lines.join('\n'))));
      expect(fields.map(({ key, read }) => [key, read])).toEqual(fields.map(({ key, expected }) => [key, expected]));
    },
  );
});
