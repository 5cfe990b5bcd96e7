import type { EntityManager, EntityTarget, FindOptionsWhere, ObjectLiteral } from 'typeorm';
import { idTaken } from './problem';

/**
 * Writes a row under an id that perhaps a device has made: sent twice, it is one.
 * @returns whether it is new @throws ProblemError 409 where its id stands for something that this workspace cannot see
 */
export async function insertOnce<T extends ObjectLiteral>(
  manager: EntityManager,
  entity: EntityTarget<T>,
  row: { id: string; workspaceId: string } & Record<string, unknown>,
): Promise<boolean> {
  const made = await manager.createQueryBuilder().insert().into(entity).values(row as object).orIgnore().returning('id').execute(); // prettier-ignore
  if ((made.raw as unknown[]).length > 0) return true;
  const { id, workspaceId } = row;
  if (!(await manager.existsBy(entity, { id, workspaceId } as unknown as FindOptionsWhere<T>))) throw idTaken();
  return false;
}
