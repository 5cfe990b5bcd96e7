import { join } from 'node:path';
import { appFolder, dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { serverEnvironment, startRecordedWorker, startServer, waitForHealth } from './services.mjs';

/** Where this machine is in no network: a name that the browser of the tests takes for it, and not for loopback. */
const NAMED_OUTSIDE = 'outside.example';

/**
 * A server on which nobody is yet, with https for who comes from elsewhere.
 * @param running gets what is to be stopped
 */
export async function startEmpty(postgres, database, running) {
  // Asked for only now: on a fresh clone its packages are installed a moment before.
  const { httpsEnvironment, ownAddresses } = await import('./certificate.mjs');
  const [port, httpsPort] = [await anyFreePort(), await anyFreePort()];
  const code = 'K7QF-3MPA-XW2D';
  const https = await httpsEnvironment(httpsPort, join(dataFolder, 'test-https'));
  const env = serverEnvironment({
    postgres,
    database,
    port,
    host: '0.0.0.0',
    appFolder,
    log: 'error',
    more: { DOSSIER_FIRST_CODE: code, ...https },
  });
  running.push(startServer(env), startRecordedWorker(env));
  await waitForHealth(`http://127.0.0.1:${port}`);
  return { code, port, httpsPort, outside: ownAddresses()[0] ?? NAMED_OUTSIDE };
}
