import { createHash, randomBytes } from 'node:crypto';
import fc from 'fast-check';
import { agreeOnCode } from './agree';
import { giveParcel } from './give';
import type { Channel, Parcel, ParcelMessage } from './models';
import { fingerprintOf, readSignal, writeSignal } from './signal';
import { takeParcel, type ParcelStore } from './take';

const digest = (bytes: Uint8Array) => Promise.resolve(new Uint8Array(createHash('sha256').update(bytes).digest()));
const hexDigest = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
type Said = ParcelMessage | Uint8Array;

/** One end of a way: what it is told is handed out in order, and nothing after it has ended. */
class End implements Channel {
  other!: End;
  private readonly come: Said[] = [];
  private waiting: ((said: Said | undefined) => void) | undefined;
  private ended = false;
  constructor(private readonly onSend: (said: Said) => Said | undefined) {}

  send(said: Said): void {
    const sent = this.ended ? undefined : this.onSend(said);
    if (sent) this.other.hear(sent);
  }
  hear(said: Said): void {
    if (this.waiting) this.waiting(said);
    else this.come.push(said);
    this.waiting = undefined;
  }
  receive(): Promise<Said | undefined> {
    if (this.come.length > 0) return Promise.resolve(this.come.shift());
    return this.ended ? Promise.resolve(undefined) : new Promise((resolve) => (this.waiting = resolve));
  }
  end(): void {
    this.ended = true;
    this.waiting?.(undefined);
  }
}

/** A way that ends after so many sendings, and whose bytes are perhaps changed. */
function way({ cutAfter = Infinity, change = (said: Said) => said } = {}): [End, End] {
  let sendings = 0;
  const onSend = (said: Said) => {
    if (++sendings <= cutAfter) return change(said);
    ends.forEach((end) => end.end());
    return undefined;
  };
  const ends: [End, End] = [new End(onSend), new End(onSend)];
  [ends[0].other, ends[1].other] = [ends[1], ends[0]];
  return ends;
}

/** What a device keeps, in memory. */
class Kept implements ParcelStore {
  items: Uint8Array[] = [];
  appended = 0;
  parcel?: Parcel;
  begin(parcel: Parcel) {
    if (this.parcel?.id !== parcel.id) this.items = parcel.items.map(() => new Uint8Array());
    this.parcel = parcel;
    return Promise.resolve(this.items.map(({ length }) => length));
  }
  append(index: number, bytes: Uint8Array) {
    this.items[index] = Buffer.concat([this.items[index]!, bytes]);
    this.appended += bytes.length;
    return Promise.resolve();
  }
  restart(index: number) {
    this.items[index] = new Uint8Array();
    return Promise.resolve();
  }
  isWhole(index: number) {
    return Promise.resolve(hexDigest(this.items[index]!) === this.parcel!.items[index]!.digest);
  }
}

const parcelOf = (contents: readonly Uint8Array[]): Parcel => ({
  id: 'one',
  items: contents.map((bytes, i) => ({ name: `${i}`, kind: 'picture', count: 1, bytes: bytes.length, digest: hexDigest(bytes) })), // prettier-ignore
});
const giving = (channel: Channel, contents: readonly Uint8Array[], told: number[] = []) =>
  giveParcel(channel, parcelOf(contents), (i, from, to) => Promise.resolve(contents[i]!.slice(from, to)), (bytes) => told.push(bytes)); // prettier-ignore
const why = (done: Promise<unknown>) => done.then(() => 'done', (error: { why?: string }) => error.why); // prettier-ignore

describe('a parcel between two devices', () => {
  it('arrives as it was, wherever the way ends in between, and what was kept is not sent again', async () => {
    const sizes = fc.array(fc.integer({ min: 0, max: 700_000 }), { minLength: 1, maxLength: 4 });
    await fc.assert(
      fc.asyncProperty(sizes, fc.array(fc.integer({ min: 1, max: 60 }), { maxLength: 6 }), async (lengths, cuts) => {
        const contents = lengths.map((length) => new Uint8Array(randomBytes(length)));
        const kept = new Kept();
        let outcome: unknown[] = [];
        for (const cutAfter of [...cuts, Infinity]) {
          const [giver, taker] = way({ cutAfter });
          outcome = await Promise.all([why(giving(giver, contents)), why(takeParcel(taker, kept, () => undefined))]);
        }
        expect(outcome).toEqual(['done', 'done']);
        expect(kept.items.map(hexDigest)).toEqual(contents.map(hexDigest));
        expect(kept.appended).toBe(lengths.reduce((sum, length) => sum + length, 0));
      }),
      { numRuns: 60 },
    );
  });

  it('is told of as it is kept on the other side, from what was there already up to all of it', async () => {
    const contents = [new Uint8Array(randomBytes(900_000)), new Uint8Array(10)];
    const kept = new Kept();
    const [first, firstEnd] = way({ cutAfter: 40 });
    await Promise.all([why(giving(first, contents)), why(takeParcel(firstEnd, kept, () => undefined))]);
    const there = kept.items[0]!.length;
    expect(there).toBeGreaterThan(0);
    const told: number[] = [];
    const [giver, taker] = way();
    await Promise.all([giving(giver, contents, told), takeParcel(taker, kept, () => undefined)]);
    expect([told[0], told.at(-1)]).toEqual([there, 900_010]);
    expect(told).toEqual([...told].sort((a, b) => a - b));
  });

  it('is sent once more where bytes were changed on the way, and given up when that happens twice', async () => {
    for (const [times, ended] of [
      [1, 'done'],
      [2, 'damaged'],
    ] as const) {
      // prettier-ignore
      let left: number = times;
      const change = (said: Said) =>
        said instanceof Uint8Array && left-- > 0 ? said.map((byte, i) => (i === 0 ? byte ^ 1 : byte)) : said;
      const contents = [new Uint8Array(randomBytes(10_000))];
      const kept = new Kept();
      const [giver, taker] = way({ change });
      const taking = why(takeParcel(taker, kept, () => undefined)).finally(() => (giver.end(), taker.end()));
      await Promise.all([why(giving(giver, contents)), taking.then((outcome) => expect(outcome).toBe(ended))]);
    }
  });

  it('keeps no more than was announced, whatever the other side says', async () => {
    const number = fc.integer({ min: -2, max: 70_000 });
    const message: fc.Arbitrary<Said> = fc.oneof(
      fc.record({ type: fc.constant('item' as const), index: fc.integer({ min: -1, max: 3 }), at: number }),
      fc.record({ type: fc.constantFrom('whole' as const, 'damaged' as const), index: number }),
      fc.record({ type: fc.constant('wanted' as const), at: fc.array(number) }),
      fc.uint8Array({ maxLength: 50 }),
      fc.constant({ type: 'stop' as const }),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(message, { maxLength: 20 }), async (said) => {
        const [giver, taker] = way();
        const kept = new Kept();
        const taken = why(takeParcel(taker, kept, () => undefined));
        giver.send({ type: 'parcel', parcel: parcelOf([new Uint8Array(60), new Uint8Array(30)]) });
        for (const one of said) giver.send(one);
        taker.end();
        await taken;
        expect(kept.items[0]!.length).toBeLessThanOrEqual(60);
        expect(kept.items[1]!.length).toBeLessThanOrEqual(30);
      }),
    );
  });

  it('is refused where it is larger than anything that is given', async () => {
    const [giver, taker] = way();
    const parcel = { id: 'x', items: [{ name: '', kind: 'people' as const, count: 1, bytes: 2 ** 40, digest: '' }] };
    giver.send({ type: 'parcel', parcel });
    expect(await why(takeParcel(taker, new Kept(), () => undefined))).toBe('tooMuch');
    expect(await giver.receive()).toEqual({ type: 'stop' });
  });
});

describe('the short code', () => {
  const ends = { giver: 'aa', taker: 'bb' };
  const side = (role: 'giver' | 'taker', channel: Channel, nonce: number, its = ends) =>
    agreeOnCode(role, channel, { ends: its, from: role, nonce: new Uint8Array(16).fill(nonce), digest });

  it('is the same on both sides, and another one for another meeting', async () => {
    const meet = async (nonce: number) => {
      const [giver, taker] = way();
      return Promise.all([side('giver', giver, nonce), side('taker', taker, 7)]);
    };
    const [[one, other], [later]] = [await meet(1), await meet(2)];
    expect(one!.code).toMatch(/^\d{3} \d{3}$/);
    expect([other!.code, other!.other, one!.other]).toEqual([one!.code, 'giver', 'taker']);
    expect(later!.code).not.toBe(one!.code);
  });

  it('differs where somebody stands between, whose certificate the two see', async () => {
    const [giver, taker] = way();
    const [one, other] = await Promise.all([
      side('giver', giver, 1, { giver: 'aa', taker: 'between' }),
      side('taker', taker, 2, { giver: 'between', taker: 'bb' }),
    ]);
    expect(other.code).not.toBe(one.code);
  });

  it('is not had from a giver whose number is another one than was promised', async () => {
    const change = (said: Said): Said => ('type' in said && said.type === 'reveal' ? { ...said, nonce: 'ff' } : said);
    const [giver, taker] = way({ change });
    const taken = why(side('taker', taker, 2));
    await side('giver', giver, 1);
    expect(await taken).toBe('misspoken');
  });
});

describe('the text that a side shows', () => {
  const FINGERPRINT = Array.from({ length: 32 }, (_, i) => (i + 160).toString(16).toUpperCase()).join(':');
  const sdp = `v=0\r\no=- 4611731400430051336 2 IN IP4 127.0.0.1\r\ns=-\r\nt=0 0\r\na=group:BUNDLE 0\r\na=extmap-allow-mixed\r\na=msid-semantic: WMS\r\nm=application 51234 UDP/DTLS/SCTP webrtc-datachannel\r\nc=IN IP4 192.168.1.20\r\na=candidate:1 1 udp 2113937151 3f1c2a4e-7c1f-4d69-9d0e-2b1a6c1fb0aa.local 51234 typ host generation 0 network-cost 999\r\na=ice-ufrag:dJk3\r\na=ice-pwd:Yy8dKQ0o9Qk1jz1ZfP0mM4wC\r\na=ice-options:trickle\r\na=fingerprint:sha-256 ${FINGERPRINT}\r\na=setup:actpass\r\na=mid:0\r\na=sctp-port:5000\r\na=max-message-size:262144\r\n`;

  it('says the whole description again, and is short enough for a code that a camera reads', () => {
    const text = writeSignal({ side: 'giver', sdp, session: 'abc' });
    expect(text.length).toBeLessThan(330);
    // Mail and messengers break long lines.
    expect(readSignal(` ${text.slice(0, 50)}\n${text.slice(50)} `)).toEqual({ side: 'giver', sdp, session: 'abc' });
    expect(fingerprintOf(sdp)).toMatch(/^a0a1a2.*bf$/);
  });

  it('is nothing where it is another text, cut off, or made to blow up', () => {
    const text = writeSignal({ side: 'taker', sdp, session: 'abc' });
    const bomb = writeSignal({ side: 'taker', sdp: 'x'.repeat(5_000_000), session: 'abc' });
    for (const other of [
      '',
      'BEGIN:VCARD',
      'DOSSIER-GIVES.abc',
      text.slice(0, 120),
      text.replace('TAKES', 'KEEPS'),
      `${text}.more`,
      bomb,
    ])
      // prettier-ignore
      expect(readSignal(other)).toBeUndefined();
    fc.assert(fc.property(fc.string({ unit: 'binary' }), (any) => readSignal(`DOSSIER-GIVES.a.${any}`) === undefined));
  });
});
