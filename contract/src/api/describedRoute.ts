import type { Scope } from '@dossier/core/account';
import { z } from 'zod';

/** Bytes that are no JSON: the media types, and what they are. */
export interface Bytes {
  types: readonly string[];
  about: string;
}

/** What a route takes and gives, for whoever writes programs: the document that describes the API is made from it. */
export interface DescribedRoute {
  /** What it does, in a sentence. */
  about: string;
  /** What a token must be let do; null where only somebody who is signed in may. */
  scope: Scope | null;
  query?: z.ZodType;
  body?: z.ZodType | Bytes;
  otherBodies?: readonly Bytes[];
  /** What stands in the answer; none of it for 204. */
  answer?: z.ZodType | Bytes;
  status?: number;
  /** Besides the usual ones. */
  otherAnswers?: Readonly<Record<number, z.ZodType | Bytes>>;
  /** Those that must be there, unless their words say that they may be left out. */
  headers?: Readonly<Record<string, string>>;
}

/** By method and path, as the server declares them. */
export type DescribedRoutes = Readonly<Record<string, DescribedRoute>>;

export const MadeId = z.object({ id: z.uuid() });

export const isBytes = (what: z.ZodType | Bytes): what is Bytes => !(what instanceof z.ZodType);

export const PICTURE: Bytes = { types: ['image/jpeg', 'image/png', 'image/webp', 'image/heic'], about: 'A picture.' };
