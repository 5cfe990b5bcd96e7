import 'fake-indexeddb/auto';

globalThis.fetch ??= (() => Promise.reject(new TypeError('no network'))) as typeof fetch;
// jsdom has no Request of its own.
globalThis.Request ??= class {
  method: string;
  private readonly sent: string;
  constructor(
    readonly url: string,
    init: RequestInit = {},
  ) {
    this.method = init.method ?? 'GET';
    this.sent = typeof init.body === 'string' ? init.body : '';
  }
  text = () => Promise.resolve(this.sent);
} as unknown as typeof Request;
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
