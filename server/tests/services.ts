import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';

const root = join(__dirname, '../..');

/** Less than a test may take, so that what never comes fails there and nothing asks on after it. */
const PATIENCE_MS = 150_000;

/** Beneath it files are written for other systems. */
export const HAND_OVER_FOLDER = join(root, '.data/test-reports/handed-over');

/** Connections of one test database, given by the test runner. */
export function databaseOf(name: 'api' | 'recovery' | 'empty' | 'restored'): NodeJS.ProcessEnv {
  const given = process.env.DOSSIER_TEST_DATABASES;
  if (!given) throw new Error('These tests need a database of their own: run them with "npm test -- --only server".');
  const { ownerUrl, databaseUrl } = (JSON.parse(given) as Record<string, { ownerUrl: string; databaseUrl: string }>)[
    name
  ]!;
  return {
    DOSSIER_OWNER_URL: ownerUrl,
    DOSSIER_DATABASE_URL: databaseUrl,
    DOSSIER_SECRETS_KEY: 'a key that only these tests have',
    // Whoever is told in these tests is within this machine.
    DOSSIER_ALLOW_PRIVATE_ADDRESSES: '1',
    DOSSIER_HAND_OVER_FOLDER: HAND_OVER_FOLDER,
  };
}

export interface Service {
  process: ChildProcess;
  stop: (signal?: NodeJS.Signals) => Promise<void>;
}

/** Starts the real server program in one of its roles, or a worker that answers with recorded readings. */
export function startRole(
  role: 'api' | 'worker' | 'recordedWorker',
  env: NodeJS.ProcessEnv,
  log: 'ignore' | 'pipe' = 'ignore',
): Service {
  const built = process.env.DOSSIER_PROGRAMS!;
  const program = role === 'recordedWorker' ? ['recordedWorker.js'] : ['main.js', role];
  const child = spawn(process.execPath, ['--enable-source-maps', join(built, program[0]!), ...program.slice(1)], {
    cwd: join(root, 'server'),
    env: { ...process.env, DOSSIER_LOG: 'error', ...env },
    stdio: ['ignore', log, 'inherit'],
  });
  const ended = new Promise<void>((resolve) => child.once('close', () => resolve()));
  return {
    process: child,
    stop: async (signal = 'SIGTERM') => {
      child.kill(signal);
      await ended;
    },
  };
}

/**
 * Runs another program to its end without standing still meanwhile: a test that stands still does not notice that the
 * server has given up an idle connection, and asks its next question there.
 */
export async function ended(
  command: string,
  args: string[],
  { input = '', env }: { input?: string; env?: NodeJS.ProcessEnv } = {},
): Promise<{ status: number | null; stdout: string; stderr: string }> {
  const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env }, timeout: PATIENCE_MS });
  child.stdin.on('error', () => undefined).end(input);
  const [[status], stdout, stderr] = await Promise.all([once(child, 'close'), text(child.stdout), text(child.stderr)]);
  return { status: status as number | null, stdout, stderr };
}

export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/**
 * Asks again and again until the answer is there.
 * @throws Error when it never comes, with what the last question met
 */
export async function until<T>(ask: () => Promise<T | undefined | false>): Promise<T> {
  const end = Date.now() + PATIENCE_MS;
  for (let met: unknown; ;) {
    const answer = await ask().catch((error: unknown) => void (met = error));
    if (answer) return answer;
    if (Date.now() > end) throw new Error(`Waited ${PATIENCE_MS / 1000} s in vain.`, { cause: met });
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** Whether requests are answered; without a worker that is all there is. */
export const isUp = (address: string): Promise<boolean> => fetch(`${address}/health`).then(() => true);
