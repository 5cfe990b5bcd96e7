import type { Person as PersonView } from '@dossier/contract';
import { ArrayContains, In, IsNull, Not, type EntityManager } from 'typeorm';
import { Account } from '../account';
import { Card } from '../reading';
import { ChangeLogEntry, Employment, Note } from './entities';
import { loadFields } from './loadFields';
import { nextSteps } from './queries';
import { Consent, Merge } from './recordEntities';

/**
 * A person with everything that hangs on the record; whoever was merged into another is that one.
 * Undefined when there is none in this workspace.
 */
export async function loadPerson(manager: EntityManager, wanted: string): Promise<PersonView | undefined> {
  let id = wanted;
  let loaded = (await loadFields(manager, [id])).get(id);
  for (let steps = 0; !loaded && steps < 20; steps++) {
    const merge = await manager.findOneBy(Merge, { otherIds: ArrayContains([id]), undoneAt: IsNull() });
    if (!merge) return undefined;
    id = merge.intoId;
    loaded = (await loadFields(manager, [id])).get(id);
  }
  if (!loaded) return undefined;
  const { person, fields, companyId } = loaded;
  const merges = await manager.find(Merge, { where: { intoId: id, undoneAt: IsNull() }, order: { at: 'DESC' } });
  const ids = [id, ...merges.flatMap(({ otherIds }) => otherIds)];
  const former = await manager.find(Employment, {
    where: { personId: id, endedAt: Not(IsNull()) },
    relations: { company: true },
    order: { endedAt: 'DESC' },
  });
  const notes = await manager.find(Note, {
    where: { personId: id },
    order: { at: 'DESC' },
    relations: { author: true },
  });
  const cards = await manager.find(Card, {
    where: { personId: id, fileId: Not(IsNull()) },
    order: { takenAt: 'DESC' },
    select: { id: true },
  });
  const backs = await manager.find(Card, {
    where: { frontCardId: In(cards.map((card) => card.id)), fileId: Not(IsNull()) },
    select: { id: true, frontCardId: true },
  });
  const history = await manager.find(ChangeLogEntry, {
    where: { personId: In(ids) },
    order: { at: 'DESC', id: 'DESC' },
    relations: { actor: true },
  });
  const consents = await manager.find(Consent, { where: { personId: id }, order: { givenAt: 'DESC' } });
  const nameOf = await accountNames(
    manager,
    [...merges, ...consents].map(({ by }) => by),
  );
  return {
    id,
    kind: person.kind,
    fullName: person.fullName,
    owner: { id: person.ownerId, name: person.owner?.name ?? '' },
    tags: person.tags,
    fields,
    companyId,
    rating: person.rating,
    status: person.leadStatus,
    closed: person.closed,
    qualifiedAt: person.qualifiedAt?.toISOString() ?? null,
    consents: consents.map((consent) => ({
      id: consent.id,
      channels: consent.channels,
      scope: consent.scope,
      wording: consent.wording,
      how: consent.how,
      givenAt: consent.givenAt.toISOString(),
      by: nameOf(consent.by),
      withdrawnAt: consent.withdrawnAt?.toISOString() ?? null,
    })),
    formerJobs: former.map((job) => ({
      id: job.id,
      title: job.title,
      company: job.company?.name ?? '',
      companyId: job.companyId,
      startedAt: job.startedAt.toISOString(),
      endedAt: job.endedAt!.toISOString(),
    })),
    merges: merges.map((merge) => ({
      id: merge.id,
      at: merge.at.toISOString(),
      by: nameOf(merge.by),
      names: merge.names,
    })),
    deletedAt: person.deletedAt?.toISOString() ?? null,
    notes: notes.map((note) => ({
      id: note.id,
      kind: note.kind,
      text: note.text,
      author: note.author?.name ?? '',
      authorId: note.authorId,
      at: note.at.toISOString(),
      changedAt: note.changedAt?.toISOString() ?? null,
    })),
    steps: await nextSteps(manager, person.workspaceId, id),
    backs: Object.fromEntries(backs.map((back) => [back.frontCardId!, back.id])),
    cardIds: cards.map((card) => card.id),
    history: history.map((entry) => ({
      id: entry.id,
      at: entry.at.toISOString(),
      actor: entry.actor?.name ?? '',
      action: entry.action,
      cardId: entry.cardId,
      changes: entry.changes,
    })),
    version: person.version,
    createdAt: person.createdAt.toISOString(),
    updatedAt: person.updatedAt.toISOString(),
  };
}

async function accountNames(manager: EntityManager, ids: readonly string[]): Promise<(id: string) => string> {
  const accounts = ids.length > 0 ? await manager.findBy(Account, { id: In([...new Set(ids)]) }) : [];
  const names = new Map(accounts.map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? '';
}
