import { hex, type Parcel, type ParcelItem, type ParcelStore } from '@dossier/core/exchange/betweenDevices';
import { deviceStore, forgetParcel, type KeptParcel } from '@/lib/deviceStore';

/** A thing to be given, with its bytes. */
export interface NewItem extends Pick<ParcelItem, 'name' | 'kind' | 'count'> {
  bytes: Blob;
}

/** SHA-256 (FIPS 180-4). Browsers have it on pages over https, and on the machine itself. */
export const digest = async (bytes: Uint8Array): Promise<Uint8Array> =>
  new Uint8Array(await crypto.subtle.digest('SHA-256', bytes as BufferSource));

const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());
const keyOf = (accountId: string, way: KeptParcel['way'], id: string): string => `${accountId} ${way} ${id}`;

/** Everything that is kept of one thing, in order. */
const piecesFrom = (key: string, index: number) => IDBKeyRange.bound([key, index, 0], [key, index, Infinity]);

/** Puts things together on this device, so that they can be given without a server too. */
export async function keepToGive(accountId: string, id: string, things: readonly NewItem[]): Promise<KeptParcel> {
  const key = keyOf(accountId, 'give', id);
  const items = await Promise.all(
    things.map(async ({ bytes, ...item }) => ({ ...item, bytes: bytes.size, digest: hex(await digest(await bytesOf(bytes))) })), // prettier-ignore
  );
  const parcel: KeptParcel = { key, id, accountId, way: 'give', from: '', at: Date.now(), items, kept: items.map(({ bytes }) => bytes), dealtWith: [] }; // prettier-ignore
  const transaction = (await deviceStore()).transaction(['parcels', 'pieces'], 'readwrite');
  for (const [index, { bytes }] of things.entries()) void transaction.objectStore('pieces').put(bytes, [key, index, 0]);
  void transaction.objectStore('parcels').put(parcel);
  await transaction.done;
  return parcel;
}

/** What was made ready is made ready anew after so long: records change, and people are forgotten. */
const READY_FOR_MS = 3 * 24 * 60 * 60 * 1000;

/** What lies on this device to be given, and what has come, the latest first; what lay ready too long goes. */
export async function keptParcels(accountId: string): Promise<KeptParcel[]> {
  const all = await (await deviceStore()).getAllFromIndex('parcels', 'byAccount', accountId);
  const isOld = ({ way, at }: KeptParcel) => way === 'give' && at < Date.now() - READY_FOR_MS;
  for (const { key } of all.filter(isOld)) await forgetParcel(key);
  return all.filter((parcel) => !isOld(parcel)).sort((a, b) => b.at - a.at);
}

/** One thing of a parcel, all of it. */
export async function wholeItem(key: string, index: number): Promise<Blob> {
  return new Blob(await (await deviceStore()).getAll('pieces', piecesFrom(key, index)));
}

/** The things numbered have been brought in, or are in the tray. @returns the parcel as it is now; undefined once nothing is left of it */
export async function dealtWith(key: string, indexes: readonly number[]): Promise<KeptParcel | undefined> {
  const transaction = (await deviceStore()).transaction('parcels', 'readwrite');
  const parcel = await transaction.store.get(key);
  if (!parcel) return undefined;
  const changed = { ...parcel, dealtWith: [...new Set([...parcel.dealtWith, ...indexes])] };
  await transaction.store.put(changed);
  await transaction.done;
  if (changed.dealtWith.length < parcel.items.length) return changed;
  await forgetParcel(key);
  return undefined;
}

export const isWhole = ({ items, kept }: KeptParcel): boolean => items.every(({ bytes }, i) => kept[i] === bytes);

/** The same parcel is being taken in another tab of this device. */
export class TakenElsewhere extends Error {}

/** What comes is written to this device piece by piece: a closed browser loses only the last moment. */
export class DeviceParcels implements ParcelStore {
  private key = '';
  private letGo: (() => void) | undefined;
  constructor(
    private readonly accountId: string,
    private readonly from: string,
  ) {}

  /** @throws TakenElsewhere */
  async begin(parcel: Parcel): Promise<number[]> {
    const store = await deviceStore();
    this.key = keyOf(this.accountId, 'take', parcel.id);
    if (!(await this.hold())) throw new TakenElsewhere();
    const known = await store.get('parcels', this.key);
    // One of the same name that holds other things is another one.
    if (known && JSON.stringify(known.items) === JSON.stringify(parcel.items)) return known.kept;
    await forgetParcel(this.key);
    const kept = parcel.items.map(() => 0);
    await store.put('parcels', { ...parcel, key: this.key, accountId: this.accountId, way: 'take', from: this.from, at: Date.now(), kept, dealtWith: [] }); // prettier-ignore
    return [...kept];
  }

  /** The parcel is this tab's until then, or until its page is closed (Web Locks, W3C). */
  private hold(): Promise<boolean> {
    return new Promise((resolve, reject) => {
      void navigator.locks
        .request(this.key, { ifAvailable: true }, (lock) => {
          resolve(lock !== null);
          return lock && new Promise<void>((letGo) => (this.letGo = letGo));
        })
        .catch(reject);
    });
  }

  /** No more comes by this way. */
  end(): void {
    this.letGo?.();
  }

  append(index: number, bytes: Uint8Array): Promise<void> {
    return this.change(index, (kept, pieces) => {
      void pieces.put(new Blob([bytes as BufferSource]), [this.key, index, kept]);
      return kept + bytes.length;
    });
  }

  restart(index: number): Promise<void> {
    return this.change(index, (_, pieces) => {
      void pieces.delete(piecesFrom(this.key, index));
      return 0;
    });
  }

  async isWhole(index: number): Promise<boolean> {
    const parcel = await (await deviceStore()).get('parcels', this.key);
    return hex(await digest(await bytesOf(await wholeItem(this.key, index)))) === parcel?.items[index]?.digest;
  }

  /** The pieces and how many bytes they are change together. */
  private async change(
    index: number,
    by: (kept: number, pieces: { put(value: Blob, key: [string, number, number]): unknown; delete(range: IDBKeyRange): unknown }) => number, // prettier-ignore
  ): Promise<void> {
    const transaction = (await deviceStore()).transaction(['parcels', 'pieces'], 'readwrite');
    const parcels = transaction.objectStore('parcels');
    const parcel = await parcels.get(this.key);
    if (!parcel) throw new Error('The parcel was removed from this device meanwhile.');
    const kept = [...parcel.kept];
    kept[index] = by(kept[index]!, transaction.objectStore('pieces'));
    await parcels.put({ ...parcel, kept });
    await transaction.done;
  }
}
