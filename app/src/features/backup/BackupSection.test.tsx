import type { Backups, BackupView } from '@dossier/contract';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { BackupSection } from './BackupSection';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  router: {},
  useRouter: () => ({}),
}));

const made = (rest: Partial<BackupView>): BackupView => ({
  id: '01900000-0000-7000-8000-000000000001',
  beganAt: '2026-03-24T02:07:00Z',
  state: 'done',
  progress: 1,
  bytes: 3_440_000,
  people: 1284,
  isEncrypted: true,
  problem: null,
  ...rest,
});
const backups = (rest: Partial<Backups>): Backups => ({
  schedule: { every: 'day', keep: 7 },
  isEncrypted: false,
  latest: [],
  ...rest,
});

function show(answer: { status?: number; body?: unknown }, role = 'administrator') {
  const fetched = answerWith({
    'GET /session': { body: { user: { id: 'maren', name: 'Maren Okafor-Lind', role }, workspace: {} } },
    'GET /backups': answer,
    'PUT /backups/schedule': { status: 204 },
  });
  renderInStore(<BackupSection />);
  return fetched;
}

describe('the page for backups', () => {
  it('lists those that were made by themselves, how far one is, and why another failed', async () => {
    const latest = [
      made({ id: '3', state: 'running', progress: 0.4, bytes: null, people: null }),
      made({ id: '2', state: 'failed', problem: 'There is no room left where backups are kept.' }),
      made({}),
    ];
    show({ body: backups({ latest }) });
    expect(await screen.findByText('Being made, 40 %')).toBeTruthy();
    expect(screen.getByText('There is no room left where backups are kept.')).toBeTruthy();
    expect(screen.getByText('1,284 people, 3.4 MB, encrypted')).toBeTruthy();
    expect(screen.getAllByRole('link', { name: /^Fetch the backup of/ })).toHaveLength(1);
  });

  it('changes how often they are made at one touch', async () => {
    const fetched = show({ body: backups({}) });
    expect(await screen.findByText('The first one is made within the hour.')).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'Every week' }));
    await waitFor(() => expect(fetched.mock.calls.some(([{ method }]: [Request]) => method === 'PUT')).toBe(true));
  });

  it('says where none can be made, and what could not be asked', async () => {
    show({ body: backups({ schedule: null }) });
    expect(await screen.findByText(/has no folder for them/)).toBeTruthy();
    expect(screen.queryByRole('radio')).toBeNull();
  });

  it('can be asked again where the list did not come', async () => {
    show({ status: 500, body: {} });
    expect(await screen.findByRole('button', { name: 'Try again' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Make a backup now' })).toBeTruthy();
  });

  it('asks for a passphrase that is worth something before it makes an encrypted one', async () => {
    const fetched = show({ body: backups({}) });
    fireEvent.click(await screen.findByRole('checkbox', { name: /Encrypt it/ }));
    fireEvent.change(screen.getByLabelText('Passphrase'), { target: { value: 'short' } });
    fireEvent.click(screen.getByRole('button', { name: 'Make a backup now' }));
    expect(screen.getByText(/at least 10 characters/)).toBeTruthy();
    expect(fetched.mock.calls.some(([input]: [Request | string]) => typeof input === 'string')).toBe(false);
  });

  it('is for administrators', async () => {
    show({ body: backups({}) }, 'manager');
    expect(await screen.findByText('For administrators')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Make a backup now' })).toBeNull();
  });
});
