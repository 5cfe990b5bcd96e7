import { complaintsOf, emptyDraft } from './draft';

it('says what is wrong with which field', () => {
  const draft = emptyDraft({ currency: 'EUR', stages: [{ id: 'a' }] } as never, 'Doors');
  expect(complaintsOf(draft)).toEqual({});
  const wrong = complaintsOf({ ...draft, title: ' ', value: 'much', currency: 'euro', chance: '101' });
  expect(Object.keys(wrong).sort()).toEqual(['chance', 'currency', 'title', 'value']);
});
