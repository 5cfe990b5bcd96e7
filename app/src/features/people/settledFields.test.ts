import type { Change } from '@dossier/contract';
import { settledFields } from './settledFields';

const change = (action: Change['action'], ...fields: string[]): Change => ({
  id: crypto.randomUUID(),
  at: '2026-11-20T10:00:00.000Z',
  actor: 'Ottilie Brandt',
  action,
  cardId: null,
  changes: fields.map((field) => ({ field, before: '', after: 'x' })),
});

it('takes what was changed by hand last, and nothing that a card changed since', () => {
  const history = [
    change('updated', 'title'),
    change('edited', 'title', 'locality'),
    change('filed', 'title', 'street'),
  ];
  expect([...settledFields({ history })]).toEqual(['locality']);
});
