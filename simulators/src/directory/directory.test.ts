import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { directory } from './directory';

let server: Server;
let base: string;
beforeAll(async () => {
  server = createServer(directory({ key: 'list key', slowMs: 30, seed: 3 }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

const ask = (path: string, key = 'list key') => fetch(base + path, { headers: { 'x-directory-key': key } });
const names = async (path: string) => ((await (await ask(path)).json()) as { results: { name: string }[] }).results.map(({ name }) => name); // prettier-ignore
const behave = (trouble: string) => fetch(`${base}/switches`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ trouble }) }); // prettier-ignore

describe('the directory that stands in', () => {
  it('lets nobody ask without a key', async () => {
    expect((await ask('/people?name=Skerritt', 'another')).status).toBe(401);
  });

  it('gives whom it knows, the surest first, and others who are called alike', async () => {
    expect(await names('/people?mail=T.Skerritt@skerryfish.example&name=T')).toEqual(['Tobias Skerritt']);
    expect(await names('/people?name=Tobias+Skerritt')).toHaveLength(2);
    expect((await names('/houses?site=skerryfish.example&name=Skerry'))[0]).toBe('Skerry Fish Auctions Ltd');
    expect(await names('/houses?name=Nobody+At+All')).toEqual([]);
  });

  it('has portraits that are pictures, and none of others', async () => {
    const picture = Buffer.from(await (await ask('/faces/tobias-skerritt')).arrayBuffer());
    expect(picture.subarray(1, 4).toString()).toBe('PNG');
    expect((await ask('/faces/callum-ashgrove')).status).toBe(404);
  });

  it('has bad days when it is told to', async () => {
    const status = async (trouble: string) => {
      await behave(trouble);
      return ask('/people?name=Tobias').then(async (answer) => (await answer.text()) && answer.status, () => 0); // prettier-ignore
    };
    expect([await status('busy'), await status('broken'), await status('half'), await status('expired'), await status('slow')]).toEqual([429, 500, 0, 401, 200]); // prettier-ignore
    expect((await behave('on fire')).status).toBe(422);
    await behave('none');
  });
});
