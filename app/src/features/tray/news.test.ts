import type { Batch, SecondLooks } from '@dossier/contract';
import { newsToTell } from './news';

const batch: Batch = { id: 'b', photos: 12, done: 12, unreadable: 0, cards: 14 };
const none: SecondLooks = { asked: [], answered: [] };
const answer = (id: string, name: string, more = {}) => ({
  id,
  cardId: `card-${id}`,
  card: 'Wilhelmina Harrowfield',
  answeredBy: { id: name, name },
  answer: '',
  filed: false,
  ...more,
});

describe('word to a person', () => {
  it('comes once a batch is read to its last photograph, those on the device included', () => {
    expect(newsToTell({ ...batch, done: 11 }, none, 0, '')).toEqual([]);
    expect(newsToTell(batch, none, 1, '')).toEqual([]);
    const [word] = newsToTell(batch, none, 0, '');
    expect(word!.words).toBe('All 12 photographs are read: 14 cards in the tray.');
    expect(newsToTell(batch, none, 0, word!.key)).toEqual([]);
  });

  it('comes again when the batch has grown, and not for a single photograph', () => {
    const [word] = newsToTell(batch, none, 0, '');
    expect(newsToTell({ ...batch, photos: 13, done: 13 }, none, 0, word!.key)).toHaveLength(1);
    expect(newsToTell({ ...batch, photos: 1, done: 1, cards: 1 }, none, 0, '')).toEqual([]);
  });

  it('says what cannot be opened', () => {
    expect(newsToTell({ ...batch, unreadable: 2, cards: 1 }, none, 0, '')[0]!.words).toBe(
      'All 12 photographs are read: 1 card in the tray, 2 cannot be opened.',
    );
  });

  it('tells who has looked, with the answer for one card and the number for several', () => {
    const one = newsToTell(null, { ...none, answered: [answer('1', 'Jonna Vesk', { answer: 'It is an l.' })] }, 0, '');
    expect(one[0]).toMatchObject({
      words: 'Jonna Vesk has looked at Wilhelmina Harrowfield: “It is an l.”',
      href: '/proof/card-1',
      seen: ['1'],
    });
    const filed = { filed: true };
    const two = [answer('1', 'Jonna Vesk', filed), answer('2', 'Jonna Vesk', filed), answer('3', 'Maren Dahl')];
    expect(newsToTell(null, { ...none, answered: two }, 0, '').map((w) => w.words)).toEqual([
      'Jonna Vesk has filed 2 cards.',
      'Maren Dahl has looked at Wilhelmina Harrowfield.',
    ]);
  });

  it('leads to the first card one is asked about', () => {
    const asked = [1, 2].map((n) => ({ cardId: `c${n}`, askedBy: { id: 'o', name: 'Ottilie Brandt' }, message: '' }));
    expect(newsToTell(undefined, { ...none, asked }, 0, '')[0]).toMatchObject({
      words: 'Ottilie Brandt asks for your second look at 2 cards.',
      href: '/proof/c1',
    });
  });
});
