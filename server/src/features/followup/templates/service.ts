import type { Attachment, Template, TemplateFields, TemplateList } from '@dossier/contract';
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { AttachmentRecord } from '../mail/entities';
import { plansUsing } from '../plans/queries';
import { TemplateRecord, TemplateVersion } from './entities';

const MOST = 200;

export const listTemplates = (database: DataSource, { workspaceId }: SignedIn): Promise<TemplateList> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const records = await manager.find(TemplateRecord, {
      where: { workspaceId, removedAt: IsNull() },
      order: { name: 'ASC', id: 'ASC' },
    });
    const items: Template[] = [];
    for (const record of records) items.push(await viewOf(manager, record));
    return { items };
  });

type TemplateNow = TemplateVersion & { template: TemplateRecord };

/** The text of a template as it is now; undefined for one that is gone. */
export async function findTemplate(
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<TemplateNow | undefined> {
  const record = await manager.findOneBy(TemplateRecord, { id, workspaceId, removedAt: IsNull() });
  if (!record) return undefined;
  const version = await manager.findOneByOrFail(TemplateVersion, { templateId: id, version: record.version });
  return { ...version, template: record };
}

/** As `findTemplate`. @throws ProblemError 404 */
export async function templateNow(manager: EntityManager, workspaceId: string, id: string): Promise<TemplateNow> {
  const found = await findTemplate(manager, workspaceId, id);
  if (!found) throw notFound('This template');
  return found;
}

async function viewOf(manager: EntityManager, record: TemplateRecord): Promise<Template> {
  const { scope, texts, ownVcard, attachmentIds, at } = await manager.findOneByOrFail(TemplateVersion, {
    templateId: record.id,
    version: record.version,
  });
  const { id, version, name, kind, workspaceId } = record;
  return {
    id, version, name, kind, scope, texts, ownVcard,
    attachments: await attachmentsOf(manager, attachmentIds),
    changedAt: at.toISOString(),
    usedIn: await plansUsing(manager, workspaceId, id),
  }; // prettier-ignore
}

export async function attachmentsOf(manager: EntityManager, ids: readonly string[]): Promise<Attachment[]> {
  if (ids.length === 0) return [];
  const records = await manager.findBy(AttachmentRecord, { id: In([...ids]) });
  return ids.flatMap((id) => records.filter((one) => one.id === id).map(({ name, type, bytes }) => ({ id, name, type, bytes }))); // prettier-ignore
}

/** @throws ProblemError 422 for a file that is not the team's own */
export async function assertOwnFiles(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<void> {
  const found =
    ids.length > 0 ? await manager.countBy(AttachmentRecord, { id: In([...ids]), workspaceId, personId: IsNull() }) : 0;
  if (found !== new Set(ids).size)
    throw new ProblemError(
      422,
      'no-such-file',
      'A file is missing',
      'A file that goes along is not here any more. Add it again.',
    );
}

/** Makes a template under the id its device gave it, or its next version; what is the same changes nothing. @returns its version */
export function saveTemplate(
  database: DataSource,
  who: SignedIn,
  id: string,
  seen: number,
  fields: TemplateFields,
): Promise<number> {
  const { name, kind, ...rest } = fields;
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { workspaceId } = who;
    await assertOwnFiles(manager, workspaceId, fields.attachmentIds);
    const record = await manager.findOne(TemplateRecord, { where: { id }, lock: { mode: 'pessimistic_write' } });
    if (!record) {
      if ((await manager.countBy(TemplateRecord, { workspaceId, removedAt: IsNull() })) >= MOST)
        throw new ProblemError(
          409,
          'too-many',
          'Too many',
          `At most ${MOST} templates are possible. Remove one first.`,
        );
      await manager.insert(TemplateRecord, { id, workspaceId, name, kind, version: 1, removedAt: null });
    } else if (record.version !== seen || record.removedAt) {
      throw conflict('template-changed', 'Somebody has changed this template since. Open it again.');
    }
    const version = record ? record.version + 1 : 1;
    await manager.insert(TemplateVersion, {
      ...rest,
      templateId: id,
      version,
      workspaceId,
      by: who.accountId,
      at: new Date(),
    } as object);
    if (record) await manager.update(TemplateRecord, { id }, { name, kind, version });
    return version;
  });
}

/** It is offered no more; plans that use it must be changed first. @throws ProblemError 404, 409 */
export const removeTemplate = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const used = await plansUsing(manager, workspaceId, id);
    if (used.length > 0)
      throw conflict('template-used', `This template is used in ${used.join(', ')}. Choose another one there first.`);
    const { affected } = await manager.update(
      TemplateRecord,
      { id, workspaceId, removedAt: IsNull() },
      { removedAt: new Date() },
    );
    if (!affected) throw notFound('This template');
  });
