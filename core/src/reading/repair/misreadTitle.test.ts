import { misreadTitle } from './misreadTitle';
import { proposeFields } from '../proposeFields';
import { readingOfText } from '../readingOfText';

test.each([
  ['Chief Estimattor', 'Chief Estimator'],
  ['CHIEF FINANCIAL OFICER', 'CHIEF FINANCIAL OFFICER'],
  ['Asociate, Cold Storage', 'Associate, Cold Storage'],
])('%s is perhaps %s', (read, title) => expect(misreadTitle(read)?.title).toBe(title));

test.each([
  ['a word of another language', 'Directeur comercial'],
  ['another letter, which may be another word', 'Project Maneger'],
  ['a short word', 'Cheff'],
  ['known words', 'Accountant, Small Engines'],
])('%s is left alone', (_, title) => expect(misreadTitle(title)).toBeUndefined());

test('the title stays as read, doubtful, with the word that was perhaps meant to choose', () => {
  const { fields } = proposeFields(
    readingOfText('Nella Fairbrook\nChief Estimattor\nHarrowfield Produce Ltd\nnella@harrowfield.example'),
  );
  const title = fields.find(({ field }) => field === 'title')!;
  expect(title.value).toBe('Chief Estimattor');
  expect(title.disagreement).toEqual({ code: 'perhapsOther', said: 'Estimattor', other: 'Estimator' });
  expect(title.runnersUp![0]!.value).toBe('Chief Estimator');
  expect(title.confidence).toBeLessThan(0.8);
});
