import { In, type EntityManager } from 'typeorm';
import { StoredFile } from './entities';

/** A picture as it is kept: its id is another one whenever its bytes are others. */
export interface StoredPicture {
  id: string;
  type: string;
  bytes: Buffer;
}

/** Where the bytes of pictures live. PostgreSQL, so that they share one transaction and one backup with what they belong to. */
export const storage = {
  async put(
    manager: EntityManager,
    file: { id: string; workspaceId: string; type: string; bytes: Uint8Array },
  ): Promise<void> {
    const { buffer, byteOffset, byteLength } = file.bytes;
    await manager.insert(StoredFile, { ...file, bytes: Buffer.from(buffer, byteOffset, byteLength) });
  },
  /** As base64 on its way here: PostgreSQL's driver takes twice as long for the hexadecimal it would come in (measured). */
  async get(manager: EntityManager, id: string): Promise<StoredPicture | undefined> {
    const [file] = await manager.query<{ type: string; base64: string }[]>(
      `select type, encode(bytes, 'base64') as base64 from stored_file where id = $1`,
      [id],
    );
    return file && { id, type: file.type, bytes: Buffer.from(file.base64, 'base64') };
  },
  /** Takes bytes away for good; ids that are null or gone are passed over. */
  async remove(manager: EntityManager, ids: readonly (string | null)[]): Promise<void> {
    const known = ids.filter((id) => id !== null);
    if (known.length > 0) await manager.delete(StoredFile, { id: In(known) });
  },
};
