import { readFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { PhotoReader } from '@dossier/reader';
import type { DataSource } from 'typeorm';
import { createApp } from './createApp';
import { createDataSource } from './dataSource';
import { readConfig, type Config } from './platform/config';
import { createLogger, type Logger } from './platform/logger';
import { TrayEvents } from './platform/trayEvents';

interface Parts {
  config: Config;
  database: DataSource;
  logger: Logger;
}

/** Begins to work and gives back how to stop. */
type Begin = (parts: Parts) => Promise<() => Promise<void>>;

/** So long may what is under way take once the process is to end. */
const LAST_REQUESTS_MS = 20_000;
/** A line on which nothing comes for so long is given up; as long as something comes, an upload may take its time. */
const SILENT_LINE_MS = 120_000;
/** Longer than whoever asks pauses between two requests: one that meets a closing connection has to be sent again. */
const IDLE_CONNECTION_MS = 65_000;

/** Runs this process in one role until it is told to end. */
export async function runAs(role: string, begin: Begin): Promise<void> {
  const config = readConfig();
  const logger = createLogger(config.log, role);
  // What nobody caught is a fault to be mended; it is no reason to break off what others are doing here.
  process.on('unhandledRejection', (error) => logger.error({ err: error }, 'nobody caught this'));
  process.on('uncaughtException', (error) => logger.error({ err: error }, 'nobody caught this'));

  /** Whoever started this process starts it again in a while. */
  const giveUp = (error: unknown): never => {
    logger.fatal({ err: error }, 'could not begin');
    process.exit(1);
  };
  const database = await createDataSource(config.databaseUrl).initialize().catch(giveUp);
  const stop = await begin({ config, database, logger }).catch(giveUp);

  let ending = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (ending) return;
      ending = true;
      void stop()
        .then(() => database.destroy())
        .catch((error: unknown) => logger.error({ err: error }, 'did not end cleanly'))
        .finally(() => process.exit(0));
    });
  }
}

/** Answers requests. */
export const api: Begin = async ({ config, database, logger }) => {
  const events = new TrayEvents(config.databaseUrl, logger);
  await events.start();
  const app = createApp({ database, events, config, logger });
  const doors: [Server, number][] = [[createServer(app), config.port]];
  if (config.https) {
    const { key, certificate, port } = config.https;
    doors.push([createSecureServer({ key: await readFile(key), cert: await readFile(certificate) }, app), port]);
  }
  for (const [server, port] of doors) {
    server.requestTimeout = 0;
    server.headersTimeout = 60_000;
    server.timeout = SILENT_LINE_MS;
    server.keepAliveTimeout = IDLE_CONNECTION_MS;
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(port, config.host, resolve);
    }).catch((error: NodeJS.ErrnoException) => {
      const taken = error.code === 'EADDRINUSE';
      logger.fatal(
        taken ? `Port ${port} is taken. Set DOSSIER_PORT or DOSSIER_HTTPS_PORT to a free one.` : error.message,
      );
      process.exit(1);
    });
    logger.info({ port }, 'answering requests');
  }
  return async () => {
    const closed = doors.map(([server]) => {
      // A connection that a browser keeps open goes with the answer it is waiting for.
      server.prependListener('request', (_request, response) => void response.setHeader('Connection', 'close'));
      return new Promise((resolve) => server.close(resolve));
    });
    await events.stop();
    for (const [server] of doors) server.closeIdleConnections();
    const insist = setTimeout(() => doors.forEach(([server]) => server.closeAllConnections()), LAST_REQUESTS_MS);
    await Promise.all(closed);
    clearTimeout(insist);
  };
};

/** Takes jobs. @param readerOf makes the reader of photographs */
export const worker =
  (readerOf: (config: Config) => PhotoReader): Begin =>
  async ({ config, database, logger }) => {
    const { startWorker } = await import('./worker');
    const { stop } = await startWorker(config, database, logger, readerOf(config));
    return stop;
  };
