import express from 'express';
import type { AddressInfo } from 'node:net';
import { QueryFailedError } from 'typeorm';
import { databaseTrouble } from '../src/platform/databaseTrouble';
import { FIRST_PAUSE_MS, KeptConnection, LONGEST_PAUSE_MS } from '../src/platform/keptConnection';
import { createLogger } from '../src/platform/logger';
import { ProblemError, problemHandler } from '../src/platform/problem';
import { healthRoutes } from '../src/health';

/** Errors as the driver gives them. */
const failed = (code: string, message = 'refused') =>
  new QueryFailedError(
    'insert into card (name, file) values ($1, $2)',
    ['Tobin Skerritt', Buffer.from('picture')],
    Object.assign(new Error(message), { code, detail: 'Key (email)=(t@skerry.example) exists.', severity: 'ERROR' }),
  );

describe('a connection that is kept', () => {
  /** A server that is away for so many tries, and what was done to reach it. */
  function line(awayFor: number) {
    const seen = { pauses: [] as number[], open: 0, most: 0, back: 0, lost: 0 };
    const enders: ((error?: Error) => void)[] = [];
    let away = 0;
    const connection = new KeptConnection({
      open: (lost) => {
        if (away > 0) {
          away--;
          // A failed attempt tells so in three ways, as the driver does.
          lost(new Error('refused'));
          lost();
          return Promise.reject(new Error('refused'));
        }
        enders.push((error) => {
          away = awayFor;
          seen.open--;
          lost(error);
          lost();
        });
        seen.open++;
        seen.most = Math.max(seen.most, seen.open);
        return Promise.resolve(() => Promise.resolve());
      },
      isBack: () => seen.back++,
      isLost: () => seen.lost++,
      wait: (ms) => Promise.resolve(void seen.pauses.push(ms)),
    });
    return { connection, seen, end: () => enders.at(-1)!(new Error('gone')) };
  }
  const settle = () => new Promise((resolve) => setImmediate(resolve));

  it('is opened again by one try at a time, with growing pauses, however often it tells that it ended', async () => {
    const { connection, seen, end } = line(7);
    await connection.start();
    end();
    await settle();
    expect(seen).toMatchObject({ open: 1, most: 1, lost: 1, back: 1 });
    expect(seen.pauses).toHaveLength(8);
    expect(seen.pauses[0]).toBe(FIRST_PAUSE_MS);
    expect(seen.pauses).toEqual([...seen.pauses].sort((a, b) => a - b));
    expect(seen.pauses.at(-1)).toBe(LONGEST_PAUSE_MS);
  });

  it('is lost again as often as it ends, and not any more when it is stopped', async () => {
    const { connection, seen, end } = line(0);
    await connection.start();
    for (let time = 1; time <= 3; time++) {
      end();
      await settle();
      expect(seen).toMatchObject({ open: 1, most: 1, lost: time, back: time });
    }
    await connection.stop();
    end();
    await settle();
    expect(seen.lost).toBe(3);
  });
});

describe('what is logged of an error', () => {
  const logged = (error: unknown) => {
    const lines: string[] = [];
    const logger = createLogger('debug', 'test', { write: (line) => void lines.push(line) });
    logger.error({ err: error }, 'request failed');
    return lines.join('');
  };

  it('of the database is its code and the statement’s name, and no value of anybody', () => {
    const line = logged(failed('23505', 'duplicate key: t@skerry.example'));
    expect(JSON.parse(line).err).toMatchObject({ code: '23505', statement: 'insert card' });
    expect(line).not.toMatch(/Skerritt|skerry|picture|email/i);
    expect(logged(Object.assign(failed('22P05'), { parameters: [Buffer.alloc(15 << 20)] })).length).toBeLessThan(4_000);
  });

  it('of the program is what it says and where', () => {
    expect(JSON.parse(logged(new TypeError('x is not a function'))).err).toMatchObject({
      type: 'TypeError',
      message: 'x is not a function',
      stack: expect.stringContaining('platform.test'),
    });
  });
});

describe('trouble of the database', () => {
  async function answerTo(handler: express.RequestHandler) {
    const app = express()
      .use(handler)
      .use(problemHandler(createLogger('silent', 'test')));
    const server = app.listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const response = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/health`);
    server.close();
    return {
      status: response.status,
      retryAfter: Number(response.headers.get('retry-after')),
      body: (await response.json()) as Record<string, unknown>,
    };
  }
  const thrown = (error: Error) => answerTo(() => Promise.reject(error));

  it('is told from faults of a request', () => {
    for (const [code, trouble] of [
      ['57P01', 'away'],
      ['08006', 'away'],
      ['53300', 'away'],
      ['53100', 'full'],
      ['40P01', 'busy'],
      ['23505', undefined],
    ] as const)
      expect([code, databaseTrouble(failed(code))]).toEqual([code, trouble]);
    expect(databaseTrouble(new Error('Connection terminated unexpectedly'))).toBe('away');
    expect(databaseTrouble(Object.assign(new Error('connect'), { code: 'ECONNREFUSED' }))).toBe('away');
    expect(databaseTrouble(new Error('x'))).toBeUndefined();
  });

  it('is answered with 503 and when to try again, in words for a person', async () => {
    for (const code of ['57P03', '53100', '40001']) {
      const { status, retryAfter, body } = await thrown(failed(code));
      expect([code, status]).toEqual([code, 503]);
      expect(retryAfter).toBeGreaterThan(0);
      expect(body.detail).not.toMatch(/sql|refused|insert/i);
    }
    expect((await thrown(failed('22021'))).status).toBe(400);
    expect((await thrown(failed('23502'))).status).toBe(500);
    expect((await thrown(new ProblemError(409, 'x', 'x', 'x'))).status).toBe(409);
  });

  it('makes the service unhealthy, and a silent worker too', async () => {
    const health = (query: () => Promise<unknown>) => answerTo(healthRoutes({ query } as never));
    const away = await health(() => Promise.reject(failed('57P03')));
    expect(away).toMatchObject({ status: 503, body: { status: 'degraded', database: 'down' } });
    expect(away.retryAfter).toBeGreaterThan(0);
    const row = { waiting: 0, failed: 0, last_seen: new Date() };
    expect(await health(() => Promise.resolve([{ ...row, seen_lately: false }]))).toMatchObject({
      status: 503,
      body: { database: 'up', worker: { state: 'down' } },
    });
    expect((await health(() => Promise.resolve([{ ...row, seen_lately: true }]))).status).toBe(200);
  });
});
