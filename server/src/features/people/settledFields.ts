import type { EntityManager } from 'typeorm';

/** The fields of these people that somebody last changed by hand: they beat what is only read from a card. */
export async function fieldsSettledIn(manager: EntityManager, ids: readonly string[]): Promise<Map<string, string[]>> {
  const rows = await manager.query<{ person_id: string; field: string }[]>(
    `select person_id, field from (
       select distinct on (log.person_id, change->>'field') log.person_id, change->>'field' as field, log.action
       from change_log log, jsonb_array_elements(log.changes) change
       where log.person_id = any($1)
       order by log.person_id, change->>'field', log.at desc, log.id desc) latest
     where action = 'edited'`,
    [ids],
  );
  const settled = new Map<string, string[]>(ids.map((id) => [id, []]));
  for (const { person_id, field } of rows) settled.get(person_id)!.push(field);
  return settled;
}
