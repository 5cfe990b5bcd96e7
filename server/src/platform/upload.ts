import { writable } from '@dossier/core/text';
import type { Request } from 'express';
import { ProblemError } from './problem';

const MEGABYTE = 1024 * 1024;

/** A name that a file may have anywhere. @param number of the file, for one without a name */
export const fileNameOf = (name: string | undefined, number: number): string =>
  writable(name ?? '')
    // eslint-disable-next-line no-control-regex -- what no name of a file has
    .replace(/[\u0000-\u001f\u007f/\\:*?"<>|]+/g, '-')
    .replace(/^\.+/, '')
    .slice(0, 120)
    .trim() || `File ${number}`;

/**
 * The one file that a request consists of. @param mostBytes whole megabytes
 * @throws ProblemError 413 for one that is larger, 400 for one with nothing in it
 */
export async function fileIn(
  request: Request,
  name: string,
  mostBytes: number,
): Promise<{ name: string; type: string; bytes: Buffer }> {
  const tooLarge = () => new ProblemError(413, 'too-large', 'Too large', `A file has ${mostBytes / MEGABYTE} MB at most. Make it smaller, or write where it can be fetched.`); // prettier-ignore
  if (Number(request.headers['content-length'] ?? 0) > mostBytes) throw tooLarge();
  const chunks: Buffer[] = [];
  let length = 0;
  for await (const chunk of request.iterator({ destroyOnReturn: false })) {
    length += (chunk as Buffer).length;
    if (length > mostBytes) throw tooLarge();
    chunks.push(chunk as Buffer);
  }
  if (length === 0)
    throw new ProblemError(400, 'empty-file', 'Nothing in it', 'This file is empty. Choose another one.');
  const told = request.get('content-type') ?? '';
  const type = /^[\w.+-]+\/[\w.+-]+$/.test(told) ? told : 'application/octet-stream';
  return { name: fileNameOf(name, 1), type, bytes: Buffer.concat(chunks) };
}
