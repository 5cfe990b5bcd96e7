import type { PlanAct } from '@dossier/contract';
import { unfilledSteps, unfilledWords } from './words';

it('says which steps do not tell yet what they do', () => {
  const acts: PlanAct[] = [
    { do: 'message', templateId: '' },
    { do: 'call', text: 'The seals' },
    { do: 'task', text: '  ' },
    { do: 'kind', kind: 'contact' },
    { do: 'handOver', destinationId: '' },
  ];
  const unfilled = unfilledSteps(acts.map((act) => ({ act })));
  expect(unfilled).toEqual([1, 3, 5]);
  expect(unfilledWords(unfilled)).toBe('Fill in steps 1, 3 and 5 first.');
  expect(unfilledWords([2])).toBe('Fill in step 2 first.');
});
