import type { EntityManager } from 'typeorm';
import { fieldsLastEdited } from './queries';

/** The fields of these people that somebody last changed by hand: they beat what is only read from a card. */
export async function fieldsSettledIn(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<Map<string, string[]>> {
  const rows = await fieldsLastEdited(manager, workspaceId, ids);
  const settled = new Map<string, string[]>(ids.map((id) => [id, []]));
  for (const { person_id, field } of rows) settled.get(person_id)!.push(field);
  return settled;
}
