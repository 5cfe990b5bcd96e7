import { expectMessage } from './listen';
import { Broken, type Channel, type Parcel } from './models';

/** Bytes of one message: every browser takes so many (RFC 8831, 6.6). */
const PIECE = 16_384;
/** So many may be on their way at once: neither side fills its memory with them. */
const AHEAD = 1_048_576;

/**
 * Gives a parcel, from where the other side has it already.
 * @param bytesOf bytes of a thing, from one place up to another
 * @param onKept told how many bytes of all are kept on the other side
 * @throws Broken; begun again over another way it goes on
 */
export async function giveParcel(
  channel: Channel,
  parcel: Parcel,
  bytesOf: (index: number, from: number, to: number) => Promise<Uint8Array>,
  onKept: (bytes: number) => void,
): Promise<void> {
  channel.send({ type: 'parcel', parcel });
  const { at } = await expectMessage(channel, 'wanted');
  if (at.length !== parcel.items.length || at.some((bytes, i) => bytes > parcel.items[i]!.bytes))
    throw new Broken('misspoken');
  const kept = [...at];
  const told = () => onKept(kept.reduce((sum, bytes) => sum + bytes, 0));
  told();
  for (const [index, { bytes }] of parcel.items.entries()) {
    for (let sent = kept[index]!, again = false; ; again = true) {
      if (again) sent = kept[index] = 0;
      channel.send({ type: 'item', index, at: sent });
      let end: 'whole' | 'damaged' | undefined;
      while (!end) {
        if (sent < bytes && sent - kept[index]! < AHEAD) {
          const piece = await bytesOf(index, sent, Math.min(bytes, sent + PIECE));
          channel.send(piece);
          sent += piece.length;
          continue;
        }
        const said = await expectMessage(channel, 'kept', 'whole', 'damaged');
        if (said.index !== index) throw new Broken('misspoken');
        if (said.type !== 'kept') end = said.type;
        // A side that says it has more than was sent would keep this one going for ever.
        else if (said.bytes > sent || said.bytes <= kept[index]!) throw new Broken('misspoken');
        else kept[index] = said.bytes;
        told();
      }
      if (end === 'whole') break;
      if (again) throw new Broken('damaged');
    }
    kept[index] = bytes;
    told();
  }
}
