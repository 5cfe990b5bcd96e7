import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const LIST = 'list_people(jsonb, text, boolean, jsonb, integer)';

/**
 * Ways to a page of a list that is narrowed. Where many fit, some are met after a few steps along the order. Few are found by the indexes of
 * what they are narrowed by, and put into order. Of others some are met on a longer walk. And where they are not (whoever has something to
 * do comes last where those come first who have not), all of them are found and put into order. The planner is not left the choice: it
 * takes rare words for frequent ones, and what a list is narrowed by to have nothing to do with its order.
 * Whoever fits best is drawn from so many found, and how many were tells how many there are.
 */
const ASKING = `
drop function ${LIST};
create function list_people(narrowed jsonb, by text, backwards boolean, after jsonb, at_most integer)
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
  found integer := 0;
begin
  if is_narrowed and by <> 'best' then
    if at_most <= steps then execute met into found using steps; end if;
    if found < at_most then
      perform set_config('enable_indexscan', 'off', true);
      execute format('select count(*) from (select from person_listing l where %s limit %s) capped', said, few + 1) into found;
      if found > few and at_most <= steps and not only_days then
        perform set_config('enable_indexscan', 'on', true);
        execute met into found using walked;
        if found < at_most then perform set_config('enable_indexscan', 'off', true); end if;
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
      'select l.person_id, jsonb_build_array(l.%1$I::text), null::bigint from %5$s l where %2$s order by l.%1$I %3$s, l.person_id %3$s limit %4$s',
      by, left_to_meet, way, at_most, source);
  end if;
end $$;
revoke all on function ${LIST} from public;
grant execute on function ${LIST} to dossier_serving;
`;

/**
 * People fall into 4,096 parts by chance instead of 64: of a million, sixteen thousand were looked at where three thousand tell as much.
 */
const PARTS = `
do $$ begin
  execute replace(pg_get_functiondef('list_people_now(uuid[])'::regprocedure),
    $part$(('x' || right(p.id::text, 2))::bit(8)::integer % 64)$part$, $part$(('x' || right(p.id::text, 3))::bit(12)::integer)$part$);
end $$;
alter table person_listing alter column bucket type smallint using ('x' || right(person_id::text, 3))::bit(12)::integer::smallint;
analyze person_listing;

/* How many of the 4,096 parts of this workspace's people are about so many. */
drop function listing_parts();
create function listing_parts(wanted integer) returns integer language sql stable security definer set search_path = public as $$
  select least(4096, greatest(1, ceil(wanted * 4.0 / (1 + count(*)))))::integer from person_listing
  where workspace_id = ${WORKSPACE} and bucket < 4
$$;
revoke all on function listing_parts(integer) from public;

/* Of those filed within some months, when they were touched last stands beside. */
drop index person_listing_filed;
create index person_listing_filed on person_listing (workspace_id, filed_at, person_id) include (touched_at);

/* Who has something to do is hardly found along the days where most have no day. */
create index person_listing_open on person_listing (workspace_id, next_on, person_id) where marks && array[mark_number('task', 'open')];
`;

/** A word that is wholly there is hardly the beginning of another one with a slip: thousands need not be compared for it. */
const WORDS = `
do $$ begin
  execute replace(pg_get_functiondef('words_like(text)'::regprocedure),
    'cardinality(found) < 20 then', 'cardinality(found) < 20 and said <> all(found) then');
end $$;
`;

const IS_WHOLE = `narrowed->'marks' = '{}' and narrowed->'words' = '[]' and narrowed->>'filedFrom' is null and narrowed->>'filedTo' is null`;
/** Some of the workspace's people by chance. @param parts how many of the parts they fall into */
const some = (parts: string): string =>
  `(select * from person_listing l where l.workspace_id = %L and l.bucket < ${parts} offset 0) l`;

/**
 * How many there are. Where some looked at by chance tell that they are many, nobody else is looked at; else they are counted up to a
 * number, and judged by three times as many beyond it.
 */
const COUNTING = `
create or replace function count_listed(narrowed jsonb, exactly integer, out people bigint, out counted text)
language plpgsql stable security definer set search_path = public set enable_seqscan = off as $$
declare
  said constant text := listing_condition(narrowed, null);
  most constant integer := case when ${IS_WHOLE} then 20000 else exactly end;
  enough constant integer := 40;
  parts integer := listing_parts(5000);
begin
  if narrowed->'words' = '[]' and parts < 4096 then
    execute format('select count(*) from ${some('%s')} where %s', ${WORKSPACE}, parts, said) into people;
    /* Three times as far off as chance has it is hardly ever. */
    if people >= enough and people * 4096 / parts * (1 - 3 / sqrt(people)) > most then
      people := people * 4096 / parts;
      counted := 'about';
      return;
    end if;
  end if;
  counted := 'exact';
  execute format('select count(*) from (select from person_listing l where %s limit %s) capped', said, most + 1) into people;
  if people <= most then return; end if;
  people := most;
  counted := 'least';
  if narrowed->'words' <> '[]' then return; end if;
  parts := least(4096, 3 * parts);
  execute format('select count(*) * 4096 / %2$s from ${some('%2$s').replace('%L', '%1$L')} where %3$s', ${WORKSPACE}, parts, said) into people;
  people := greatest(people, most);
  counted := 'about';
end $$;

create or replace function count_marks(narrowed jsonb, facets text[], at_most integer)
returns table (facet text, value text, people bigint, counted text) language plpgsql stable security definer
set search_path = public set enable_seqscan = off as $$
declare
  exactly constant integer := 2500;
  parts constant integer := listing_parts(2500);
  pass text; said text; sample text; wanted text[]; found integer; way text;
begin
  foreach pass in array array_append(array(select f from unnest(facets) f where narrowed->'marks' ? f), null) loop
    wanted := case when pass is null then array(select f from unnest(facets) f where not narrowed->'marks' ? f) else array[pass] end;
    continue when wanted = '{}';
    said := listing_condition(narrowed, pass);
    way := null;
    if narrowed->'words' = '[]' and parts < 4096 then
      execute format('select count(*) from ${some('%s')} where %s', ${WORKSPACE}, parts, said) into found;
      if found > 0 and found * 4096 / parts * (1 - 3 / sqrt(found)) > exactly then way := 'about'; end if;
    end if;
    if way is null then
      execute format('select count(*) from (select from person_listing l where %s limit %s) capped', said, exactly + 1) into found;
      way := case when found <= exactly then 'exact' when narrowed->'words' <> '[]' then 'least' else 'about' end;
    end if;
    sample := case way
      when 'exact' then format('select l.marks from person_listing l where %s', said)
      when 'least' then format('select l.marks from person_listing l where %s limit %s', said, exactly)
      else format('select l.marks from ${some('%s')} where %s', ${WORKSPACE}, parts, said) end;
    return query execute format(
      'select f.facet, m.value, ranked.people * 4096 / %2$s, %5$L::text
       from (select mark, count(*) as people, row_number() over (partition by mark >> 58 order by count(*) desc, mark) as place
             from (%1$s) s, unnest(s.marks) mark where mark >> 58 = any(%7$L::bigint[]) group by mark) ranked
       join unnest(%3$L::text[]) f(facet) on facet_number(f.facet) = ranked.mark >> 58
       join lateral (select value from listed_mark where workspace_id = %6$L and mark = ranked.mark limit 1) m on true
       where ranked.place <= %4$s order by f.facet, ranked.place',
      sample, case way when 'about' then parts else 4096 end, wanted, at_most, way, ${WORKSPACE}, array(select facet_number(f) from unnest(wanted) f));
  end loop;
end $$;
`;

/** Lists narrowed by what many have are met along their order; who fits words best is found and counted in one go. */
export class ListsWalked1780000000023 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(ASKING);
    await runner.query(PARTS);
    await runner.query(COUNTING);
    await runner.query(WORDS);
  }

  async down(): Promise<void> {
    throw new Error('The way people were listed before is not kept: drop the database instead.');
  }
}
