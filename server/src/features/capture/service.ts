import type { Photo as PhotoView } from '@dossier/contract';
import { createHash } from 'node:crypto';
import { sniffPhoto } from '@dossier/reader/sniff';
import { Not, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { lockId } from '../../platform/lockId';
import { conflict, notFound, ProblemError } from '../../platform/problem';
import { addJob } from '../../platform/queue';
import type { SignedIn } from '../../platform/session';
import { storage, type StoredPicture } from '../../platform/storage';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Photo } from './entities';
import { knownOccasion } from './occasions';
import { forgetParts } from './photoParts';
import { lockBatchesOf, openBatchOf } from './queries';

/** Tries a reading has, a killed worker costing one; the last of them asks a person. */
const READING_ATTEMPTS = 5;

const view = (photo: Photo): PhotoView => ({
  id: photo.id,
  state: photo.state === 'discarded' ? 'read' : photo.state,
  takenAt: photo.takenAt.toISOString(),
  receivedAt: photo.receivedAt.toISOString(),
});

interface NewPhoto {
  id: string;
  takenAt: string;
  bytes: Uint8Array;
  occasionId?: string;
  backOf?: string;
  /** Refuse a picture whose very bytes are here already. */
  onceOnly: boolean;
  /** What is expected of its cards in place of what occasion and workspace say. */
  expected?: Photo['expected'];
  /** Not where its cards are only to be read. */
  inTray?: boolean;
}

/**
 * Keeps a photograph: row, bytes and reading job in one transaction. The same id again answers with
 * the photograph that is there.
 * @throws ProblemError 400 for no bytes, 415 for bytes that are no picture, 409 for the same file a second time
 */
export async function receivePhoto(
  database: DataSource,
  who: SignedIn,
  upload: NewPhoto,
): Promise<{ photo: PhotoView; created: boolean }> {
  if (upload.bytes.length === 0)
    throw new ProblemError(400, 'empty', 'Empty file', 'This file is empty. Choose another one.');
  const kind = sniffPhoto(upload.bytes);
  if (!kind) {
    throw new ProblemError(
      415,
      'not-a-picture',
      'Not a picture',
      'This file is not a picture that can be read. Use JPEG, PNG, WebP or HEIC.',
    );
  }
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await lockId(manager, upload.id);
    const known = await manager.findOneBy(Photo, { id: upload.id });
    if (known) return { photo: view(known), created: false };
    const contentHash = createHash('sha256').update(upload.bytes).digest();
    if (upload.onceOnly) await assertNew(manager, contentHash);
    const fileId = uuidv7();
    await storage.put(manager, {
      id: fileId,
      workspaceId: who.workspaceId,
      type: `image/${kind}`,
      bytes: upload.bytes,
    });
    const photo = manager.create(Photo, {
      id: upload.id,
      workspaceId: who.workspaceId,
      takenBy: who.accountId,
      fileId,
      contentHash,
      batchId: upload.inTray === false ? uuidv7() : await batchFor(manager, who),
      backOf: upload.backOf ?? null,
      occasionId: await knownOccasion(manager, upload.occasionId),
      inTray: upload.inTray ?? true,
      expected: upload.expected ?? null,
      state: 'waiting',
      progress: 0,
      message: null,
      takenAt: new Date(upload.takenAt),
      receivedAt: new Date(),
    });
    await manager.insert(Photo, photo);
    await forgetParts(manager, who, photo.id);
    const payload = { photoId: photo.id, workspaceId: who.workspaceId };
    await addJob(manager, 'readPhoto', payload, { key: `read:${photo.id}`, maxAttempts: READING_ATTEMPTS });
    await announce(manager, who.workspaceId, { photoId: photo.id, state: 'waiting', progress: null });
    return { photo: view(photo), created: true };
  });
}

/** The batch that a photograph just received belongs to: that of the last one, unless all was done long ago. */
async function batchFor(manager: EntityManager, { accountId, workspaceId }: SignedIn): Promise<string> {
  await lockBatchesOf(manager, accountId);
  return (await openBatchOf(manager, workspaceId, accountId)) ?? uuidv7();
}

/** @throws ProblemError 409 that says when the same file came before */
async function assertNew(manager: EntityManager, contentHash: Buffer): Promise<void> {
  const same = await manager.findOne(Photo, {
    where: { contentHash, inTray: true, state: Not('discarded') },
    order: { receivedAt: 'ASC' },
  });
  if (!same) return;
  const day = same.receivedAt.toISOString().slice(0, 10);
  throw conflict('same-file', `This very file was sent on ${day} already. Send it anyway, or remove it here.`);
}

export function photoPicture(database: DataSource, who: SignedIn, id: string): Promise<StoredPicture> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const photo = await manager.findOneBy(Photo, { id });
    const file = photo?.fileId && (await storage.get(manager, photo.fileId));
    if (!file) throw notFound('This photograph');
    return file;
  });
}
