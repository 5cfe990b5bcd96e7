import { emptyPersonFields } from '@dossier/core/people';
import { toVcard } from '@dossier/core/exchange';
import type { EntityManager } from 'typeorm';
import { Workspace } from '../../account';
import type { MessageRecord } from './entities';

/** The sender's own details, as a file that goes along. */
export async function ownVcard(manager: EntityManager, { id, workspaceId, sender, senderName, madeAt }: MessageRecord) {
  const { name: company } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const [familyName = '', ...given] = senderName.split(' ').reverse();
  const fields = {
    ...emptyPersonFields(),
    familyName,
    givenName: given.reverse().join(' '),
    company,
    emails: [sender],
  };
  return {
    filename: `${senderName.replace(/[^\p{L}\d]+/gu, '-')}.vcf`,
    contentType: 'text/vcard',
    content: toVcard(fields, { version: '4.0', uid: id, revision: madeAt }),
  };
}
