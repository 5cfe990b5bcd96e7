import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';

/** Which side shows a text: the one that gives, or the one that answers it. */
export type Side = 'giver' | 'taker';

export interface Signal {
  side: Side;
  /** The session description (RFC 8866) of that side. */
  sdp: string;
  /** Of the giver's text: which one is answered. */
  session: string;
}

/** What stands in nearly every session description of a data channel, so that only the rest need be written. Changing it changes the format. */
const COMMON = strToU8(
  `v=0\r\no=mozilla...THIS_IS_SDPARTA-99.0  0 IN IP4 0.0.0.0\r\na=sendrecv\r\na=candidate:0 1 tcp 2105458943 9 typ host tcptype active\r\na=candidate:0 1 udp 2122260223 192.168. fd00: typ host generation 0 network-id 1 network-cost 10\r\na=candidate:1 1 udp 2113937151 .local typ host generation 0 network-cost 999\r\no=- 2 IN IP4 127.0.0.1\r\ns=-\r\nt=0 0\r\na=group:BUNDLE 0\r\na=extmap-allow-mixed\r\na=msid-semantic: WMS\r\nm=application 9 UDP/DTLS/SCTP webrtc-datachannel\r\nc=IN IP4 0.0.0.0\r\na=ice-ufrag:\r\na=ice-pwd:\r\na=ice-options:trickle\r\na=fingerprint:sha-256 \r\na=setup:actpass\r\na=setup:active\r\na=mid:0\r\na=sctp-port:5000\r\na=max-message-size:262144\r\n`,
);
const MARKS: Record<Side, string> = { giver: 'DOSSIER-GIVES', taker: 'DOSSIER-TAKES' };
const SIDES = Object.keys(MARKS) as Side[];
/** Longer than that no description of a data channel is: what is blown up to more was made to be. */
const MOST_SDP = 20_000;

/** A session description as a text for a QR code or a message: "DOSSIER-GIVES.session.…". */
export const writeSignal = ({ side, sdp, session }: Signal): string =>
  [MARKS[side], session, toBase64Url(deflateSync(strToU8(sdp), { level: 9, dictionary: COMMON }))].join('.');

/** @returns what such a text says, perhaps broken over lines by whatever carried it; undefined for any other text */
export function readSignal(text: string): Signal | undefined {
  const [mark, session, rest, ...more] = text.replace(/\s+/g, '').split('.');
  const side = SIDES.find((one) => MARKS[one] === mark);
  if (!side || !session || !/^[\w-]{1,40}$/.test(session) || !rest || more.length > 0) return undefined;
  try {
    const out = new Uint8Array(MOST_SDP);
    const sdp = strFromU8(inflateSync(fromBase64Url(rest), { dictionary: COMMON, out }));
    return /^v=0\r\n/.test(sdp) && fingerprintOf(sdp) ? { side, sdp, session } : undefined;
  } catch {
    return undefined;
  }
}

/** The fingerprint of the certificate that a side will show (RFC 8122). @returns hexadecimal digits, or undefined where there is none */
export const fingerprintOf = (sdp: string): string | undefined =>
  /^a=fingerprint:sha-256 ((?:[\dA-F]{2}:){31}[\dA-F]{2})\r?$/im.exec(sdp)?.[1]?.toLowerCase().replaceAll(':', '');

const toBase64Url = (bytes: Uint8Array): string =>
  btoa(String.fromCharCode(...bytes)).replace(/\+/g, '-').replace(/\//g, '_').replace(/=+$/, ''); // prettier-ignore
const fromBase64Url = (text: string): Uint8Array =>
  Uint8Array.from(atob(text.replace(/-/g, '+').replace(/_/g, '/')), (character) => character.charCodeAt(0));
