import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { customerSystem } from './customerSystem';

let server: Server;
let base: string;
beforeAll(async () => {
  server = createServer(customerSystem({ secret: 'port key', slowMs: 50, seed: 7 }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

type Body = Record<string, unknown> & { ref: string };
async function ask(method: string, path: string, body?: unknown, headers: Record<string, string> = {}) {
  const response = await fetch(base + path, {
    method,
    headers: { 'content-type': 'application/json', 'x-port-key': 'port key', ...headers },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  const text = await response.text();
  const isJson = response.headers.get('content-type')?.includes('json');
  return { status: response.status, body: (isJson ? JSON.parse(text) : { text }) as Body };
}
const prospect = (MailA: string, rest: object = {}) => ({ Surname: 'Harrowfield', House: 'Harrowfield Dairies', MailA, ...rest }); // prettier-ignore
const behave = (trouble: string, share = 1) => ask('POST', '/switches', { trouble, share });

describe('the customer system that stands in', () => {
  it('lets nobody in without a key, and gives one for a while to whoever has the secret', async () => {
    expect((await ask('GET', '/api/prospects', undefined, { 'x-port-key': 'another' })).status).toBe(401);
    const form = (secret: string) =>
      fetch(`${base}/oauth/token`, { method: 'POST', body: new URLSearchParams({ grant_type: 'client_credentials', client_id: 'dossier', client_secret: secret }) }); // prettier-ignore
    expect((await form('wrong')).status).toBe(401);
    const { access_token: token } = (await (await form('port key')).json()) as { access_token: string };
    expect((await ask('GET', '/api/describe', undefined, { 'x-port-key': '', authorization: `Bearer ${token}` })).status).toBe(200); // prettier-ignore
  });

  it('keeps records in its own words, refuses what does not fit, and who is there already', async () => {
    const { status, body } = await ask('POST', '/api/prospects', prospect('nella@harrowfield.example', { Grade: 'A', Marks: ['dairy'] })); // prettier-ignore
    expect([status, body.ref]).toEqual([201, 'P-00001']);
    const refusals = [
      [{ ...prospect('b@b.example'), Surname: '' }, 422, 'missing'],
      [prospect('b@b.example', { Grade: 'Z' }), 422, 'does-not-fit'],
      [prospect('b@b.example', { Realm: 'GBR' }), 422, 'does-not-fit'],
      [prospect('b@b.example', { Shoe: '38' }), 422, 'no-such-field'],
      [prospect('Nella@harrowfield.example'), 409, 'duplicate'],
    ] as const;
    for (const [record, code, error] of refusals)
      expect(await ask('POST', '/api/prospects', record)).toMatchObject({ status: code, body: { error } });
    expect((await ask('PATCH', '/api/prospects/P-00001', { Rank: 'Owner' })).status).toBe(200);
    expect((await ask('PATCH', '/api/parties/P-00001', { Rank: 'Owner' })).status).toBe(404);
    const found = await ask('GET', '/api/prospects?MailA=nella%40harrowfield.example');
    expect(found.body.records).toMatchObject([{ ref: 'P-00001', values: { Rank: 'Owner', Grade: 'A' } }]);
  });

  it('makes one record of what is sent twice under the same name', async () => {
    const once = { 'x-once': 'card 7' };
    const [first, second] = await Promise.all([1, 2].map(() => ask('POST', '/api/remarks', { Of: 'P-00001', Words: 'Wants a visit.' }, once))); // prettier-ignore
    expect(first!.body.ref).toBe(second!.body.ref);
    expect([first!.status, second!.status].sort()).toEqual([200, 201]);
  });

  it('shows what has arrived, pictures too, and nothing of it as more than text', async () => {
    const { body } = await ask(
      'POST',
      '/api/parties',
      prospect('x@x.example', { Forename: '<script>alert(1)</script>' }),
    );
    await ask('POST', '/api/papers', {
      Of: body.ref,
      Kind: 'Card',
      Base64: Buffer.from([255, 216, 255]).toString('base64'),
    });
    const page = (await ask('GET', `/records/${body.ref}`)).body.text as string;
    expect(page).not.toContain('<script>');
    const [, picture] = /src="([^"]+)"/.exec(page)!;
    expect((await fetch(base + picture)).headers.get('content-type')).toContain('image/jpeg');
    expect((await ask('GET', '/')).body.text).toContain('Prospects (1)');
  });

  it('has bad days when it is told to', async () => {
    const status = async (trouble: string) => {
      await behave(trouble);
      return (await ask('GET', '/api/prospects').catch(() => ({ status: 0 }))).status;
    };
    expect([await status('busy'), await status('half'), await status('expired'), await status('slow')]).toEqual([429, 0, 401, 200]); // prettier-ignore
    await behave('mixed', 0.5);
    const met = new Set<number>();
    for (let i = 0; i < 60; i++) met.add((await ask('GET', '/api/prospects').catch(() => ({ status: 0 }))).status);
    expect([...met].sort()).toEqual([0, 200, 401, 429, 500]);
    expect((await behave('on fire')).status).toBe(422);
    await behave('none');
    expect((await ask('GET', '/api/prospects')).status).toBe(200);
  });
});
