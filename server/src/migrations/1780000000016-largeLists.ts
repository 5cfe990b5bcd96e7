import type { MigrationInterface, QueryRunner } from 'typeorm';

/** @param everybody how many a list that is not narrowed counts one by one */
const countListed = (everybody: number | null): string => `
create or replace function count_listed(narrowed jsonb, exactly integer, out people bigint, out counted text)
language plpgsql stable security definer set search_path = public as $$
declare
  said text := listing_condition(narrowed, null);
  is_whole constant boolean := narrowed->'marks' = '{}' and narrowed->'words' = '[]'
    and narrowed->>'filedFrom' is null and narrowed->>'filedTo' is null;
  most constant integer := case when is_whole then ${everybody ?? 2_000_000_000} else exactly end;
  parts integer;
begin
  counted := 'exact';
  execute format('select count(*) from (select from person_listing l where %s limit %s) capped', said, most + 1) into people;
  if people <= most then return; end if;
  people := most;
  counted := 'least';
  if narrowed->'words' <> '[]' then return; end if;
  parts := listing_parts();
  execute format('select count(*) * 64 / %1$s from person_listing l where %2$s and l.bucket < %1$s', parts, said) into people;
  people := greatest(people, most);
  counted := 'about';
end $$;
`;

const LOOKING = [
  'list_people(jsonb, text, boolean, jsonb, integer)',
  'count_listed(jsonb, integer)',
  'count_marks(jsonb, text[], integer)',
];

/**
 * What fits some of fifty rare words is taken for far more than it is, and the whole list would be gone through for it: two seconds for
 * each letter that somebody types, once the database has looked at how words are spread. There is an index for whatever is asked here.
 *
 * Everybody is counted one by one up to twenty thousand, and judged by a part beyond, as narrowed lists are: counting a hundred thousand
 * takes a quarter of a second while many of them are being changed, for each letter that somebody types.
 */
export class LargeLists1780000000016 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(countListed(20_000));
    for (const way of LOOKING) await runner.query(`alter function ${way} set enable_seqscan = off`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const way of LOOKING) await runner.query(`alter function ${way} reset enable_seqscan`);
    await runner.query(countListed(null));
  }
}
