import type { Elsewhere, Person } from '@dossier/contract';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { PersonElsewhere } from './PersonElsewhere';

jest.mock('expo-router', () => ({ Link: ({ children }: { children: React.ReactNode }) => children }));

const there = (rest: Partial<Elsewhere['items'][number]> = {}): Elsewhere['items'][number] => ({
  destinationId: '7',
  destination: 'The port office',
  state: 'delivered',
  sentAt: '2026-03-24T02:07:00Z',
  link: 'https://port.example/P-1',
  problem: null,
  heldId: null,
  theirs: [],
  ...rest,
});

function show(items: Elsewhere['items'], names = [{ id: '7', name: 'The port office', isPaused: false }]) {
  // prettier-ignore
  const fetched = answerWith({
    'GET /people/5/elsewhere': { body: { items } },
    'GET /destination-names': { body: { items: names } },
    'PUT /people/5/elsewhere/7': { status: 204 },
    'POST /deliveries/9/repeat': { status: 202, body: { begun: 1 } },
    'POST /destinations/8/people': { status: 202, body: { begun: 1 } },
  });
  renderInStore(<PersonElsewhere person={{ id: '5', deletedAt: null } as Person} />);
  return (method: string, path: string) =>
    waitFor(async () => {
      const found = fetched.mock.calls.find(([request]: [Request]) => request.method === method && request.url.endsWith(path)); // prettier-ignore
      expect(found).toBeTruthy();
      const text = await (found as [Request])[0].text();
      return text ? (JSON.parse(text) as unknown) : undefined;
    });
}
const press = async (name: string) => fireEvent.click(await screen.findByRole('button', { name }));

describe('where somebody is elsewhere', () => {
  it('is told with a link, and where else they can go', async () => {
    const sent = show([there()], [{ id: '7', name: 'The port office', isPaused: false }, { id: '8', name: 'The mill', isPaused: false }]); // prettier-ignore
    expect(await screen.findByText(/^There as of/)).toBeTruthy();
    expect(screen.getByText('Open it there').closest('a')?.getAttribute('href')).toBe('https://port.example/P-1');
    await press('Hand over to The mill');
    expect(await sent('POST', '/destinations/8/people')).toEqual({ ids: ['5'] });
  });

  it('has what stands there otherwise taken over, or ours sent over it', async () => {
    const theirs = [
      { to: 'Rank', there: 'Owner', here: 'Buyer', field: 'title' },
      { to: 'House', there: 'Voss & Son', here: 'Voss', field: null },
    ];
    const sent = show([there({ theirs })]);
    expect(await screen.findByText('Rank there: Owner')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Take Voss & Son over from The port office' })).toBeNull();
    await press('Take Owner over from The port office');
    expect(await sent('PUT', '/people/5/elsewhere/7')).toEqual({ to: 'Rank', take: true });
  });

  it('says what waits for somebody, and sends it again', async () => {
    const sent = show([there({ state: 'held', problem: 'It does not take this (422).', heldId: '9' })]);
    expect(await screen.findByText('Waits for somebody: It does not take this (422).')).toBeTruthy();
    await press('Send it again');
    await sent('POST', '/deliveries/9/repeat');
  });

  it('says nothing where there is nowhere to go', async () => {
    const sent = show([], []);
    await sent('GET', '/destination-names');
    await sent('GET', '/people/5/elsewhere');
    expect(screen.queryByText('Elsewhere')).toBeNull();
  });
});
