import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

/** Ids tell when they were made: backwards, the latest is the first. */
const backwards = (id: string): string => `translate(${id}::text, '0123456789abcdef', 'fedcba9876543210')`;

/** Folding a name costs more than reading it: the order of names stands beside them, that of age in an index. */
const ORDERS = `
alter table company add column sort_name text not null default '';
update company set sort_name = folded(name);
create function company_in_order() returns trigger language plpgsql security definer set search_path = public as $$
begin
  new.sort_name := folded(new.name);
  return new;
end $$;
create trigger company_in_order before insert or update of name on company for each row execute function company_in_order();
drop index company_order;
create index company_order on company (workspace_id, sort_name, id) where merged_into is null;
create index company_latest on company (workspace_id, (${backwards('id')}), id) where merged_into is null;
/* Who works where now can be counted without looking at the jobs themselves. */
create index employment_present on employment (workspace_id, company_id, person_id) where ended_at is null;
`;

const FIND = `
create or replace function find_companies(words jsonb, said text, by text, after jsonb, at_most integer)
returns table (company_id uuid, place jsonb, known_as text) language plpgsql stable security definer set search_path = public as $$
declare
  own constant uuid := ${WORKSPACE};
  meant uuid[];
  word jsonb;
  each text[];
  spelling constant text := '(select n.name from (select n.name from company_name n where n.company_id = c.id
    union all select m.name from company m where m.merged_into = c.id) n
    where $2 is not null and similarity(folded(n.name), $3) > similarity(c.sort_name, $3) order by similarity(folded(n.name), $3) desc limit 1)';
  /* How many work at each, whoever is deleted left out. */
  staff constant text := '(select e.company_id, count(*) as people from employment e
    where e.workspace_id = $1 and e.ended_at is null and e.company_id is not null and ($2 is null or e.company_id = any($2))
      and e.person_id not in (select p.id from person p where p.workspace_id = $1 and p.deleted_at is not null) group by 1)';
begin
  for word in select * from jsonb_array_elements(words) loop
    each := array(select jsonb_array_elements_text(word));
    meant := array(
      select now.id from (
        select case when c.merged_into is null then c.id else company_now(c.id) end as id
        from company c where c.workspace_id = own and name_words(c.name) && each
        union
        select company_now(n.company_id) from company_name n where n.workspace_id = own and name_words(n.name) && each) now
      where meant is null or now.id = any(meant));
  end loop;
  return query execute format(
    'select f.id, jsonb_build_array(f.rank, f.key), f.spelling from (
       select c.id, %1$s as rank, %2$s as key, %3$s as spelling from company c %4$s
       where c.workspace_id = $1 and c.merged_into is null and ($2 is null or c.id = any($2))
         and (%5$s exists (select from employment e where e.company_id = c.id)
           or exists (select from company_note n where n.company_id = c.id))) f
     where %6$s order by f.rank, f.key, f.id limit %7$s',
    case by
      when 'best' then '-round(1000 * greatest(similarity(c.sort_name, $3), coalesce((select max(similarity(folded(n.name), $3))
        from company_name n where n.company_id = c.id), 0)))::integer'
      when 'people' then '-coalesce(staff.people, 0)::integer'
      else '0' end,
    case by when 'new' then $key$${backwards('c.id')}$key$ else 'c.sort_name' end,
    spelling,
    case by when 'people' then 'left join ' || staff || ' staff on staff.company_id = c.id' else '' end,
    case by when 'people' then 'staff.people > 0 or' else '' end,
    case
      when after is null then 'true'
      when by in ('name', 'new') then '(f.key, f.id) > ($4->>1, ($4->>2)::uuid)'
      else '(f.rank, f.key, f.id) > (($4->>0)::integer, $4->>1, ($4->>2)::uuid)' end,
    at_most) using own, meant, folded(said), after;
end $$;
`;

/**
 * Whoever writes several tables of the same people says so with `dossier.list_later`, and has them listed once in the end. Who forgets
 * that within a transaction leaves lists as they were: see `listedOnce`, the only place that says it.
 */
const ONCE = `
alter function list_people_again(uuid[]) rename to list_people_now;
create function list_people_again(ids uuid[]) returns void language plpgsql security definer set search_path = public as $$
begin
  if current_setting('dossier.list_later', true) is distinct from 'on' then perform list_people_now(ids); end if;
end $$;
revoke all on function list_people_again(uuid[]) from public;
revoke all on function list_people_now(uuid[]) from public;
grant execute on function list_people_now(uuid[]) to dossier_serving;
`;

/** Firms in any order at once, also among tens of thousands; people whose records are written in several places are listed once. */
export class FirmsInOrder1780000000017 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(ORDERS);
    await runner.query(FIND);
    await runner.query(ONCE);
  }

  async down(): Promise<void> {
    throw new Error('The way firms were found before is not kept: drop the database instead.');
  }
}
