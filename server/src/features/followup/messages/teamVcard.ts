import { toVcard } from '@dossier/core/exchange';
import { emptyPersonFields } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { Workspace } from '../../account';
import type { MessageRecord } from './entities';

/** Details of an address that is everybody's, for what nobody in particular wrote. */
export async function teamVcard(
  manager: EntityManager,
  { id, workspaceId, sender, senderName, madeAt }: MessageRecord,
): Promise<{ name: string; text: string }> {
  const { name: company } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const [familyName = '', ...given] = senderName.split(' ').reverse();
  const fields = {
    ...emptyPersonFields(),
    familyName,
    givenName: given.reverse().join(' '),
    company,
    emails: [sender],
  };
  return { name: senderName, text: toVcard(fields, { version: '4.0', uid: id, revision: madeAt }) };
}
