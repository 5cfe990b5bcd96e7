import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ApiTokens, AskedReading, Person, TokenMade } from '@dossier/contract';
import { Client, demoPhoto } from './client';
import { ended } from './services';

jest.setTimeout(180_000);

const programs = join(__dirname, '../../docs/programs');
const folder = mkdtempSync(join(tmpdir(), 'examples-'));
afterAll(() => rmSync(folder, { recursive: true }));
const site = () => new URL(process.env.DOSSIER_TEST_ADDRESS!).origin;
const run = async (command: string, file: string, more: Record<string, string>) => {
  const env = { DOSSIER: site(), ...more };
  const { status, stdout, stderr } = await ended(command, [join(programs, file)], { env });
  expect([status, stderr]).toEqual([0, '']);
  return stdout;
};

describe('programs as the documentation has them', () => {
  it('with curl: a token, a picture in, fields out', async () => {
    const picture = join(folder, 'card.jpg');
    writeFileSync(picture, demoPhoto('skerry'));
    const told = await run('bash', 'with-curl.sh', { EMAIL: 'maren@keldermoss.example', PASSWORD: 'cold-chain', PICTURE: picture }); // prettier-ignore
    const { cards } = JSON.parse(told) as AskedReading;
    expect(cards[0]!.fields).toMatchObject({ familyName: 'Skerritt', emails: ['t.skerritt@skerryfish.example'] });
    const manager = await Client.signedIn('maren@keldermoss.example');
    expect((await manager.get<ApiTokens>('/tokens')).body.items.filter(({ name }) => name === 'curl')).toEqual([]);
  });

  it('with Node: a text in, somebody filed, and told of it with a signature that is right', async () => {
    const manager = await Client.signedIn('maren@keldermoss.example');
    const scopes = ['settings', 'pictures:send', 'people:read'];
    const { body } = await manager.send<TokenMade>('POST', '/tokens', { name: 'Node', scopes });
    const TEXT =
      'Sunniva Exampleby\nHead of purchasing\nExampleby Chandlers Ltd\nsunniva@exampleby.example\n+44 1632 960733';
    const person = JSON.parse(await run(process.execPath, 'with-node.mjs', { TOKEN: body.token, TEXT })) as Person;
    expect(person.fullName).toBe('Sunniva Exampleby');
    await manager.send('DELETE', `/tokens/${body.id}`);
  });
});
