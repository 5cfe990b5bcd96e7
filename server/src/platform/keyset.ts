import { isWritable } from '@dossier/core/text';
import type { z } from 'zod';
import { ProblemError } from './problem';

/** The place behind the last row of a page, as a word that goes to and fro. */
export const encodeKeyset = (place: readonly (string | number)[]): string =>
  Buffer.from(JSON.stringify(place)).toString('base64url');

/** @throws ProblemError 400 for a word that is no such place */
export function decodeKeyset<T>(word: string, shape: z.ZodType<T>): T {
  const text = Buffer.from(word, 'base64url').toString('utf8');
  const place = shape.safeParse(isWritable(text) ? parsed(text) : undefined);
  if (place.success) return place.data;
  throw new ProblemError(
    400,
    'no-such-page',
    'Not readable',
    'This page of the list is not there. Load the list again.',
  );
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
