import { In, type EntityManager } from 'typeorm';
import { Photo } from './entities';

/**
 * Photographs for this transaction alone, always in one order. Rows are locked photograph, then card, then person, then company, so
 * that no two transactions wait for each other; ids that are null or gone are passed over.
 */
export async function lockPhotos(manager: EntityManager, ids: readonly (string | null)[]): Promise<Photo[]> {
  const known = [...new Set(ids.filter((id) => id !== null))];
  if (known.length === 0) return [];
  return manager.find(Photo, {
    where: { id: In(known) },
    order: { id: 'ASC' },
    lock: { mode: 'pessimistic_write' },
  });
}
