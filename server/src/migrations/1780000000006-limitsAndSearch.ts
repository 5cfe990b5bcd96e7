import type { MigrationInterface, QueryRunner } from 'typeorm';

const LIMITS = `
alter table workspace add same_from real not null default '0.95';
alter table workspace add perhaps_from real not null default '0.05';
grant update (same_from, perhaps_from) on workspace to dossier_serving;
`;

/**
 * Under row-level security PostgreSQL looks at the policy before any operator that might give rows away, \`like\` and the likeness
 * of trigrams among them, and so never uses a trigram index. These two look for the caller's workspace, and nothing else, with
 * their owner's rights.
 */
const SEARCH = `
drop index person_list;
create index person_list on person (workspace_id, sort_name, id) where deleted_at is null;

create function find_people(patterns text[], after_name text, after_id uuid, at_most integer)
returns table (total bigint, ids uuid[]) language plpgsql stable security definer set search_path = public as $$
declare
  everybody text := 'select p.id, p.sort_name from person p
    where p.workspace_id = nullif(current_setting(''dossier.workspace'', true), '''')::uuid and p.deleted_at is null';
  found text := everybody
    || (select coalesce(string_agg(format(' and p.search_text like %L', pattern), ''), '') from unnest(patterns) pattern);
begin
  -- Who was found by a word is gathered once, to be counted and put in order; everybody is in order already.
  return query execute format(
    'with found as %s (%s) select (select count(*) from found), array(
       select f.id from found f where $1 is null or (f.sort_name, f.id) > ($1, $2) order by f.sort_name, f.id limit $3)',
    case when patterns = '{}' then 'not materialized' else 'materialized' end, found)
    using after_name, after_id, at_most;
end $$;

create function people_named_like(name text, apart_from uuid[], at_most integer)
returns setof uuid language plpgsql security definer set search_path = public as $$
begin
  perform set_config('pg_trgm.similarity_threshold', '0.4', true);
  return query
    select p.id from person p
    where p.workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid
      and p.deleted_at is null and p.sort_name % name and not p.id = any(apart_from)
    order by similarity(p.sort_name, name) desc, p.id limit at_most;
end $$;
${['find_people(text[], text, uuid, integer)', 'people_named_like(text, uuid[], integer)']
  .map((f) => `revoke all on function ${f} from public; grant execute on function ${f} to dossier_serving;`)
  .join('\n')}
`;

/** From when on two records are taken for one person, set by the workspace; searching that uses its indexes. */
export class LimitsAndSearch1780000000006 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(LIMITS + SEARCH);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop function find_people(text[], text, uuid, integer);
      drop function people_named_like(text, uuid[], integer);
      drop index person_list;
      create index person_list on person (workspace_id, sort_name, id);
      alter table workspace drop same_from, drop perhaps_from;`);
  }
}
