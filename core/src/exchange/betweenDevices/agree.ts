import { expectMessage } from './listen';
import { Broken, type Channel, type Digest } from './models';

/** What one side knows of the way: whose certificates are at its two ends, as they stand in the session descriptions (RFC 8122). */
export interface Ends {
  giver: string;
  taker: string;
}

/** So many random bytes are asked of each side. */
export const NONCE_BYTES = 16;

/** Bytes as lower-case hexadecimal digits. */
export const hex = (bytes: Uint8Array): string => [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/**
 * A short code that both sides see, and that is the same only where nobody stands between them: each of them puts a random number into it,
 * and the giver's is fixed before it knows the other one, so that nobody can try numbers until codes agree (RFC 6189, 4.3, does so for calls).
 * @param nonce random bytes of this side
 * @returns six digits, "482 913", and who is on the other side as they say
 * @throws Broken
 */
export async function agreeOnCode(
  role: 'giver' | 'taker',
  channel: Channel,
  { ends, from, nonce, digest }: { ends: Ends; from: string; nonce: Uint8Array; digest: Digest },
): Promise<{ code: string; other: string }> {
  const own = hex(nonce);
  const promised = async (text: string) => hex(await digest(new TextEncoder().encode(text)));
  const code = async (giver: string, taker: string) =>
    digits(await digest(new TextEncoder().encode([ends.giver, ends.taker, giver, taker].join('\n'))));
  if (role === 'giver') {
    channel.send({ type: 'hello', from, promise: await promised(own) });
    const answer = await expectMessage(channel, 'answer');
    channel.send({ type: 'reveal', nonce: own });
    return { code: await code(own, answer.nonce), other: answer.from };
  }
  const hello = await expectMessage(channel, 'hello');
  channel.send({ type: 'answer', from, nonce: own });
  const { nonce: revealed } = await expectMessage(channel, 'reveal');
  if ((await promised(revealed)) !== hello.promise) throw new Broken('misspoken');
  return { code: await code(revealed, own), other: hello.from };
}

function digits(digest: Uint8Array): string {
  const number = new DataView(digest.buffer, digest.byteOffset).getUint32(0) % 1_000_000;
  return String(number)
    .padStart(6, '0')
    .replace(/(...)(...)/, '$1 $2');
}
