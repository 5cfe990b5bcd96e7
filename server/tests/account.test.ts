import { Client } from './client';

jest.setTimeout(120_000);

describe('signing in', () => {
  it('opens a session in a cookie that scripts cannot read, and signing out ends it', async () => {
    const client = new Client();
    const { status, body, headers } = await client.send<{ user: { name: string }; workspace: { name: string } }>(
      'POST',
      '/session',
      {
        email: ' Ottilie@KelderMoss.example ',
        password: 'cold-chain',
      },
    );
    expect(status).toBe(201);
    expect([body.user.name, body.workspace.name]).toEqual(['Ottilie Brandt', 'Kelder & Moss']);
    expect(headers.get('set-cookie')).toMatch(/HttpOnly/i);
    expect(headers.get('set-cookie')).toMatch(/SameSite=Strict/i);
    expect((await client.get('/session')).status).toBe(200);
    const copy = client.cookie;
    expect((await client.send('DELETE', '/session')).status).toBe(204);
    client.cookie = copy;
    expect((await client.get('/session')).status).toBe(401);
  });

  it.each([
    ['a wrong password', { email: 'ottilie@keldermoss.example', password: 'guess' }],
    ['an address nobody has', { email: 'nobody@keldermoss.example', password: 'cold-chain' }],
  ])('says the same for %s', async (_what, body) => {
    const answer = await new Client().send<{ code: string; detail: string }>('POST', '/session', body);
    expect([answer.status, answer.body.code]).toEqual([401, 'wrong-password']);
    expect(answer.body.detail).toMatch(/Check both/);
  });

  it('asks for what is missing', async () => {
    const answer = await new Client().send<{ errors: { path: string }[] }>('POST', '/session', { email: 'ottilie' });
    expect(answer.status).toBe(400);
    expect(answer.body.errors.map((e) => e.path)).toEqual(expect.arrayContaining(['email', 'password']));
  });

  it('is limited, so that passwords cannot be tried without end', async () => {
    const answers = [];
    for (let i = 0; i < 60; i++) {
      // Saying that one asks for somebody else changes nothing: no proxy is trusted.
      const { status } = await new Client().send(
        'POST',
        '/session',
        { email: 'guessed@keldermoss.example', password: `guess ${i}` },
        { 'x-forwarded-for': `203.0.113.${i}` },
      );
      answers.push(status);
      if (status === 429) break;
    }
    expect(answers.at(-1)).toBe(429);
    expect(answers.length).toBeGreaterThan(10);
    // Whoever mistyped keeps nobody else of the same office out.
    await expect(Client.signedIn('idris@keldermoss.example')).resolves.toBeDefined();
  });
});

describe('the door', () => {
  it.each([
    ['GET', '/tray'],
    ['GET', '/tray/events'],
    ['GET', '/people'],
    ['POST', '/people'],
    ['POST', '/matches'],
    ['PUT', '/photos/01900000-0000-7000-8000-000000000001?takenAt=2026-11-20T10:00:00.000Z'],
    ['GET', '/photos/01900000-0000-7000-8000-000000000001/picture'],
    ['GET', '/cards/01900000-0000-7000-8000-000000000001'],
    ['GET', '/people/01900000-0000-7000-8000-000000000001/vcard'],
  ])('is closed to strangers: %s %s', async (method, path) => {
    const { status, body, headers } = await new Client().send<{ code: string }>(method, path);
    expect([status, body.code]).toEqual([401, 'not-signed-in']);
    expect(headers.get('content-type')).toContain('application/problem+json');
  });

  it('lets no other site write with the cookie of a visitor', async () => {
    const foreign: Record<string, string>[] = [
      { 'sec-fetch-site': 'cross-site' },
      { origin: 'https://elsewhere.example' },
    ];
    for (const headers of foreign) {
      const { status } = await new Client().send('POST', '/session', { email: 'a@b.example', password: 'x' }, headers);
      expect(status).toBe(403);
    }
  });

  it('tells how database, queue and worker are, to anybody', async () => {
    const { status, body } = await new Client().get('/health');
    // The worker may be starting still.
    expect([200, 503]).toContain(status);
    expect(body).toMatchObject({
      status: status === 200 ? 'ok' : 'degraded',
      database: 'up',
      queue: { state: 'up' },
      worker: { state: expect.stringMatching(/up|down/) },
    });
  });
});
