import { fetchFile, NotFetched, sizeWords } from './fetchFile';

const ASKED = { who: { list: 'kind=lead', except: [] }, format: 'csv' };

/** A server that answers with these pieces, and perhaps breaks off after them. */
function answering(pieces: readonly string[], { status = 200, breaks = false } = {}): jest.Mock {
  const left = [...pieces];
  const read = () => {
    const piece = left.shift();
    if (piece !== undefined)
      return Promise.resolve({ done: false, value: Uint8Array.from(piece, (letter) => letter.charCodeAt(0)) });
    return breaks ? Promise.reject(new TypeError('broken off')) : Promise.resolve({ done: true, value: undefined });
  };
  const headers = new Map([
    ['content-disposition', 'attachment; filename="people-2026-03-24.csv"'],
    ['content-type', 'text/csv'],
    ['dossier-people', '2'],
  ]);
  return jest.fn().mockResolvedValue({
    ok: status < 300,
    body: { getReader: () => ({ read }) },
    headers: { get: (name: string) => headers.get(name) ?? null },
    json: () => Promise.resolve(JSON.parse(pieces.join('')) as unknown),
  });
}
const take = (
  fetched: jest.Mock,
  onBytes: (bytes: number) => void = () => undefined,
  signal = new AbortController().signal,
) => {
  globalThis.fetch = fetched;
  return fetchFile('/people/export', ASKED, onBytes, signal);
};

describe('a file that is made while it comes', () => {
  it('comes piece by piece, with how much has come, under its own name', async () => {
    const told: number[] = [];
    const fetched = answering(['one,', 'two\r\n']);
    const { name, file, headers } = await take(fetched, (bytes) => told.push(bytes));
    expect({ name, people: headers.get('dossier-people'), size: file.size, told }).toEqual({ name: 'people-2026-03-24.csv', people: '2', size: 9, told: [4, 9] }); // prettier-ignore
    expect(JSON.parse((fetched.mock.calls as [string, { body: string }][])[0]![1].body)).toEqual(ASKED); // prettier-ignore
  });

  it('that breaks off is none, and says so; one that is refused says why', async () => {
    await expect(take(answering(['one,'], { breaks: true }))).rejects.toThrow(/cannot be reached/);
    await expect(take(jest.fn().mockRejectedValue(new TypeError('away')))).rejects.toThrow(NotFetched);
    const problem = { type: 'about:blank', title: 'Busy', status: 503, code: 'busy', detail: 'Try again in a moment.' };
    await expect(take(answering([JSON.stringify(problem)], { status: 503 }))).rejects.toThrow('Try again in a moment.');
  });

  it('that was stopped is not told as a fault', async () => {
    const stopped = new AbortController();
    stopped.abort();
    await expect(take(jest.fn().mockRejectedValue(new DOMException('stopped', 'AbortError')), undefined, stopped.signal)).rejects.not.toThrow(NotFetched); // prettier-ignore
  });

  it('has a size in words', () => {
    expect([200, 34_000, 3_440_000].map(sizeWords)).toEqual(['1 kB', '34 kB', '3.4 MB']);
  });
});
