import { createCipheriv, createDecipheriv, randomBytes, scrypt as scryptCallback } from 'node:crypto';
import { promisify } from 'node:util';
import { Stanza, type Identity, type Recipient } from 'age-encryption';

/**
 * The passphrase of an age file (age-encryption.org/v1, "The scrypt recipient type"), derived by Node's own scrypt on another thread: the
 * package's own takes a second and a half, in which no other request would be answered.
 */
const LABEL = 'age-encryption.org/v1/scrypt';
/** N is two to the power of this; as the `age` command has it. */
const WORK = 18;
/** More is not tried: a file could ask for hours. */
const MOST_WORK = 20;
const TAG_BYTES = 16;
const NONCE = new Uint8Array(12);

const scrypt = promisify<string, Buffer, number, object, Buffer>(scryptCallback);

const keyOf = (passphrase: string, salt: Buffer, work: number): Promise<Buffer> =>
  scrypt(passphrase, Buffer.concat([Buffer.from(LABEL), salt]), 32, { N: 2 ** work, r: 8, p: 1, maxmem: 2 ** (work + 11) }); // prettier-ignore

export const passphraseRecipient = (passphrase: string): Recipient => ({
  async wrapFileKey(fileKey) {
    const salt = randomBytes(16);
    const cipher = createCipheriv('chacha20-poly1305', await keyOf(passphrase, salt, WORK), NONCE, { authTagLength: TAG_BYTES }); // prettier-ignore
    const body = Buffer.concat([cipher.update(fileKey), cipher.final(), cipher.getAuthTag()]);
    return [new Stanza(['scrypt', salt.toString('base64').replace(/=+$/, ''), String(WORK)], new Uint8Array(body))];
  },
});

export const passphraseIdentity = (passphrase: string): Identity => ({
  async unwrapFileKey([stanza, ...others]) {
    const [type, salt = '', work = ''] = stanza?.args ?? [];
    if (!stanza || type !== 'scrypt') return null;
    if (
      others.length > 0 ||
      !/^[1-9]\d?$/.test(work) ||
      Number(work) > MOST_WORK ||
      stanza.body.length !== 16 + TAG_BYTES
    )
      throw new Error('invalid scrypt stanza');
    const key = await keyOf(passphrase, Buffer.from(salt, 'base64'), Number(work));
    const decipher = createDecipheriv('chacha20-poly1305', key, NONCE, { authTagLength: TAG_BYTES });
    decipher.setAuthTag(stanza.body.subarray(16));
    try {
      return new Uint8Array(Buffer.concat([decipher.update(stanza.body.subarray(0, 16)), decipher.final()]));
    } catch {
      return null;
    }
  },
});
