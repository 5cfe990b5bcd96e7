import { toVcard, type VcardVersion } from '@dossier/core/exchange';
import { emptyPersonFields, fullName } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { storage } from '../../../platform/storage';
import { OwnCardRecord } from './entities';
import { detailsOfAccount } from './service';

/** Somebody's own card as a file for address books. @param version the older one is read best by phones of others */
export async function vcardOf(
  manager: EntityManager,
  accountId: string,
  version: VcardVersion,
): Promise<{ name: string; text: string }> {
  const card = await manager.findOneBy(OwnCardRecord, { accountId });
  const details = card?.details ?? (await detailsOfAccount(manager, accountId));
  const picture = card?.pictureId ? await storage.get(manager, card.pictureId) : undefined;
  const fields = { ...emptyPersonFields(), ...details };
  return {
    name: fullName(fields),
    text: toVcard(fields, {
      version,
      uid: accountId,
      revision: card?.changedAt ?? new Date(),
      note: card?.greeting || undefined,
      photos: picture && [picture.bytes.toString('base64')],
    }),
  };
}

export const vcardFileName = (name: string): string => `${name.replace(/[^\p{L}\d]+/gu, '-') || 'card'}.vcf`;
