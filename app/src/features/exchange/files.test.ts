import type { Import } from '@dossier/contract';
import { namesOf, withName } from './ColumnsChoice';
import { countWords, stateWords } from './importWords';
import { NotTakenOut, sizeWords, takeOutFile } from './takeOutFile';

const WHO = { list: 'kind=lead', except: [] };

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
  return takeOutFile(WHO, { format: 'csv' }, onBytes, signal);
};

describe('a file that is taken out', () => {
  it('comes piece by piece, with how much has come, under its own name', async () => {
    const told: number[] = [];
    const fetched = answering(['one,', 'two\r\n']);
    const { name, file, people } = await take(fetched, (bytes) => told.push(bytes));
    expect({ name, people, size: file.size, told }).toEqual({ name: 'people-2026-03-24.csv', people: 2, size: 9, told: [4, 9] }); // prettier-ignore
    expect(JSON.parse((fetched.mock.calls as [string, { body: string }][])[0]![1].body)).toEqual({ who: WHO, format: 'csv' }); // prettier-ignore
  });

  it('that breaks off is none, and says so; one that is refused says why', async () => {
    await expect(take(answering(['one,'], { breaks: true }))).rejects.toThrow(/cannot be reached/);
    await expect(take(jest.fn().mockRejectedValue(new TypeError('away')))).rejects.toThrow(NotTakenOut);
    const problem = { type: 'about:blank', title: 'Busy', status: 503, code: 'busy', detail: 'Try again in a moment.' };
    await expect(take(answering([JSON.stringify(problem)], { status: 503 }))).rejects.toThrow('Try again in a moment.');
  });

  it('that was stopped is not told as a fault', async () => {
    const stopped = new AbortController();
    stopped.abort();
    await expect(take(jest.fn().mockRejectedValue(new DOMException('stopped', 'AbortError')), undefined, stopped.signal)).rejects.not.toThrow(NotTakenOut); // prettier-ignore
  });

  it('has a size in words', () => {
    expect([200, 34_000, 3_440_000].map(sizeWords)).toEqual(['1 kB', '34 kB', '3.4 MB']);
  });
});

describe('the columns of a table', () => {
  const all = {
    people: 2,
    columns: ['givenName', 'familyName', 'email1'].map((key) => ({ key, header: key, about: '' })),
  };

  it('are all of them until one is left out, in their order, under other names where somebody wishes', () => {
    const without = withName(all, namesOf(all, []), 'givenName', undefined);
    expect(without).toEqual(['familyName', 'email1']);
    const named = withName(all, namesOf(all, without), 'email1', 'Mail = address');
    expect(named).toEqual(['familyName', 'email1=Mail = address']);
    expect(namesOf(all, named).get('email1')).toBe('Mail = address');
    expect(withName(all, namesOf(all, ['email1', 'familyName']), 'givenName', '')).toEqual([]);
  });

  it('are never none', () => {
    expect(withName(all, namesOf(all, ['email1']), 'email1', undefined)).toEqual(['email1']);
  });
});

describe('a file that is brought in', () => {
  const counts = { created: 1, updated: 0, unchanged: 1200, perhaps: 2, refused: 0, conflicts: 1 };

  it('says what became of its rows, and nothing that is not there', () => {
    expect(countWords(counts)).toEqual(['1 person new', '1,200 people as they are', '2 people perhaps known', '1 row changed here as well']); // prettier-ignore
  });

  it('says how far it is', () => {
    const at = (state: Import['state'], rest: object = {}) => stateWords({ state, dry: false, done: 50, rows: 1203, kept: 0, ...rest }); // prettier-ignore
    expect(at('running')).toBe('Bringing in: 50 of 1,203 rows');
    expect(at('running', { dry: true })).toBe('Looking: 50 of 1,203 rows');
    expect(at('cancelled')).toBe('Stopped after 50 of 1,203 rows');
    expect(at('undone', { kept: 1 })).toBe('Taken back, but 1 person changed since');
  });
});
