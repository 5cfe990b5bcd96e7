import type { EntityManager } from 'typeorm';
import { conflict, notFound } from '../../platform/problem';
import { Person } from './entities';
import { type LoadedFields, loadFields } from './loadFields';

/**
 * A person for this transaction alone, as it was seen.
 * @param forGood for who takes the record away; else others can go on writing down what is about that person
 * @throws ProblemError 404 for one that is not here or deleted, 409 for one that changed since that version
 */
export async function lockPerson(
  manager: EntityManager,
  id: string,
  version: number,
  { forGood = false } = {},
): Promise<LoadedFields> {
  const mode = forGood ? 'pessimistic_write' : 'for_no_key_update';
  const row = await manager.findOne(Person, { where: { id }, lock: { mode } });
  const loaded = row && !row.deletedAt && (await loadFields(manager, [id])).get(id);
  if (!loaded) throw notFound('This person');
  if (row.version !== version) {
    throw conflict(
      'person-changed',
      `${row.fullName} was changed in the meantime. Look at both before you go on: nothing of yours is lost.`,
    );
  }
  return loaded;
}
