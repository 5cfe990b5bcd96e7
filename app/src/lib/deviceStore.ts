import type { Parcel } from '@dossier/core/exchange/betweenDevices';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What only this device knows until the server has it, by account, so that nobody sends or sees another's. */
interface DeviceSchema extends DBSchema {
  photos: {
    key: string;
    value: {
      id: string;
      accountId: string;
      takenAt: string;
      /** Name of the picked file; empty for a photograph just taken. */
      name: string;
      bytes: Blob;
      /** Why the server would not take it, in words. */
      refusal: string | null;
      occasionId?: string | null;
      /** The photograph whose back this is. */
      backOf?: string | null;
      /** A person wants it sent although the same file was sent before. */
      again?: boolean;
      /** How often sending it went wrong at the server. */
      failures?: number;
    };
    indexes: { byAccount: string };
  };
  requests: { key: string; value: KeptRequest; indexes: { byAccount: string } };
  drafts: { key: string; value: StoredDraft };
  parcels: { key: string; value: KeptParcel; indexes: { byAccount: string } };
  /** Bytes of the things of parcels, in pieces: which parcel, which of its things, which piece. */
  pieces: { key: [parcel: string, index: number, piece: number]; value: Blob };
}

/** Things on their way to another device, or from one. */
export interface KeptParcel extends Parcel {
  key: string;
  accountId: string;
  way: 'give' | 'take';
  /** Who gave it, as they say. */
  from: string;
  /** Milliseconds since 1970. */
  at: number;
  /** How many bytes of each thing are here. */
  kept: number[];
  /** What has been brought in or put into the tray already, by its place among the things. */
  dealtWith: number[];
}

/** What a person has made of a card so far. */
export interface StoredDraft {
  cardId: string;
  accountId: string;
  draft: unknown;
  note: string;
  readingId?: string;
  version?: number;
  /** Whether it has changes that the server does not have. */
  unsaved?: boolean;
  /** What was chosen on the last step, before filing. */
  filing?: unknown;
  /** When it was handed over to be kept (milliseconds since 1970). */
  keptAt?: number;
}

/** A request that could not be sent yet. Its id was made here and orders it among the photographs. */
export interface KeptRequest {
  id: string;
  accountId: string;
  method: 'PUT' | 'POST' | 'PATCH';
  path: string;
  headers: Record<string, string>;
  body: unknown;
  /** What it does, in words for the list of what is waiting. */
  words: string;
  /** Id of the card it is about. */
  cardId: string | null;
  refusal: string | null;
  /** How often sending it went wrong at the server. */
  failures?: number;
  /** Held back until then (milliseconds since 1970), so that it can be undone. */
  notBefore?: number;
}

/** Takes a parcel off this device, with its bytes. */
export async function forgetParcel(key: string): Promise<void> {
  const transaction = (await deviceStore()).transaction(['parcels', 'pieces'], 'readwrite');
  void transaction.objectStore('pieces').delete(IDBKeyRange.bound([key, 0, 0], [key, Infinity, Infinity]));
  void transaction.objectStore('parcels').delete(key);
  await transaction.done;
}

/** Takes what was made ready for other devices off this one: whoever it was of may be somebody to be forgotten. */
export async function forgetReadyToGive(): Promise<void> {
  for (const { key, way } of await (await deviceStore()).getAll('parcels')) if (way === 'give') await forgetParcel(key);
}

export type KeptPhoto = DeviceSchema['photos']['value'];

let opening: Promise<IDBPDatabase<DeviceSchema>> | undefined;

/** The device's own database (IndexedDB), opened once. */
export function deviceStore(): Promise<IDBPDatabase<DeviceSchema>> {
  opening ??= openDB<DeviceSchema>('dossier', 3, {
    upgrade(database, from) {
      if (from < 1) {
        database.createObjectStore('photos', { keyPath: 'id' }).createIndex('byAccount', 'accountId');
        database.createObjectStore('drafts', { keyPath: 'cardId' });
      }
      if (from < 2) database.createObjectStore('requests', { keyPath: 'id' }).createIndex('byAccount', 'accountId');
      if (from < 3) {
        database.createObjectStore('parcels', { keyPath: 'key' }).createIndex('byAccount', 'accountId');
        database.createObjectStore('pieces');
      }
    },
    // Another tab with a newer version of Dossier is waiting: it must not wait for this one to be closed.
    blocking(_current, _blocked, event) {
      (event.target as unknown as { close(): void }).close();
      opening = undefined;
    },
  });
  return opening;
}
