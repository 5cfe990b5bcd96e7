import type { Person as PersonView } from '@dossier/contract';
import { IsNull, Not, type EntityManager } from 'typeorm';
import { Card } from '../reading';
import { ChangeLogEntry, Employment, Note, Person, Reach } from './entities';

/** A person with everything that hangs on the record; undefined when there is none in this workspace. */
export async function loadPerson(manager: EntityManager, id: string): Promise<PersonView | undefined> {
  const person = await manager.findOne(Person, { where: { id }, relations: { owner: true } });
  if (!person) return undefined;
  const job = await manager.findOne(Employment, {
    where: { personId: id, endedAt: IsNull() },
    relations: { company: true },
  });
  const reach = await manager.find(Reach, { where: { personId: id }, order: { position: 'ASC' } });
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
  const history = await manager.find(ChangeLogEntry, {
    where: { personId: id },
    order: { at: 'DESC' },
    relations: { actor: true },
  });
  const values = (kind: Reach['kind']) => reach.filter((r) => r.kind === kind);
  return {
    id,
    kind: person.kind,
    fullName: person.fullName,
    owner: { id: person.ownerId, name: person.owner?.name ?? '' },
    tags: person.tags,
    fields: {
      prefix: person.prefix,
      givenName: person.givenName,
      middleName: person.middleName,
      familyName: person.familyName,
      suffix: person.suffix,
      title: job?.title ?? '',
      department: job?.department ?? '',
      company: job?.company?.name ?? '',
      emails: values('email').map((r) => r.value),
      phones: values('phone').map((r) => ({ value: r.value, kind: r.phoneKind ?? 'work', extension: r.extension })),
      websites: values('website').map((r) => r.value),
      street: person.street,
      postalCode: person.postalCode,
      locality: person.locality,
      region: person.region,
      country: person.country,
      more: person.more,
    },
    notes: notes.map((note) => ({
      id: note.id,
      text: note.text,
      author: note.author?.name ?? '',
      at: note.at.toISOString(),
    })),
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
