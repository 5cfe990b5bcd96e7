import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who fits words is found by the index of words and put into order then, unless so many do that an order is soon gone through for them. */
const LIST = `
create or replace function list_people(narrowed jsonb, by text, backwards boolean, after jsonb, at_most integer)
returns table (person_id uuid, place jsonb) language plpgsql stable security definer
set search_path = public set enable_seqscan = off set enable_indexscan = on as $$
declare
  few constant integer := 3000;
  said constant text := listing_condition(narrowed, null);
  way constant text := case when backwards then 'desc' else 'asc' end;
  type constant text := case by when 'filed_at' then 'timestamptz' when 'touched_at' then 'timestamptz' when 'next_on' then 'date' else 'text' end;
  behind constant text := case when after is null or by = 'best' then 'true'
    else format('(l.%I, l.person_id) %s (%L::%s, %L)', by, case when backwards then '<' else '>' end, after->>0, type, after->>1) end;
  source text := 'person_listing';
  found integer;
begin
  if narrowed->'words' <> '[]' then
    -- Walking an order is taken for quicker where rare words are taken for frequent ones.
    perform set_config('enable_indexscan', 'off', true);
    if by <> 'best' then
      execute format('select count(*) from (select from person_listing l where %s limit %s) capped', said, few + 1) into found;
      if found <= few then source := format('(select * from person_listing l where %s offset 0)', said);
      else perform set_config('enable_indexscan', 'on', true); end if;
    end if;
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
