import { lookup } from 'node:dns/promises';
import { isIP } from 'node:net';
import SMTPConnection from 'nodemailer/lib/smtp-connection';
import { isPrivate, OutsideTrouble, PRIVATE, type Allowed } from '../outside';

export interface MailServer {
  host: string;
  port: number;
  security: 'tls' | 'startTls' | 'none';
  user: string;
  password: string;
}

/** The server did not take it, and why. @property code as it answered (RFC 5321, 4.2); @property enhanced such as `5.1.1` (RFC 3463) */
export class MailRefused extends Error {
  constructor(
    message: string,
    readonly code: number,
    readonly enhanced: string,
    /** What it was said of: who we are, this recipient, or the message. */
    readonly of: 'login' | 'recipient' | 'message',
  ) {
    super(message);
  }
  /** Whether the same once more may go well. */
  get mayGoWell(): boolean {
    return this.code < 500;
  }
}

/** The line broke after the whole message had been given over: nobody can tell whether it was taken. */
export class MailUncertain extends Error {}

const PATIENCE_MS = 20_000;

/**
 * Where a mail server is. An address of this machine or its network is not asked unless that is allowed.
 * @returns its address, to be asked for under its own name @throws OutsideTrouble
 */
export async function mailAddress(allowed: Allowed, host: string, port: number): Promise<string> {
  const name = host.replace(/^\[|\]$/g, '');
  const isAllowed = allowed === 'all' || allowed.has(`${name}:${port}`);
  const found = isIP(name) ? [name] : (await lookUp(name)).map(({ address }) => address);
  if (!isAllowed && found.some(isPrivate)) throw new OutsideTrouble(PRIVATE);
  return found[0]!;
}

const lookUp = (name: string) =>
  lookup(name, { all: true, verbatim: false }).catch(() => {
    throw new OutsideTrouble(`No mail server is known under the name ${name}.`);
  });

export interface Envelope {
  from: string;
  to: string;
}

/**
 * Gives one message to a mail server (RFC 5321). The dot at its end goes out only once `beforeEnd` is done: whoever crashes before then
 * knows that nothing was taken, and whoever crashes after it knows that it may have been.
 * @param raw the whole mail, with lines that end in CRLF
 * @returns what the server said when it took it
 * @throws MailRefused, MailUncertain, OutsideTrouble
 */
export async function giveMail(
  allowed: Allowed,
  server: MailServer,
  envelope: Envelope,
  raw: Buffer,
  beforeEnd: () => Promise<void>,
): Promise<string> {
  const connection = await connect(allowed, server);
  let isOver = false;
  /** Why whoever gives it has stopped it. */
  let own: Error | undefined;
  try {
    return await new Promise<string>((resolve, reject) => {
      const message = {
        pipe(stream: NodeJS.WritableStream) {
          stream.write(raw);
          beforeEnd().then(
            () => {
              isOver = true;
              stream.end();
            },
            (error: Error) => {
              own = error;
              reject(error);
            },
          );
        },
      };
      connection.once('error', reject);
      connection.once('end', () => reject(new OutsideTrouble('The line was cut.')));
      connection.send({ from: envelope.from, to: [envelope.to] }, message as never, (error, info) =>
        error ? reject(error) : resolve(info.response),
      );
    });
  } catch (error) {
    throw own ?? inWords(error as SMTPConnection.SMTPError, isOver);
  } finally {
    connection.close();
  }
}

/** Only sees whether the server lets us in. @throws MailRefused, OutsideTrouble */
export async function tryMailServer(allowed: Allowed, server: MailServer): Promise<void> {
  (await connect(allowed, server)).close();
}

async function connect(
  allowed: Allowed,
  { host, port, security, user, password }: MailServer,
): Promise<SMTPConnection> {
  const connection = new SMTPConnection({
    host: await mailAddress(allowed, host, port),
    port,
    secure: security === 'tls',
    requireTLS: security === 'startTls',
    ignoreTLS: security === 'none',
    connectionTimeout: PATIENCE_MS,
    greetingTimeout: PATIENCE_MS,
    socketTimeout: PATIENCE_MS,
    tls: isIP(host) ? {} : { servername: host },
  });
  try {
    await new Promise<void>((resolve, reject) => {
      connection.once('error', reject);
      connection.once('end', () => reject(new OutsideTrouble('The mail server closed the line.')));
      connection.connect(() => {
        if (!user) return resolve();
        connection.login({ user, pass: password, credentials: { user, pass: password } } as never, (error) =>
          error ? reject(error) : resolve(),
        );
      });
    });
  } catch (error) {
    connection.close();
    throw inWords(error as SMTPConnection.SMTPError, false);
  }
  connection.removeAllListeners();
  return connection;
}

const OF: Readonly<Record<string, MailRefused['of']>> = { EAUTH: 'login', ENOAUTH: 'login', EENVELOPE: 'recipient', EMESSAGE: 'message' }; // prettier-ignore

function inWords(error: SMTPConnection.SMTPError, isOver: boolean): Error {
  if (error instanceof OutsideTrouble && !isOver) return error;
  const { responseCode, code = '', response = '' } = error;
  if (responseCode && responseCode >= 400) {
    const said = response.replace(/^\d{3}[ -]?/, '').trim();
    const [enhanced = ''] = /\b[245]\.\d{1,3}\.\d{1,3}\b/.exec(said) ?? [];
    return new MailRefused(
      `The mail server said: ${said || responseCode}`,
      responseCode,
      enhanced,
      OF[code] ?? 'message',
    );
  }
  if (code === 'EAUTH')
    return new MailRefused('The mail server does not let us in with this name and password.', 535, '', 'login');
  if (isOver) return new MailUncertain('The line broke after the message had been given over.');
  return new OutsideTrouble(WORDS[code] ?? 'The mail server could not be reached.');
}

const WORDS: Readonly<Record<string, string>> = {
  ETIMEDOUT: 'The mail server did not answer in time.',
  ETLS: 'The way to the mail server could not be closed to others.',
  ECONNECTION: 'The line to the mail server broke.',
  EDNS: 'No mail server is known under this name.',
};
