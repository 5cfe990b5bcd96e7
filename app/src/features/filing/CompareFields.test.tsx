import { compareFields, type Choice } from '@dossier/core/matching';
import { emptyPersonFields } from '@dossier/core/people';
import { fireEvent, render, screen } from '@testing-library/react';
import { CompareFields } from './CompareFields';

const known = { ...emptyPersonFields(), title: 'Dispatch lead', emails: ['nella@harrowfield.example'] };
const card = { ...emptyPersonFields(), title: 'Head of Cold Chain', emails: ['office@harrowfield.example'] };

describe('comparing a card with the record', () => {
  it('shows both sides of each difference and tells what was chosen', () => {
    const chosen: [string, Choice][] = [];
    const differences = compareFields(known, card);
    render(
      <CompareFields
        differences={differences}
        choiceOf={() => 'take'}
        onChoose={(field, choice) => chosen.push([field, choice])}
      />,
    );
    expect(screen.getByText('2 fields differ. Choose what stays.')).toBeTruthy();
    expect(screen.getByRole('radio', { name: 'Title: take Head of Cold Chain' }).getAttribute('aria-checked')).toBe(
      'true',
    );
    fireEvent.click(screen.getByRole('radio', { name: 'Title: keep Dispatch lead' }));
    fireEvent.click(screen.getByRole('radio', { name: 'E-mail: keep both' }));
    expect(chosen).toEqual([
      ['title', 'keep'],
      ['emails', 'both'],
    ]);
  });

  it('says so when there is nothing new', () => {
    render(<CompareFields differences={[]} choiceOf={() => undefined} onChoose={() => undefined} />);
    expect(screen.getByText('The card says nothing new about this person.')).toBeTruthy();
  });
});
