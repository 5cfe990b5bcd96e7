import { act, screen } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { ProofScreen } from './ProofScreen';

const mockSetParams = jest.fn();
jest.mock('expo-router', () => ({
  useRouter: () => ({ replace: jest.fn(), push: jest.fn() }),
  useNavigation: () => ({ setParams: mockSetParams }),
}));
jest.mock('./Desk', () => ({ Desk: ({ card }: { card: { id: string } }) => <p>{`The desk of ${card.id}`}</p> }));

const card = (id: string) => ({
  id,
  photoId: null,
  readingId: id,
  state: 'toProve',
  draft: { version: 0, content: null },
  proposals: [],
  back: null,
});
const user = { id: 'ottilie', name: 'Ottilie Marchetti' };

/** Answers for everything but the card on the desk, which waits until it is let go. */
function answerAllButFirst(first: { status?: number; body?: unknown }) {
  const answers = answerWith({
    'GET /session': { body: { user } },
    'GET /tray/run': { body: { ids: ['first', 'second'] } },
    'GET /cards/second': { body: card('second') },
    'GET /cards/first': first,
  });
  let letGo: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (letGo = resolve));
  globalThis.fetch = jest.fn(async (request: Request) => {
    if (request.url.includes('/cards/first')) await held;
    return answers(request) as Response;
  }) as unknown as typeof fetch;
  return () => act(async () => letGo());
}

beforeEach(() => {
  mockSetParams.mockClear();
  Object.assign(globalThis, { EventSource: class { close = () => undefined; } }); // prettier-ignore
});

describe('the desk of the next card', () => {
  it('is not made before the one in sight stands', async () => {
    const letGo = answerAllButFirst({ body: card('first') });
    const { store } = renderInStore(<ProofScreen cardId="first" />);
    await act(
      () => new Promise((answered) => store.subscribe(() => isDraftOf('second', store) && answered(undefined))),
    );
    expect(screen.queryByText(/The desk of/)).toBeNull();
    await letGo();
    expect(await screen.findByText('The desk of first')).toBeTruthy();
    expect(await screen.findByText('The desk of second')).toBeTruthy();
    expect(mockSetParams).toHaveBeenCalledWith({ cardId: 'first' });
  });

  it('is made also where the one in sight cannot be shown', async () => {
    const letGo = answerAllButFirst({ status: 500 });
    renderInStore(<ProofScreen cardId="first" />);
    await letGo();
    expect(await screen.findByText('This card cannot be shown')).toBeTruthy();
    expect(await screen.findByText('The desk of second')).toBeTruthy();
  });
});

const isDraftOf = (cardId: string, { getState }: ReturnType<typeof renderInStore>['store']): boolean =>
  Boolean(getState().proof[cardId]);
