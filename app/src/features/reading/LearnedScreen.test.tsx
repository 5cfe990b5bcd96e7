import { fireEvent, screen, waitFor } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { LearnedScreen } from './LearnedScreen';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ replace: jest.fn() }),
}));

const fact = {
  id: '0190a1b2-0000-7000-8000-000000000001',
  kind: 'company',
  domain: 'harrowfield.example',
  text: 'Harrowfield Creamery',
  times: 2,
  at: '2026-11-20T10:00:00.000Z',
  actor: 'Ottilie Brandt',
  revoked: false,
};

describe('what was learned', () => {
  it('says so when it is nothing yet', async () => {
    answerWith({ 'GET /learned': { body: { items: [] } } });
    renderInStore(<LearnedScreen />);
    await waitFor(() => expect(screen.getByText('Nothing learned yet')).toBeTruthy());
  });

  const signedInAs = (role: string) => ({ 'GET /session': { body: { user: { id: 'o', name: 'Ottilie', role } } } });

  it('is listed with where it comes from, and forgotten with a tap by those in charge', async () => {
    const fetched = answerWith({
      ...signedInAs('manager'),
      'GET /learned': { body: { items: [fact] } },
      'PATCH /learned': { status: 204 },
    });
    renderInStore(<LearnedScreen />);
    await waitFor(() => expect(screen.getByText('Harrowfield Creamery')).toBeTruthy());
    expect(screen.getByText(/harrowfield.example · 2 people, last by Ottilie Brandt/)).toBeTruthy();
    fireEvent.click(await screen.findByRole('button', { name: 'Forget Harrowfield Creamery' }));
    const patched = () => fetched.mock.calls.some(([request]) => request.method === 'PATCH');
    await waitFor(() => expect(patched()).toBe(true));
  });

  it('is only looked at by others', async () => {
    answerWith({ ...signedInAs('rep'), 'GET /learned': { body: { items: [fact] } } });
    const { store } = renderInStore(<LearnedScreen />);
    await waitFor(() => expect(screen.getByText('Harrowfield Creamery')).toBeTruthy());
    await waitFor(() => expect(JSON.stringify(store.getState().api.queries)).toContain('"role":"rep"'));
    expect(screen.queryByRole('button', { name: /^Forget/ })).toBeNull();
  });

  it('offers to try again when the server cannot be reached', async () => {
    answerWith({ 'GET /learned': { status: 500, body: {} } });
    renderInStore(<LearnedScreen />);
    await waitFor(() => expect(screen.getByRole('button', { name: 'Try again' })).toBeTruthy());
  });
});
