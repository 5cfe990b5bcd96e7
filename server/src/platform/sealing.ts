import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { ProblemError } from './problem';

const VERSION = 'v1.';
const [NONCE, TAG] = [12, 16];

/** Keeps secrets that are needed again: AES-256-GCM with a key from the environment, so that a copy of the tables tells none. */
export interface Sealing {
  seal(secret: string): string;
  /** @throws Error for what was sealed with another key, or changed */
  open(sealed: string): string;
}

/** @param key undefined where there is none: nothing can be sealed then */
export function sealingWith(key: string | undefined): Sealing {
  const derived = key ? Buffer.from(hkdfSync('sha256', key, '', 'dossier secrets', 32)) : undefined;
  const needed = (): Buffer => {
    if (derived) return derived;
    throw new ProblemError(
      409,
      'no-key',
      'Not possible here',
      'This installation has no key for secrets. Whoever runs it can set DOSSIER_SECRETS_KEY.',
    );
  };
  return {
    seal(secret) {
      const nonce = randomBytes(NONCE);
      const cipher = createCipheriv('aes-256-gcm', needed(), nonce);
      const hidden = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()]);
      return VERSION + Buffer.concat([nonce, cipher.getAuthTag(), hidden]).toString('base64url');
    },
    open(sealed) {
      if (!sealed.startsWith(VERSION)) throw new Error('This was not sealed here.');
      const bytes = Buffer.from(sealed.slice(VERSION.length), 'base64url');
      const cipher = createDecipheriv('aes-256-gcm', needed(), bytes.subarray(0, NONCE));
      cipher.setAuthTag(bytes.subarray(NONCE, NONCE + TAG));
      return cipher.update(bytes.subarray(NONCE + TAG), undefined, 'utf8') + cipher.final('utf8');
    },
  };
}
