import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { renderInStore } from '@/testing/renderInStore';
import { TakeOutPanel } from './TakeOutPanel';

/** A server that answers piece by piece, as the test says. */
function answering() {
  let give: (piece: { done: boolean; value?: Uint8Array }) => void = () => undefined;
  let fail: (error: Error) => void = () => undefined;
  const next = () =>
    new Promise<{ done: boolean; value?: Uint8Array }>((resolve, reject) => {
      give = resolve;
      fail = reject;
    });
  const headers = new Map([
    ['content-disposition', 'attachment; filename="people-2026-03-24.vcf"'],
    ['dossier-people', '1284'],
  ]);
  const fetched = jest.fn((_url: string, { signal }: { body: string; signal: AbortSignal }) => {
    signal.addEventListener('abort', () => fail(new DOMException('stopped', 'AbortError')));
    return Promise.resolve({ ok: true, body: { getReader: () => ({ read: next }) }, headers: { get: (name: string) => headers.get(name) ?? null } }); // prettier-ignore
  });
  globalThis.fetch = fetched as unknown as typeof fetch;
  const step = (piece: { done: boolean; value?: Uint8Array }) => act(() => Promise.resolve(give(piece)));
  return {
    asked: () => JSON.parse(fetched.mock.calls[0]![1].body) as Record<string, unknown>,
    piece: (bytes: number) => step({ done: false, value: new Uint8Array(bytes) }),
    end: () => step({ done: true }),
    breakOff: () => act(() => Promise.resolve(fail(new TypeError('broken off')))),
  };
}

const show = () => {
  const onClose = jest.fn();
  renderInStore(<TakeOutPanel who={{ list: 'kind=lead', except: [] }} shown="1,284 people" onClose={onClose} />);
  return onClose;
};
const begin = async () => {
  fireEvent.click(screen.getByRole('button', { name: 'Take out' }));
  await screen.findByRole('button', { name: 'Stop' });
};

beforeEach(() => {
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
  Object.assign(URL, { createObjectURL: () => 'blob:file', revokeObjectURL: () => undefined });
});

describe('taking people out', () => {
  it('asks for them as somebody chose, says how far it is, and what came', async () => {
    const server = answering();
    show();
    fireEvent.click(screen.getByRole('radio', { name: '3.0, older' }));
    fireEvent.click(screen.getByRole('radio', { name: 'One each' }));
    fireEvent.click(screen.getByRole('radio', { name: 'Inside' }));
    await begin();
    expect(screen.getByText('Putting it together …')).toBeTruthy();
    expect(server.asked()).toMatchObject({ who: { list: 'kind=lead', except: [] }, format: 'vcard', version: '3.0', zip: '1', pictures: 'inside' }); // prettier-ignore
    await server.piece(2_500_000);
    expect(await screen.findByText('1,284 people: 2.5 MB have come so far')).toBeTruthy();
    await server.end();
    expect(await screen.findByText('1,284 people taken out: people-2026-03-24.vcf, 2.5 MB.')).toBeTruthy();
  });

  it('offers a table no pictures within, and asks for none that were wanted of another format', async () => {
    const server = answering();
    show();
    fireEvent.click(screen.getByRole('radio', { name: 'Inside' }));
    fireEvent.click(screen.getByRole('radio', { name: 'Plain table' }));
    expect(screen.queryByRole('radio', { name: 'Inside' })).toBeNull();
    fireEvent.click(screen.getByRole('radio', { name: 'Semicolon' }));
    await begin();
    const asked = () => globalThis.fetch as unknown as jest.Mock<unknown, [string, { body: string }]>;
    const body = asked().mock.calls.map(([, init]) => init?.body).filter(Boolean).at(-1)!; // prettier-ignore
    expect(JSON.parse(body)).toMatchObject({ format: 'csv', pictures: 'none', delimiter: 'semicolon' });
    await server.end();
  });

  it('is stopped at once, and begun again', async () => {
    const server = answering();
    show();
    await begin();
    await server.piece(1000);
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    expect(await screen.findByRole('button', { name: 'Take out' })).toBeTruthy();
    expect(screen.queryByText(/have come so far/)).toBeNull();
  });

  it('that breaks off says so, and can be tried again', async () => {
    const server = answering();
    const onClose = show();
    await begin();
    await server.piece(1000);
    await server.breakOff();
    expect(await screen.findByText(/cannot be reached/)).toBeTruthy();
    await waitFor(() => expect(screen.getByRole('button', { name: 'Take out' })).toBeTruthy());
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(onClose).toHaveBeenCalled();
  });
});
