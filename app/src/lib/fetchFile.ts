import { Problem } from '@dossier/contract';
import { API } from './api';

export interface FetchedFile {
  name: string;
  file: Blob;
  headers: Headers;
}

/** What went wrong, in words for the person at the screen. */
export class NotFetched extends Error {}

const UNREACHABLE = 'Dossier cannot be reached. Check the connection and try again.';

/**
 * Fetches a file that is made while it comes, piece by piece.
 * @param onBytes told how many have come, and what was said of the file before it @throws NotFetched, or an AbortError where it was stopped
 */
export async function fetchFile(
  path: string,
  body: unknown,
  onBytes: (bytes: number, headers: Headers) => void,
  signal: AbortSignal,
): Promise<FetchedFile> {
  const unreachable = (error: unknown): never => {
    if (signal.aborted) throw error;
    throw new NotFetched(UNREACHABLE);
  };
  const response = await fetch(`${API}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal,
  }).catch(unreachable);
  if (!response.ok || !response.body) {
    const problem = Problem.safeParse(await response.json().catch(() => undefined));
    throw new NotFetched(problem.success ? problem.data.detail : 'Something went wrong. Try again in a moment.');
  }
  const { headers } = response;
  const pieces: BlobPart[] = [];
  let bytes = 0;
  const reader = response.body.getReader();
  for (;;) {
    // A file that broke off is no file.
    const { done, value } = await reader.read().catch(unreachable);
    if (done) break;
    pieces.push(value);
    onBytes((bytes += value.byteLength), headers);
  }
  const name = /filename="([^"]+)"/.exec(headers.get('content-disposition') ?? '')?.[1] ?? 'dossier';
  const type = headers.get('content-type') ?? 'application/octet-stream';
  return { name, file: new Blob(pieces, { type }), headers };
}

/** Puts a file where the browser puts what it is given. */
export function saveFile({ name, file }: Pick<FetchedFile, 'name' | 'file'>): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  // It has been taken over by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}

/** A size in words: "3.4 MB". */
export const sizeWords = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
