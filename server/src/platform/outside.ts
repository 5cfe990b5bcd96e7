import { lookup as lookUp, type LookupAddress } from 'node:dns';
import { request as plainRequest, type IncomingHttpHeaders } from 'node:http';
import { request as secureRequest } from 'node:https';
import { isIP, type LookupFunction } from 'node:net';
import ipaddr from 'ipaddr.js';
import type { Sealing } from './sealing';

/** Which addresses of this machine and its network may be asked: all, or some by their host and port. */
export type Allowed = 'all' | ReadonlySet<string>;

/** How others are reached: with which secrets, which of those within, and from where we are reached ourselves. */
export interface Reach {
  sealing: Sealing;
  allowed: Allowed;
  /** Under which address people reach this, without a stroke at its end. */
  publicAddress?: string;
  /** Folder that files for others are written beneath. */
  handOverFolder?: string;
}

/** Whether an address may be asked wherever it leads. */
export const mayBeWithin = (allowed: Allowed, url: URL): boolean =>
  allowed === 'all' || allowed.has(`${url.hostname}:${url.port || (url.protocol === 'https:' ? '443' : '80')}`);

export interface OutsideRequest {
  url: string;
  method: string;
  headers: Record<string, string>;
  body?: string | Buffer;
}

export interface OutsideAnswer {
  status: number;
  headers: IncomingHttpHeaders;
  body: string;
  /** The same as it came: of a picture. */
  bytes: Buffer;
}

/** Why nothing came back, in words for whoever has set the address up. */
export class OutsideTrouble extends Error {}
/** There was no answer in time. */
export class OutsideTimeout extends OutsideTrouble {}

const PATIENCE_MS = 10_000;
/** So much of an answer is read, unless more is wanted. */
const MOST_BYTES = 64 * 1024;

const WORDS: Readonly<Record<string, string>> = {
  ENOTFOUND: 'There is no server of this name. Is the address right?',
  EAI_AGAIN: 'The name could not be looked up just now.',
  ECONNREFUSED: 'Nobody takes anything there.',
  ECONNRESET: 'The line was cut.',
  EHOSTUNREACH: 'There is no way there.',
  ENETUNREACH: 'There is no way there.',
  ETIMEDOUT: 'There was no answer in time.',
};

/**
 * Asks a server of somebody else. An address of this machine or its network is not asked unless that is allowed: it is looked at when the
 * line is made, so that no name leads there either, and no answer leads on to another address.
 * @throws OutsideTrouble
 */
export const askOutside =
  (allowed: Allowed, mostBytes = MOST_BYTES) =>
  ({ url, method, headers, body }: OutsideRequest): Promise<OutsideAnswer> =>
    new Promise((resolve, reject) => {
      const { protocol, hostname } = new URL(url);
      const allowPrivate = mayBeWithin(allowed, new URL(url));
      const host = hostname.replace(/^\[|\]$/g, '');
      if (!allowPrivate && isIP(host) && isPrivate(host)) return reject(new OutsideTrouble(PRIVATE));
      const ask = protocol === 'https:' ? secureRequest : plainRequest;
      const bytes = body === undefined ? undefined : Buffer.from(body as string);
      const request = ask(
        url,
        {
          method,
          headers: { 'user-agent': 'Dossier', ...headers, ...(bytes && { 'content-length': bytes.length }) },
          lookup: allowPrivate ? undefined : publicLookup,
          agent: false,
          signal: AbortSignal.timeout(PATIENCE_MS),
        },
        (response) => {
          const chunks: Buffer[] = [];
          let length = 0;
          const done = () => {
            const all = Buffer.concat(chunks);
            resolve({ status: response.statusCode ?? 0, headers: response.headers, body: all.toString('utf8'), bytes: all }); // prettier-ignore
          };
          response.on('data', (chunk: Buffer) => {
            if (length >= mostBytes) return;
            chunks.push(chunk.subarray(0, mostBytes - length));
            length += chunk.length;
            // The rest is of no use to anybody.
            if (length >= mostBytes) {
              done();
              request.destroy();
            }
          });
          response.on('end', () => (response.complete ? done() : reject(new OutsideTrouble('The answer broke off.'))));
          response.on('error', () => reject(new OutsideTrouble('The answer broke off.')));
        },
      );
      request.on('error', (error: NodeJS.ErrnoException) => reject(inWords(error)));
      request.end(bytes);
    });

/** Said of an address that is not asked. */
export const PRIVATE =
  'This address is of this machine or its own network. Whoever runs Dossier can allow such addresses.';

function inWords(error: NodeJS.ErrnoException): OutsideTrouble {
  if (error instanceof OutsideTrouble) return error;
  if (error.name === 'AbortError' || error.name === 'TimeoutError') return new OutsideTimeout(WORDS.ETIMEDOUT);
  const isCertificate = /CERT|SELF_SIGNED|ERR_TLS|EPROTO/.test(error.code ?? '');
  return new OutsideTrouble(
    WORDS[error.code ?? ''] ?? (isCertificate ? 'Its certificate cannot be trusted.' : 'It could not be reached.'),
  );
}

/** Anything but an address of the open internet. */
export const isPrivate = (address: string): boolean =>
  !ipaddr.isValid(address) || ipaddr.process(address).range() !== 'unicast';

const publicLookup: LookupFunction = (hostname, options, callback) =>
  lookUp(hostname, { ...options, all: true }, (error, found: LookupAddress[]) => {
    if (error) return callback(error, []);
    if (found.some(({ address }) => isPrivate(address))) return callback(new OutsideTrouble(PRIVATE), []);
    if (options.all) callback(null, found);
    else callback(null, found[0]!.address, found[0]!.family);
  });
