import { MAX_PHOTO_BYTES } from '@dossier/contract';
import type { IncomingHttpHeaders } from 'node:http';
import type { Readable } from 'node:stream';
import { ProblemError } from '../../platform/problem';

/** Keeps what has come of a photograph until the rest has. */
export interface Parts {
  /** Everything from the first byte on that has come without a gap. */
  load(): Promise<Buffer>;
  keep(startsAt: number, bytes: Buffer): Promise<void>;
}

/**
 * So much comes over a slow line between two looks, so that a line that breaks loses no more than this; a photograph that is here within
 * the time is written down only once.
 */
const KEEP_BYTES = 256 * 1024;
const KEEP_AFTER_MS = 1000;

/**
 * Takes in the bytes of a photograph, or the rest of them when they come with a range (RFC 9110, 14.4). What came of one that is broken
 * off, or is slow, is kept: its sender goes on from there.
 * @throws ProblemError 413 above `MAX_PHOTO_BYTES`, 416 for a range that nothing leads up to, 400 for one that cannot be read
 */
export async function receiveBytes(
  request: Readable & { headers: IncomingHttpHeaders },
  parts: Parts,
): Promise<Buffer> {
  if (request.headers['content-encoding'] ?? false)
    throw new ProblemError(415, 'unknown-encoding', 'Not readable', 'A photograph is sent as it is, not packed.');
  const from = beginningOf(request.headers['content-range']);
  assertSize(from + Number(request.headers['content-length'] ?? 0));
  const before = from > 0 ? (await parts.load()).subarray(0, from) : Buffer.alloc(0);
  if (before.length < from) throw outOfRange(before.length);

  const chunks: Buffer[] = [before];
  let length = from;
  let kept = { chunks: 1, length, at: Date.now() };
  /** A photograph on its way needs no database: what is not kept now is kept with what comes next. */
  const keep = async () => {
    const fresh = Buffer.concat(chunks.slice(kept.chunks));
    const then = { chunks: chunks.length, length, at: Date.now() };
    const went = fresh.length === 0 || (await parts.keep(kept.length, fresh).then(() => true, () => false)); // prettier-ignore
    kept = went ? then : { ...kept, at: then.at };
  };
  try {
    for await (const chunk of request.iterator({ destroyOnReturn: false })) {
      chunks.push(chunk as Buffer);
      length += (chunk as Buffer).length;
      assertSize(length);
      if (length - kept.length >= KEEP_BYTES && Date.now() - kept.at >= KEEP_AFTER_MS) await keep();
    }
  } catch (error) {
    // What is refused is not gone on with.
    if (error instanceof ProblemError) throw error;
    await keep();
    throw brokenOff();
  }
  return Buffer.concat(chunks, length);
}

function assertSize(bytes: number): void {
  if (bytes > MAX_PHOTO_BYTES)
    throw new ProblemError(413, 'too-large', 'Too large', 'This file is larger than 15 MB. Send a smaller copy of it.');
}

const brokenOff = (): ProblemError =>
  new ProblemError(400, 'broken-off', 'Broken off', 'This was broken off on its way. Send it again.');

const outOfRange = (here: number): ProblemError =>
  new ProblemError(
    416,
    'out-of-range',
    'Nothing to go on from',
    `Only ${here} bytes of this photograph are here. Send it from there on.`,
  );

/** Place of the first byte that is sent. */
function beginningOf(range: string | undefined): number {
  if (range === undefined) return 0;
  const [, first, last, size] = /^bytes (\d{1,9})-(\d{1,9})\/(\d{1,9})$/.exec(range) ?? [];
  // A photograph's end is what makes it whole: a piece out of its middle is none.
  if (!first || Number(last) + 1 !== Number(size) || Number(first) > Number(last))
    throw new ProblemError(400, 'invalid-range', 'Not readable', 'This part of a photograph cannot be placed. Send it whole.'); // prettier-ignore
  return Number(first);
}
