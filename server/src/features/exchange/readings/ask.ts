import type { AskedReading, ReadingQuery } from '@dossier/contract';
import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { receivePhoto } from '../../capture';
import { Card, keepTextCard } from '../../reading';
import { AskedReadingRecord } from './entities';
import { settleAsked } from './settle';

type Wanted = Pick<ReadingQuery, 'file' | 'country' | 'occasion'>;

/**
 * Takes in what is to be read. The same key again is the same reading, whatever comes with it.
 * @returns its id
 */
export async function askForReading(
  database: DataSource,
  who: SignedIn,
  key: string | undefined,
  given: { bytes: Uint8Array } | { text: string },
  wanted: Wanted,
): Promise<AskedReading['id']> {
  if (key !== undefined && (key.length === 0 || key.length > 100))
    throw new ProblemError(400, 'no-key', 'Not usable', 'The header Idempotency-Key holds up to 100 characters.');
  const id = key === undefined ? uuidv7() : idOfKey(who, key);
  const takenAt = new Date().toISOString();
  const expected = wanted.country ? { country: wanted.country, languages: [] } : null;
  // Before the picture, whose reading may be done at once.
  await inWorkspace(database, who.workspaceId, async (manager) => {
    const record = { id, workspaceId: who.workspaceId, askedBy: who.accountId, file: wanted.file, madeAt: new Date() };
    await manager.createQueryBuilder().insert().into(AskedReadingRecord).values(record).orIgnore().execute();
  });
  try {
    if ('bytes' in given)
      await receivePhoto(database, who, {
        id,
        takenAt,
        bytes: given.bytes,
        occasionId: wanted.occasion,
        onceOnly: false,
        expected,
        inTray: wanted.file !== 'no',
      });
    else {
      const card = { kind: 'text' as const, text: given.text, takenAt, occasionId: wanted.occasion ?? null };
      await keepTextCard(database, who, id, card, expected);
      await inWorkspace(database, who.workspaceId, async (manager) => {
        const [made] = await manager.find(Card, { where: { id }, select: { id: true, state: true } });
        const asked = await manager.findOneBy(AskedReadingRecord, { id });
        if (made && asked && !asked.doneAt) await settleAsked(manager, id, [id]);
      });
    }
  } catch (error) {
    // Nothing has come of it: it can be sent again under its key.
    await forgetUnread(database, who, id);
    throw error;
  }
  return id;
}

/** A UUID that follows from whose key it is (RFC 9562, version 8). */
function idOfKey({ workspaceId, accountId }: SignedIn, key: string): string {
  const hex = createHash('sha256').update(`${workspaceId} ${accountId} ${key}`).digest('hex');
  const variant = ((parseInt(hex[16]!, 16) & 0x3) | 0x8).toString(16);
  return z.uuid().parse(`${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-${variant}${hex.slice(17, 20)}-${hex.slice(20, 32)}`); // prettier-ignore
}

const forgetUnread = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<unknown> =>
  inWorkspace(database, workspaceId, (manager) =>
    manager.query(
      `delete from asked_reading a where a.id = $1 and a.workspace_id = $2
         and not exists (select from photo p where p.workspace_id = $2 and p.id = a.id)
         and not exists (select from card k where k.workspace_id = $2 and k.id = a.id)`,
      [id, workspaceId],
    ),
  );
