import type { EntityManager } from 'typeorm';
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
};
