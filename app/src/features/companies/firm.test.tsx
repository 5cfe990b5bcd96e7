import type { Company, CompanyAct, ListedCompany } from '@dossier/contract';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { CompanyHistory } from './CompanyHistory';
import { RenameOrMerge } from './RenameOrMerge';

jest.mock('expo-router', () => ({ Link: ({ children }: { children: unknown }) => children, useRouter: () => ({}) }));

const act = (rest: Partial<CompanyAct>): CompanyAct => ({
  id: 'act',
  action: 'renamed',
  by: 'Ottilie Brandt',
  at: '2026-03-24T09:00:00Z',
  before: 'Lund Boats',
  after: 'Lund Yards',
  people: 0,
  canUndo: false,
  otherId: null,
  undoneAt: null,
  ...rest,
});
const lund = { id: 'lund', name: 'Lund Boats', version: 3, history: [] as CompanyAct[] } as unknown as Company;
const listed = (id: string, name: string, people: number): ListedCompany => ({ id, name, people, town: 'Port Ellery' }) as unknown as ListedCompany; // prettier-ignore

function answers(more: Parameters<typeof answerWith>[0] = {}, role = 'manager') {
  return answerWith({
    'GET /session': { body: { user: { id: 'maren', name: 'Maren Okafor-Lind', role }, workspace: {} } },
    'GET /companies': {
      body: { items: [listed('lund', 'Lund Boats', 2), listed('yard', 'Lund Yards', 0)], next: null },
    },
    ...more,
  });
}
const sent = (fetched: jest.Mock, method: string) =>
  fetched.mock.calls.map(([request]: [Request]) => request).filter((request) => request.method === method);

describe('a firm', () => {
  it('gets another name, but not none, and the form stays with the reason where it is refused', async () => {
    const detail = 'There is a firm “Lund Yards” already. Bring the two together instead.';
    const problem = { type: 'about:blank', title: 'Not possible', status: 409, code: 'firm-exists', detail };
    const fetched = answers({ 'PUT /companies/lund': { status: 409, body: problem } });
    renderInStore(<RenameOrMerge company={lund} />);
    fireEvent.click(screen.getByRole('button', { name: 'Rename' }));
    const field = screen.getByLabelText('Name of the firm');
    fireEvent.change(field, { target: { value: '  ' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(field.getAttribute('aria-invalid')).toBe('true'));
    expect(sent(fetched, 'PUT')).toEqual([]);
    fireEvent.change(field, { target: { value: 'Lund Yards' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(detail)).toBeTruthy();
    expect(screen.getByLabelText('Name of the firm')).toBeTruthy();
  });

  it('is brought together with another one only after that was seen', async () => {
    const fetched = answers({ 'POST /companies/lund/merge': { status: 204 } });
    renderInStore(<RenameOrMerge company={lund} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Another firm is the same as this one' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Lund Yards is the same' }));
    // Never with itself.
    expect(screen.queryByRole('button', { name: 'Lund Boats is the same' })).toBeNull();
    expect(screen.getByText(/“Lund Yards” is “Lund Boats”: its people \(nobody there now\) will be people of “Lund Boats”/)).toBeTruthy(); // prettier-ignore
    expect(sent(fetched, 'POST')).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: 'Bring together' }));
    expect(await screen.findByRole('button', { name: 'Rename' })).toBeTruthy();
    expect(sent(fetched, 'POST')).toHaveLength(1);
  });

  it('is not brought together by whoever may not', async () => {
    answers({}, 'assistant');
    renderInStore(<RenameOrMerge company={lund} />);
    expect(await screen.findByRole('button', { name: 'Rename' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Another firm is the same as this one' })).toBeNull();
  });
});

describe('what was done to a firm', () => {
  it('is told in words, with who and when, and taken back where it can be', async () => {
    const fetched = answers({ 'POST /company-acts/merged/undo': { status: 204 } });
    const history = [
      act({ id: 'merged', action: 'merged', canUndo: true }),
      act({ id: 'left', action: 'peopleLeft', people: 1, undoneAt: '2026-03-25T09:00:00Z' }),
      act({ id: 'came', action: 'peopleCame', people: 1200 }),
      act({ id: 'renamed' }),
    ];
    renderInStore(<CompanyHistory company={{ ...lund, history }} />);
    expect(screen.getByText('“Lund Boats” was brought together with “Lund Yards”.')).toBeTruthy();
    expect(screen.getByText('1 person given to “Lund Yards”.')).toBeTruthy();
    expect(screen.getByText('1,200 people came from “Lund Boats”.')).toBeTruthy();
    expect(screen.getByText(/taken back/)).toBeTruthy();
    fireEvent.click(await screen.findByRole('button', { name: 'Part again' }));
    await waitFor(() => expect(sent(fetched, 'POST')).toHaveLength(1));
  });

  it('is nothing yet, and says how the firm came', () => {
    answers();
    renderInStore(<CompanyHistory company={lund} />);
    expect(screen.getByText(/Made when its first person was filed/)).toBeTruthy();
  });

  it('that can no longer be taken back says why', async () => {
    const detail = 'This firm was changed since. Look at it again.';
    const problem = { type: 'about:blank', title: 'Changed', status: 409, code: 'changed-since', detail };
    answers({ 'POST /company-acts/moved/undo': { status: 409, body: problem } });
    renderInStore(<CompanyHistory company={{ ...lund, history: [act({ id: 'moved', action: 'peopleLeft', people: 2, canUndo: true })] }} />); // prettier-ignore
    fireEvent.click(await screen.findByRole('button', { name: 'Take back' }));
    expect(await screen.findByText(detail)).toBeTruthy();
  });
});
