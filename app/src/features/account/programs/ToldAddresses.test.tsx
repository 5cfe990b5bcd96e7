import type { Webhook, WebhookDelivery } from '@dossier/contract';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { ToldAddresses } from './ToldAddresses';

const hook = (rest: Partial<Webhook> = {}): Webhook => ({
  id: '7',
  url: 'https://orders.example/told',
  types: [],
  madeAt: '2026-03-24T02:07:00Z',
  by: 'Maren Okafor-Lind',
  pausedAt: null,
  pausedWhy: null,
  waiting: 0,
  failed: 0,
  lastDeliveredAt: null,
  ...rest,
});
const delivery = (rest: Partial<WebhookDelivery> = {}): WebhookDelivery => ({
  id: '9',
  type: 'person.created',
  madeAt: '2026-03-24T02:07:00Z',
  state: 'failed',
  attempts: 12,
  nextAt: null,
  doneAt: '2026-03-27T02:07:00Z',
  request: '{"type":"person.created"}',
  status: 500,
  answer: 'Out of order',
  problem: 'It has trouble of its own.',
  ...rest,
});

function show(items: Webhook[], sent: WebhookDelivery[] = []) {
  const fetched = answerWith({
    'GET /webhooks/7/deliveries': { body: { items: sent, next: null } },
    'GET /webhooks': { body: { items } },
    'POST /webhooks/7/secret': { status: 201, body: { id: '7', secret: 'whsec_new', formerUntil: null } },
    'POST /webhooks/7/try': { status: 202, body: { repeated: 1 } },
    'POST /webhook-deliveries/9/repeat': { status: 202, body: { repeated: 1 } },
    'POST /webhooks': { status: 201, body: { id: '8', secret: 'whsec_once', formerUntil: null } },
    'PUT /webhooks/7': { status: 204 },
    'DELETE /webhooks/7': { status: 204 },
  });
  renderInStore(<ToldAddresses />);
  return (method: string, path: string) =>
    waitFor(() => {
      const found = fetched.mock.calls.find(([request]: [Request]) => request.method === method && request.url.endsWith(path)); // prettier-ignore
      expect(found).toBeTruthy();
      return (found as [Request])[0].text().then((text) => (text ? (JSON.parse(text) as Record<string, unknown>) : {}));
    });
}
const press = async (name: string | RegExp) => fireEvent.click(await screen.findByRole('button', { name }));

describe('addresses that are told', () => {
  it('begin with none; one is added with some of what happens, and its secret shown this once', async () => {
    const sent = show([]);
    expect(await screen.findByText('No address is told.')).toBeTruthy();
    await press('Tell an address');
    await press('Tell this address');
    expect(await screen.findByText('Write an address that begins with https://.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Address'), { target: { value: 'https://a.example/told' } });
    fireEvent.click(screen.getByRole('radio', { name: 'Some of it' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Somebody new' }));
    await press('Tell this address');
    expect(await screen.findByText('whsec_once')).toBeTruthy();
    expect(await sent('POST', '/webhooks')).toEqual({ url: 'https://a.example/told', types: ['person.created'] });
  });

  it('say how they stand, and show what was sent with what came back', async () => {
    const sent = show([hook({ failed: 3, pausedAt: '2026-03-27T02:07:00Z', pausedWhy: 'Nothing has been taken there for three days.' })], [delivery(), delivery({ id: '10', state: 'delivered', status: 200, attempts: 1, problem: null })]); // prettier-ignore
    expect(await screen.findByText(/Nothing has been taken there for three days\. 3 messages could not be delivered\./)).toBeTruthy(); // prettier-ignore
    await press('What was sent to https://orders.example/told');
    const list = await screen.findByRole('list', { name: 'What was sent' });
    expect(await within(list).findByText('It has trouble of its own. Given up after 12 tries.')).toBeTruthy();
    expect(within(list).getByText('Taken (200)')).toBeTruthy();
    fireEvent.click(within(list).getAllByRole('button', { name: /Somebody new/ })[0]!);
    expect(within(list).getByText('Out of order')).toBeTruthy();
    await press('Send it again');
    await sent('POST', '/webhook-deliveries/9/repeat');
    await press('Go on');
    expect(await sent('PUT', '/webhooks/7')).toMatchObject({ paused: false });
  });

  it('get a new secret, are tried, and go when asked twice', async () => {
    const sent = show([hook()]);
    await press('New secret');
    expect(await screen.findByText('whsec_new')).toBeTruthy();
    await press('Try it');
    await sent('POST', '/webhooks/7/try');
    expect(await screen.findByText('Nothing has been sent yet.')).toBeTruthy();
    await press('Remove');
    await press('Remove this address');
    await sent('DELETE', '/webhooks/7');
  });
});
