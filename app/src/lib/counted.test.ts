import { counted } from './counted';

it.each([
  [0, '0 cards'],
  [1, '1 card'],
  [1284, '1,284 cards'],
])('%d of something is said as it is spoken', (number, words) => {
  expect(counted(number, 'card')).toBe(words);
});

it('has another word for several where there is one', () => {
  expect([1, 2].map((number) => counted(number, 'person', 'people'))).toEqual(['1 person', '2 people']);
});
