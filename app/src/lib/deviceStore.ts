import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What only this device knows until the server has it, by account, so that nobody sends or sees another's. */
interface DeviceSchema extends DBSchema {
  photos: {
    key: string;
    value: { id: string; accountId: string; takenAt: string; name: string; bytes: Blob; refusal: string | null };
    indexes: { byAccount: string };
  };
  drafts: { key: string; value: { cardId: string; accountId: string; draft: unknown; note: string } };
}

export type KeptPhoto = DeviceSchema['photos']['value'];

let opening: Promise<IDBPDatabase<DeviceSchema>> | undefined;

/** The device's own database (IndexedDB), opened once. */
export function deviceStore(): Promise<IDBPDatabase<DeviceSchema>> {
  opening ??= openDB<DeviceSchema>('dossier', 1, {
    upgrade(database) {
      database.createObjectStore('photos', { keyPath: 'id' }).createIndex('byAccount', 'accountId');
      database.createObjectStore('drafts', { keyPath: 'cardId' });
    },
  });
  return opening;
}
