import { ParcelMessage } from '@dossier/contract';
import { fingerprintOf, readSignal, writeSignal, type Channel, type Ends, type Side } from '@dossier/core/exchange/betweenDevices'; // prettier-ignore

type Said = ParcelMessage | Uint8Array;

/** Addresses of this device are looked for no longer than this: those of one network are there at once. */
const GATHERING_MS = 2_000;
/** Within one network two devices find each other within moments. */
const FINDING_MS = 30_000;
/** A way that was lost for a moment comes back by itself. */
const LOST_MS = 8_000;

/** No way to the other device, with what to do about it in words. */
export class NoWay extends Error {}

const APART = 'The two devices do not find each other. Both must be in the same network: the same Wi-Fi, or one in the hot spot of the other. Some guest networks keep devices apart.'; // prettier-ignore

/**
 * A way from one browser to another without a server between (WebRTC, W3C; data channels, RFC 8831): one gives a text, the other answers it
 * with its own.
 */
export class Peer {
  private readonly connection = new RTCPeerConnection();
  private channel: RTCDataChannel | undefined;
  private readonly come: Said[] = [];
  private waiting: ((said: Said | undefined) => void) | undefined;
  private closed = false;
  private wasOpen = false;
  private session = '';
  private end!: () => void;
  /** Settles when the way is no more. */
  readonly ended = new Promise<void>((resolve) => (this.end = resolve));

  constructor(private readonly side: Side) {
    this.connection.ondatachannel = ({ channel }) => this.listen(channel);
    let lost: ReturnType<typeof setTimeout> | undefined;
    this.connection.onconnectionstatechange = () => {
      clearTimeout(lost);
      const { connectionState } = this.connection;
      // Whoever waits to be answered may look in vain for long: the other one has not read the code yet.
      if (connectionState === 'failed' && (this.side === 'giver' || this.wasOpen)) this.close();
      if (connectionState === 'disconnected') lost = setTimeout(() => this.close(), LOST_MS);
    };
  }

  /** The giver's text, to be read by the other side. */
  async offer(): Promise<string> {
    this.session = crypto.randomUUID().slice(0, 8);
    this.listen(this.connection.createDataChannel('parcel'));
    await this.connection.setLocalDescription(await this.connection.createOffer());
    return this.ownText();
  }

  /** The taker's answer to such a text. @throws NoWay when it is another one */
  async answer(text: string): Promise<string> {
    const signal = this.signalOf(text, 'giver');
    this.session = signal.session;
    await this.describe('offer', signal.sdp);
    await this.connection.setLocalDescription(await this.connection.createAnswer());
    return this.ownText();
  }

  /** The giver reads the answer. @throws NoWay */
  async accept(text: string): Promise<void> {
    const signal = this.signalOf(text, 'taker');
    if (signal.session !== this.session)
      throw new NoWay('This answers an earlier code. Let the other device read the one shown here, and read its answer then.'); // prettier-ignore
    await this.describe('answer', signal.sdp);
  }

  /** Waits until both are there: for as long as it takes where this side shows an answer that is to be read. @throws NoWay */
  async opened(): Promise<{ channel: Channel; ends: Ends }> {
    const end = this.side === 'giver' ? Date.now() + FINDING_MS : Infinity;
    while (this.channel?.readyState !== 'open') {
      if (this.closed || Date.now() > end) {
        this.close();
        throw new NoWay(APART);
      }
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    const [local, remote] = [this.connection.localDescription, this.connection.remoteDescription].map((one) => fingerprintOf(one!.sdp)!); // prettier-ignore
    const ends = this.side === 'giver' ? { giver: local!, taker: remote! } : { giver: remote!, taker: local! };
    return { ends, channel: { send: (what) => this.send(what), receive: () => this.receive() } };
  }

  /** Tells the other side that no more is wanted, and goes. */
  stop(): void {
    this.send({ type: 'stop' });
    // It is still on its way out.
    setTimeout(() => this.close(), 300);
  }

  close(): void {
    if (this.closed) return;
    this.closed = true;
    this.end();
    this.waiting?.(undefined);
    this.waiting = undefined;
    this.channel?.close();
    this.connection.close();
  }

  private signalOf(text: string, side: Side): { sdp: string; session: string } {
    const signal = readSignal(text);
    if (signal?.side === side) return signal;
    throw new NoWay(
      signal
        ? 'This is a code of the same side. One device gives, the other takes.'
        : 'This is no code of another device. Read the one that Dossier shows there, or copy all of its text.',
    );
  }

  private describe(type: 'offer' | 'answer', sdp: string): Promise<void> {
    return this.connection.setRemoteDescription({ type, sdp }).catch(() => {
      throw new NoWay('This code cannot be used here. Let the other device show a new one.');
    });
  }

  private async ownText(): Promise<string> {
    const { connection } = this;
    if (connection.iceGatheringState !== 'complete')
      await new Promise<void>((resolve) => {
        const timer = setTimeout(resolve, GATHERING_MS);
        connection.onicegatheringstatechange = () => {
          if (connection.iceGatheringState !== 'complete') return;
          clearTimeout(timer);
          resolve();
        };
      });
    return writeSignal({ side: this.side, sdp: connection.localDescription!.sdp, session: this.session });
  }

  private listen(channel: RTCDataChannel): void {
    // One way is enough; another one is nobody's.
    if (this.channel) return channel.close();
    this.channel = channel;
    channel.binaryType = 'arraybuffer';
    channel.onopen = () => (this.wasOpen = true);
    channel.onclose = () => this.close();
    channel.onmessage = ({ data }: MessageEvent<string | ArrayBuffer>) => {
      const said = typeof data === 'string' ? messageOf(data) : new Uint8Array(data);
      if (!said) return this.close();
      const { waiting } = this;
      this.waiting = undefined;
      if (waiting) waiting(said);
      else this.come.push(said);
    };
  }

  private send(what: Said): void {
    if (this.channel?.readyState !== 'open') return;
    if (what instanceof Uint8Array) this.channel.send(what as Uint8Array<ArrayBuffer>);
    else this.channel.send(JSON.stringify(what));
  }

  private receive(): Promise<Said | undefined> {
    if (this.come.length > 0) return Promise.resolve(this.come.shift());
    return this.closed ? Promise.resolve(undefined) : new Promise((resolve) => (this.waiting = resolve));
  }
}

/** @returns undefined for what nobody says here */
function messageOf(text: string): ParcelMessage | undefined {
  try {
    return ParcelMessage.safeParse(JSON.parse(text)).data;
  } catch {
    return undefined;
  }
}
