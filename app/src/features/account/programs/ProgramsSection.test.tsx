import type { ApiToken } from '@dossier/contract';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { ProgramsSection } from './ProgramsSection';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  router: {},
  useRouter: () => ({}),
}));

const token = (rest: Partial<ApiToken>): ApiToken => ({
  id: '01900000-0000-7000-8000-000000000001',
  name: 'Door scanner',
  scopes: ['cards:read', 'pictures:send'],
  perMinute: 600,
  by: 'Maren Okafor-Lind',
  madeAt: '2026-03-24T02:07:00Z',
  endsAt: null,
  lastUsedAt: null,
  ...rest,
});

function show(items: ApiToken[], role = 'manager', origins: string[] = []) {
  const fetched = answerWith({
    'GET /session': { body: { user: { id: 'maren', name: 'Maren Okafor-Lind', role }, workspace: {} } },
    'GET /tokens': { body: { items } },
    'POST /tokens': { status: 201, body: { id: '2', token: 'dossier_once' } },
    'DELETE /tokens/01900000-0000-7000-8000-000000000001': { status: 204 },
    'GET /webhooks': { body: { items: [] } },
    'GET /allowed-origins': { body: { origins } },
    'PUT /allowed-origins': { status: 204 },
  });
  renderInStore(<ProgramsSection />);
  const sent = async (method: string): Promise<unknown> => {
    const call = await waitFor(() => {
      const found = fetched.mock.calls.find(([request]: [Request]) => request.method === method);
      expect(found).toBeTruthy();
      return found as [Request];
    });
    return method === 'DELETE' ? call[0].url : JSON.parse(await call[0].text());
  };
  return { sent };
}

describe('the page for programs', () => {
  it('says where no program is let in, and nothing to whoever may not let one in', async () => {
    show([]);
    expect(await screen.findByText('No program is let in.')).toBeTruthy();
  });

  it('is not for representatives', async () => {
    show([], 'rep');
    expect(await screen.findByText('Set by your manager')).toBeTruthy();
  });

  it('makes a token after saying what is missing, and shows it this once', async () => {
    const { sent } = show([]);
    fireEvent.click(await screen.findByRole('button', { name: 'Let a program in' }));
    fireEvent.click(screen.getByRole('button', { name: 'Make the token' }));
    expect(await screen.findByText('Say which program this is for.')).toBeTruthy();
    expect(screen.getByText('Choose at least one thing that the program may do.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Which program'), { target: { value: 'Gate' } });
    fireEvent.click(screen.getByRole('checkbox', { name: 'Send pictures and texts to be read' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'See people and firms' }));
    fireEvent.click(screen.getByRole('button', { name: 'Make the token' }));
    const shown = await screen.findByRole('group', { name: 'Token for Gate' });
    expect(within(shown).getByText('dossier_once')).toBeTruthy();
    const body = (await sent('POST')) as { scopes: string[]; endsAt: string };
    expect(body.scopes.sort()).toEqual(['people:read', 'pictures:send']);
    expect(Date.parse(body.endsAt)).toBeGreaterThan(Date.now());
    fireEvent.click(within(shown).getByRole('button', { name: 'Done' }));
    await waitFor(() => expect(screen.queryByText('dossier_once')).toBeNull());
  });

  it('says what each may, until when, and revokes only when asked twice', async () => {
    const { sent } = show([token({ endsAt: '2020-01-01T10:00:00Z' })]);
    expect(await screen.findByText('See photographs and cards. Send pictures and texts to be read.')).toBeTruthy();
    expect(screen.getByText(/^Ended /)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Revoke the token of Door scanner' }));
    fireEvent.click(screen.getByRole('button', { name: 'Revoke the token' }));
    expect(await sent('DELETE')).toContain('/tokens/01900000');
  });

  it('lets pages of others ask, by their address alone', async () => {
    const { sent } = show([], 'manager', ['https://one.example']);
    const field = await screen.findByLabelText('Address of a page');
    fireEvent.change(field, { target: { value: 'https://two.example/page' } });
    fireEvent.click(screen.getByRole('button', { name: 'Let it ask' }));
    expect(await screen.findByText(/^Write an address as https/)).toBeTruthy();
    fireEvent.change(field, { target: { value: 'https://Two.example' } });
    fireEvent.click(screen.getByRole('button', { name: 'Let it ask' }));
    expect(await sent('PUT')).toEqual({ origins: ['https://one.example', 'https://two.example'] });
  });
});
