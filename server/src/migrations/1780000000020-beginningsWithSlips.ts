import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

/**
 * A word that is still being written and has a slip shares nothing with the whole word that an index could know: what begins with the same
 * two letters is compared by its own beginning, where little else was found.
 * @param beginnings how words that are there begin, if that is looked at
 */
const wordsLike = (beginnings: string): string => `
create or replace function words_like(said text) returns table (word text) language plpgsql stable security definer
set search_path = public set enable_seqscan = off set plan_cache_mode = force_generic_plan as $$
declare
  own constant uuid := ${WORKSPACE};
  keys constant integer[] := slip_keys(said);
  held constant text := '%' || replace(replace(replace(said, '\\', '\\\\'), '%', '\\%'), '_', '\\_') || '%';
  found text[];
begin
  if length(said) < 4 then return; end if;
  found := array(
    (select w.word from listed_word w where w.workspace_id = own and w.word >= said and w.word < said || U&'\\FFFF' order by w.word limit 300)
    union
    (select w.word from listed_word w where w.workspace_id = own and w.near && keys limit 400)
    union
    (select w.word from listed_word w where w.workspace_id = own and w.word like held limit 200));
  ${beginnings}
  return query select unnest(found);
end $$;
`;

/** Long words share the beginning that is looked at with whatever is written of them, see the keys of slips. */
const BEGINNINGS = `if length(said) < 8 and cardinality(found) < 20 then
    found := found || array(select w.word from (
        select near.word from listed_word near where near.workspace_id = own
          and near.word >= left(said, 2) and near.word < left(said, 2) || U&'\\FFFF' limit 3000) w
      where length(w.word) > length(said) and w.word <> all(found)
        and exists (select from generate_series(-1, 1) more where slip_keys(left(w.word, length(said) + more)) && keys)
      limit 200);
  end if;`;

/** Somebody is found while their name is still being written, with a slip in it. */
export class BeginningsWithSlips1780000000020 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(wordsLike(BEGINNINGS));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(wordsLike(''));
  }
}
