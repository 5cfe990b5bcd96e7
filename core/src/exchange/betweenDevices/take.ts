import { expectMessage } from './listen';
import { Broken, type Channel, type Parcel } from './models';

/** What a device keeps of a parcel, so that it can go on after the way ended. */
export interface ParcelStore {
  /** The parcel is known from now on. @returns how many bytes of each of its things are kept already */
  begin(parcel: Parcel): Promise<number[]>;
  /** Keeps more of a thing, behind what is there. */
  append(index: number, bytes: Uint8Array): Promise<void>;
  /** Forgets what is kept of a thing. */
  restart(index: number): Promise<void>;
  /** Whether all of a thing is there and is what was sent. */
  isWhole(index: number): Promise<boolean>;
}

/** More than one parcel holds: nobody fills another's device. */
const MOST_ITEMS = 1_000;
const MOST_BYTES = 512 * 1024 * 1024;
/** What comes is kept in pieces of this size. */
const KEEP_AT = 131_072;

/**
 * Takes a parcel, and what is there of it already is not sent again.
 * @param onKept told the parcel and how many bytes of it are kept
 * @returns the parcel, all of which is kept now
 * @throws Broken; what has come is kept
 */
export async function takeParcel(
  channel: Channel,
  store: ParcelStore,
  onKept: (parcel: Parcel, bytes: number) => void,
): Promise<Parcel> {
  const { parcel } = await expectMessage(channel, 'parcel');
  if (parcel.items.length > MOST_ITEMS || sum(parcel.items.map(({ bytes }) => bytes)) > MOST_BYTES) {
    channel.send({ type: 'stop' });
    throw new Broken('tooMuch');
  }
  const kept = await store.begin(parcel);
  channel.send({ type: 'wanted', at: [...kept] });
  onKept(parcel, sum(kept));
  const whole = parcel.items.map(() => false);
  const damaged = parcel.items.map(() => 0);
  let current: number | undefined;
  let waiting: Uint8Array[] = [];
  const size = () => sum(waiting.map(({ length }) => length));
  const keep = async (index: number) => {
    if (waiting.length === 0) return;
    const bytes = joined(waiting);
    waiting = [];
    await store.append(index, bytes);
    kept[index]! += bytes.length;
    onKept(parcel, sum(kept));
  };
  try {
    while (whole.includes(false)) {
      const said = await channel.receive();
      if (!said) throw new Broken('gone');
      if (said instanceof Uint8Array) {
        if (current === undefined || kept[current]! + size() + said.length > parcel.items[current]!.bytes)
          throw new Broken('misspoken');
        waiting.push(said);
      } else if (said.type === 'item' && whole[said.index] === false && current === undefined) {
        current = said.index;
        if (said.at === 0 && kept[current]! > 0) {
          await store.restart(current);
          kept[current] = 0;
        }
        if (said.at !== kept[current]) throw new Broken('misspoken');
      } else throw new Broken(said.type === 'stop' ? 'stopped' : 'misspoken');
      const isAll = kept[current]! + size() === parcel.items[current]!.bytes;
      if (!isAll && size() < KEEP_AT) continue;
      await keep(current);
      if (!isAll) {
        channel.send({ type: 'kept', index: current, bytes: kept[current]! });
        continue;
      }
      whole[current] = await store.isWhole(current);
      if (!whole[current] && ++damaged[current]! > 1) throw new Broken('damaged');
      channel.send({ type: whole[current] ? 'whole' : 'damaged', index: current });
      current = undefined;
    }
  } finally {
    // What came before the way ended need not come again.
    if (current !== undefined) await keep(current).catch(() => undefined);
  }
  return parcel;
}

const sum = (numbers: readonly number[]): number => numbers.reduce((all, number) => all + number, 0);

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(sum(pieces.map(({ length }) => length)));
  let at = 0;
  for (const piece of pieces) {
    all.set(piece, at);
    at += piece.length;
  }
  return all;
}
