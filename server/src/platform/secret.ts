import { createHash, randomBytes } from 'node:crypto';

/** What opens something to whoever holds it: 256 bits, fit for an address or a cookie. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** What is kept of a secret: SHA-256, from which nobody gets it back. */
export const hashSecret = (secret: string): Buffer => createHash('sha256').update(secret).digest();
