import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

/**
 * Few who are narrowed to are found once: they are put into order and counted by their ids. To find them again for the page, and once more
 * to count them, took most of the time where many words and many people are gone through for few.
 */
const LIST = `
create or replace function list_people(narrowed jsonb, by text, backwards boolean, after jsonb, at_most integer)
returns table (person_id uuid, place jsonb, among bigint) language plpgsql stable security definer
set search_path = public set enable_seqscan = off set enable_indexscan = on as $$
declare
  few constant integer := 3000;
  steps constant integer := 2000;
  walked constant integer := 20000;
  said constant text := listing_condition(narrowed, null);
  is_narrowed constant boolean := narrowed->'words' <> '[]' or narrowed->'marks' <> '{}'
    or narrowed->>'filedFrom' is not null or narrowed->>'filedTo' is not null;
  way constant text := case when backwards then 'desc' else 'asc' end;
  type constant text := case by when 'filed_at' then 'timestamptz' when 'touched_at' then 'timestamptz' when 'next_on' then 'date' else 'text' end;
  behind constant text := case when after is null or by = 'best' then 'true'
    else format('(l.%I, l.person_id) %s (%L::%s, %L)', by, case when backwards then '<' else '>' end, after->>0, type, after->>1) end;
  /* The walk begins where the days do, if it is along them. */
  filed constant text := case when by = 'filed_at' and narrowed->>'filedFrom' is not null then format(' and l.filed_at >= %L', narrowed->>'filedFrom') else '' end
    || case when by = 'filed_at' and narrowed->>'filedTo' is not null then format(' and l.filed_at < %L', narrowed->>'filedTo') else '' end;
  open constant text := case when by = 'next_on' and narrowed->'marks'->'task' = '["open"]'
    then format(' and l.marks && %L::bigint[]', array[mark_number('task', 'open')]) else '' end;
  /* How many are met within so many steps along the order. */
  met constant text := format(
    'select count(*) from (select from (select * from person_listing l where l.workspace_id = %L and %s order by l.%I %s, l.person_id %4$s limit $1) l where %5$s limit %6$s) met',
    ${WORKSPACE}, behind || filed || open, case by when 'best' then 'sort_name' else by end, way, said, at_most);
  only_days constant boolean := narrowed->'marks' = '{}' and narrowed->'words' = '[]';
  source text := 'person_listing';
  left_to_meet text := format('%s and %s', said, behind);
  gathered uuid[];
  counted bigint;
  found integer := 0;
begin
  if is_narrowed and by <> 'best' then
    if at_most <= steps then execute met into found using steps; end if;
    if found < at_most then
      perform set_config('enable_indexscan', 'off', true);
      execute format('select array_agg(capped.person_id) from (select l.person_id from person_listing l where %s limit %s) capped', said, few + 1)
        into gathered;
      found := coalesce(cardinality(gathered), 0);
      if found > few and at_most <= steps and not only_days then
        perform set_config('enable_indexscan', 'on', true);
        execute met into found using walked;
        if found < at_most then perform set_config('enable_indexscan', 'off', true); end if;
      elsif found <= few then
        source := format('(select l.* from person_listing l where l.person_id = any($1) and %s offset 0)', behind);
        left_to_meet := 'true';
        counted := nullif(found, few);
        perform set_config('enable_indexscan', 'on', true);
      end if;
    end if;
    if current_setting('enable_indexscan') = 'off' then
      source := format('(select l.person_id, l.%I from person_listing l where %s and %s offset 0)', by, said, behind);
      left_to_meet := 'true';
      /* Days and what stands beside them are in an index of their own. */
      if only_days then perform set_config('enable_indexscan', 'on', true); end if;
    end if;
  elsif by = 'best' then
    perform set_config('enable_indexscan', 'off', true);
  end if;
  if by = 'best' then
    return query execute format(
      'with found as materialized (
         select l.person_id, l.sort_name, %s as score, count(*) over () as among from (select * from person_listing l where %s limit %s) l)
       select f.person_id, jsonb_build_array(f.score, f.sort_name), f.among from found f %s
       order by f.score desc, f.sort_name, f.person_id limit %s',
      listing_score(narrowed), said, few,
      case when after is null then '' else format('where (-f.score, f.sort_name, f.person_id) > (%L, %L, %L)', -(after->>0)::integer, after->>1, after->>2) end,
      at_most);
  elsif by in ('sort_name', 'sort_company', 'filed_at', 'touched_at', 'next_on') then
    return query execute format(
      'select l.person_id, jsonb_build_array(l.%1$I::text), $2 from %5$s l where %2$s order by l.%1$I %3$s, l.person_id %3$s limit %4$s',
      by, left_to_meet, way, at_most, source) using gathered, counted;
  end if;
end $$;
`;

/** Whoever a list is narrowed to is found once, not three times. */
export class FoundOnce1780000000026 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(LIST);
  }

  async down(): Promise<void> {
    throw new Error('The way people were listed before is not kept: drop the database instead.');
  }
}
