import { SMTPServer } from 'smtp-server';
import type { DataSource } from 'typeorm';
import type { Logger } from '../../../platform/logger';
import { workspacesOfMail } from '../messages/queries';
import { readMail, receiveMail } from './receive';

const MOST_BYTES = 25 * 1024 * 1024;

/**
 * Takes mail that a team's server forwards (RFC 5321). It is kept before it is said to be taken. Only mail to an address that a team
 * writes from is taken, and only what answers somebody or comes from somebody known is kept.
 * @returns what stops it
 */
export async function startMailListener(
  database: DataSource,
  host: string,
  port: number,
  logger: Logger,
): Promise<() => Promise<void>> {
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    size: MOST_BYTES,
    disableReverseLookup: true,
    banner: 'Dossier',
    onRcptTo({ address }, _session, done) {
      workspacesOfMail(database.manager, [], [address.toLowerCase()]).then(
        (found) => done(found.length > 0 ? null : refusal(550, 'Nobody here writes from this address.')),
        (error: unknown) => done(troubled(error)),
      );
    },
    onData(stream, session, done) {
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('end', () => {
        if (stream.sizeExceeded) return done(refusal(552, 'This is too large.'));
        const addresses = session.envelope.rcptTo.map(({ address }) => address.toLowerCase());
        take(Buffer.concat(chunks), addresses).then(
          () => done(),
          (error: unknown) => done(troubled(error)),
        );
      });
    },
  });
  async function take(raw: Buffer, addresses: readonly string[]): Promise<void> {
    const incoming = await readMail(raw);
    for (const workspaceId of await workspacesOfMail(database.manager, incoming.refersTo, addresses))
      await receiveMail(database, workspaceId, incoming);
  }
  /** It is tried again by whoever has it. */
  function troubled(error: unknown): Error {
    logger.error({ err: error }, 'a mail could not be taken in');
    return refusal(451, 'This cannot be taken just now.');
  }
  server.on('error', (error) => logger.warn({ err: error }, 'the line of a mail broke'));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => resolve());
  });
  return () => new Promise((resolve) => server.close(() => resolve()));
}

const refusal = (responseCode: number, words: string): Error => Object.assign(new Error(words), { responseCode });
