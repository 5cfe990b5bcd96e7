import 'fake-indexeddb/auto';

globalThis.fetch ??= (() => Promise.reject(new TypeError('no network'))) as typeof fetch;
// jsdom has neither; structuredClone is what the fake IndexedDB copies records with.
globalThis.structuredClone ??= ((value: unknown) => JSON.parse(JSON.stringify(value))) as typeof structuredClone;
window.matchMedia ??= ((query: string) => ({
  matches: false,
  media: query,
  addEventListener() {},
  removeEventListener() {},
  addListener() {},
  removeListener() {},
})) as never;
