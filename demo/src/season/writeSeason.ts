import type { Season } from './drawSeason';

/** Asks the database of the tables' owner. */
export type Query = (sql: string, values: unknown[]) => Promise<unknown>;

const AT_ONCE = 2000;
const TABLES = ['message', 'opportunity', 'opportunity_person', 'opportunity_act', 'task', 'change_log'] as const;

/** Writes what became of leads beside their records, as if it had been done at its time. @param query of whoever owns the tables */
export async function writeSeason(query: Query, workspaceId: string, season: Season): Promise<void> {
  for (const some of chunks(season.people))
    await query(
      `update person set created_at = now.filed_at, updated_at = now.filed_at, kind = now.kind, qualified_at = now.qualified_at, closed = now.closed, lead_status = now.lead_status,
         source = case right(person.id::text, 1) when '0' then 'file' when '1' then 'file' when '2' then 'text' else 'card' end
       from jsonb_to_recordset($2::jsonb) as now(id uuid, filed_at timestamptz, kind text, qualified_at timestamptz, closed jsonb, lead_status text)
       where person.workspace_id = $1 and person.id = now.id`,
      [workspaceId, JSON.stringify(some)],
    );
  for (const some of chunks(season.people)) {
    const values = [workspaceId, JSON.stringify(some)];
    const now = 'jsonb_to_recordset($2::jsonb) as now(id uuid, filed_at timestamptz)';
    await query(`update card set filed_at = now.filed_at from ${now} where card.workspace_id = $1 and card.person_id = now.id`, values); // prettier-ignore
    await query(`update proof_fact f set at = now.filed_at from ${now}, card k where k.workspace_id = $1 and k.person_id = now.id and f.card_id = k.id`, values); // prettier-ignore
    await query(`update filing_receipt r set at = now.filed_at from ${now} where r.workspace_id = $1 and r.person_id = now.id`, values); // prettier-ignore
    await query(`update change_log l set at = now.filed_at from ${now} where l.workspace_id = $1 and l.person_id = now.id and l.action = 'filed'`, values); // prettier-ignore
    await query(`update employment e set started_at = now.filed_at from ${now} where e.workspace_id = $1 and e.person_id = now.id`, values); // prettier-ignore
  }
  for (const table of TABLES)
    for (const some of chunks(season[table])) {
      const columns = Object.keys(some[0]!);
      await query(
        `insert into ${table} (workspace_id, ${columns.join(', ')})
         select $1, ${columns.map((column) => `r.${column}`).join(', ')} from jsonb_populate_recordset(null::${table}, $2::jsonb) r on conflict do nothing`,
        [workspaceId, JSON.stringify(some)],
      );
    }
}

function* chunks<T>(rows: readonly T[]): Generator<readonly T[]> {
  for (let i = 0; i < rows.length; i += AT_ONCE) yield rows.slice(i, i + AT_ONCE);
}
