import { createServer } from 'node:http';
import { createApp } from './createApp';
import { createDataSource } from './dataSource';
import { readConfig } from './platform/config';
import { createLogger } from './platform/logger';
import { TrayEvents } from './platform/trayEvents';

const ROLES = ['api', 'worker'] as const;
type Role = (typeof ROLES)[number];

/** One program, two roles: `api` answers requests, `worker` reads photographs. As many of each as wanted. */
const role = process.argv[2] as Role;
if (!ROLES.includes(role)) {
  console.error(`Say which role to run: ${ROLES.join(' or ')}.`);
  process.exit(2);
}

const config = readConfig();
const logger = createLogger(config.log, role);
const database = await createDataSource(config.databaseUrl).initialize();
const stop = role === 'api' ? await serve() : await work();

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    void stop()
      .then(() => database.destroy())
      .finally(() => process.exit(0));
  });
}

async function serve(): Promise<() => Promise<void>> {
  const events = new TrayEvents(config.databaseUrl, logger);
  await events.start();
  const server = createServer(createApp({ database, events, config, logger }));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(config.port, config.host, resolve);
  }).catch((error: NodeJS.ErrnoException) => {
    const taken = error.code === 'EADDRINUSE';
    logger.fatal(taken ? `Port ${config.port} is taken. Set DOSSIER_PORT to a free one.` : error.message);
    process.exit(1);
  });
  logger.info({ port: config.port }, 'answering requests');
  return async () => {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
    await events.stop();
  };
}

async function work(): Promise<() => Promise<void>> {
  const { startWorker } = await import('./worker');
  const worker = await startWorker(config, database, logger);
  return worker.stop;
}
