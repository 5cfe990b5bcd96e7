import { backWords } from './backWords';

it('says what a table would do, and what it has done', () => {
  const told = { made: 1, changed: 2, same: 3, conflicts: [], faults: [] };
  expect(backWords('business', told, false)).toEqual(['2 opportunities will be changed.', '1 opportunity will be new.', '3 opportunities are as they are here already.']); // prettier-ignore
  expect(backWords('business', { ...told, same: 0 }, true)).toEqual([
    '2 opportunities were changed.',
    '1 opportunity was new.',
  ]);
  expect(backWords('business', { ...told, made: 0, changed: 0, same: 0 }, false)).toEqual([
    'Nothing in it is to be done.',
  ]);
  expect(backWords('companies', { ...told, made: 0, changed: 1, same: 1 }, true)).toEqual(['1 firm was changed.', '1 firm is as it is here already.']); // prettier-ignore
});
