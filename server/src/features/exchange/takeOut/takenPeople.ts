import type { TakenPerson } from '@dossier/core/exchange/files';
import type { EntityManager } from 'typeorm';
import { loadFields } from '../../people';
import { besideFields, nextChosen } from '../queries';

/** So many are read from the database at a time. */
const AT_ONCE = 400;

/** Those who were chosen in this transaction, some at a time. */
export async function* takenPeople(manager: EntityManager, workspaceId: string): AsyncGenerator<TakenPerson[]> {
  let place = '0';
  for (;;) {
    const rows = await nextChosen(manager, place, AT_ONCE);
    if (rows.length === 0) return;
    place = rows.at(-1)!.place;
    yield await loadTaken(manager, workspaceId, rows.map((row) => row.person_id)); // prettier-ignore
  }
}

export async function loadTaken(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<TakenPerson[]> {
  const loaded = await loadFields(manager, ids);
  const beside = new Map((await besideFields(manager, workspaceId, ids)).map((row) => [row.id, row]));
  return ids.flatMap((id) => {
    const [found, more] = [loaded.get(id), beside.get(id)];
    if (!found || !more) return [];
    const { person, fields, companyId } = found;
    return {
      id,
      version: person.version,
      fields,
      kind: person.kind,
      rating: person.rating,
      status: person.leadStatus,
      closed: person.closed,
      qualifiedAt: person.qualifiedAt,
      tags: person.tags,
      owner: person.owner?.name ?? '',
      occasions: more.occasions,
      notes: more.notes.map(({ text, author, at }) => ({ text, author, at: new Date(at) })),
      companyId,
      filedAt: person.createdAt,
      touchedAt: more.touched_at,
      nextOn: more.next_on,
    };
  });
}
