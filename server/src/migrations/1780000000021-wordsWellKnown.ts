import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

/**
 * Three ways to a page of a list that is narrowed. Few are found by the indexes of what they are narrowed by, and put into order. Of many,
 * some are soon met on a walk along the order. And where they are not (whoever has something to do comes last where those come first who
 * have not), all of them are found and put into order. The planner is not left the choice between the first two: it takes rare words for
 * frequent ones, and what a list is narrowed by to have nothing to do with its order.
 */
const LIST = `
create or replace function list_people(narrowed jsonb, by text, backwards boolean, after jsonb, at_most integer)
returns table (person_id uuid, place jsonb) language plpgsql stable security definer
set search_path = public set enable_seqscan = off set enable_indexscan = on as $$
declare
  few constant integer := 3000;
  walked constant integer := 20000;
  said constant text := listing_condition(narrowed, null);
  is_narrowed constant boolean := narrowed->'words' <> '[]' or narrowed->'marks' <> '{}'
    or narrowed->>'filedFrom' is not null or narrowed->>'filedTo' is not null;
  way constant text := case when backwards then 'desc' else 'asc' end;
  type constant text := case by when 'filed_at' then 'timestamptz' when 'touched_at' then 'timestamptz' when 'next_on' then 'date' else 'text' end;
  behind constant text := case when after is null or by = 'best' then 'true'
    else format('(l.%I, l.person_id) %s (%L::%s, %L)', by, case when backwards then '<' else '>' end, after->>0, type, after->>1) end;
  source text := 'person_listing';
  found integer;
begin
  if is_narrowed then perform set_config('enable_indexscan', 'off', true); end if;
  if is_narrowed and by <> 'best' then
    execute format('select count(*) from (select from person_listing l where %s limit %s) capped', said, few + 1) into found;
    if found > few then
      perform set_config('enable_indexscan', 'on', true);
      execute format(
        'select count(*) from (select from (select * from person_listing l where l.workspace_id = %L and %s order by l.%I %s, l.person_id %4$s limit %s) l where %s limit %s) met',
        ${WORKSPACE}, behind, by, way, walked, said, at_most) into found;
      if found < at_most then perform set_config('enable_indexscan', 'off', true); end if;
    end if;
    if current_setting('enable_indexscan') = 'off' then source := format('(select * from person_listing l where %s offset 0)', said); end if;
  end if;
  if by = 'best' then
    return query execute format(
      'with found as materialized (
         select l.person_id, l.sort_name, %s as score from person_listing l where %s limit %s)
       select f.person_id, jsonb_build_array(f.score, f.sort_name) from found f %s
       order by f.score desc, f.sort_name, f.person_id limit %s',
      listing_score(narrowed), said, few,
      case when after is null then '' else format('where (-f.score, f.sort_name, f.person_id) > (%L, %L, %L)', -(after->>0)::integer, after->>1, after->>2) end,
      at_most);
  elsif by in ('sort_name', 'sort_company', 'filed_at', 'touched_at', 'next_on') then
    return query execute format(
      'select l.person_id, jsonb_build_array(l.%1$I::text) from %6$s l where %2$s and %3$s order by l.%1$I %4$s, l.person_id %4$s limit %5$s',
      by, said, behind, way, at_most, source);
  end if;
end $$;
`;

/**
 * How often a word is taken to stand in lists that is not among the most frequent ones: as often as the rarest of those. With the hundred
 * that PostgreSQL keeps by default, a hundred rare words were taken for a fifth of all people, and the whole list was gone through for
 * them: eight seconds among a million. Of ten times as many it knows better, and is not left the choice.
 */
export class WordsWellKnown1780000000021 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table person_listing alter column words set statistics 1000');
    await runner.query('analyze person_listing');
    await runner.query(LIST);
  }

  async down(): Promise<void> {
    throw new Error('The way people were listed before is not kept: drop the database instead.');
  }
}
