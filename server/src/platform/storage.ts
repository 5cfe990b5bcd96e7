import { In, type EntityManager } from 'typeorm';
import { StoredFile } from './entities';

/** Where the bytes of pictures live. PostgreSQL, so that they share one transaction and one backup with what they belong to. */
export const storage = {
  async put(
    manager: EntityManager,
    file: { id: string; workspaceId: string; type: string; bytes: Uint8Array },
  ): Promise<void> {
    await manager.insert(StoredFile, { ...file, bytes: Buffer.from(file.bytes) });
  },
  async get(manager: EntityManager, id: string): Promise<{ type: string; bytes: Buffer } | undefined> {
    const file = await manager.findOneBy(StoredFile, { id });
    return file ?? undefined;
  },
  /** Takes bytes away for good; ids that are null or gone are passed over. */
  async remove(manager: EntityManager, ids: readonly (string | null)[]): Promise<void> {
    const known = ids.filter((id) => id !== null);
    if (known.length > 0) await manager.delete(StoredFile, { id: In(known) });
  },
};
