import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const OF_WORKSPACE = ['company_staff', 'company_recount'];

const TABLES = `
create table company_staff (
  company_id uuid not null,
  workspace_id uuid not null,
  rank integer not null,
  sort_name text not null,
  constraint company_staff_pkey primary key (company_id)
);
create index company_staff_order on company_staff (workspace_id, rank, sort_name, company_id);
alter table company_staff add constraint company_staff_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table company_staff add constraint company_staff_company_fk foreign key (company_id) references company(id) on delete cascade;
create table company_recount (
  id bigint generated always as identity not null,
  workspace_id uuid not null,
  company_id uuid not null,
  constraint company_recount_pkey primary key (id)
);
create index company_recount_company on company_recount (workspace_id, company_id);
alter table company_recount add constraint company_recount_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table company_recount add constraint company_recount_company_fk foreign key (company_id) references company(id) on delete cascade;
${OF_WORKSPACE.map(
  (table) => `alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});
grant select on ${table} to dossier_serving;`,
).join('\n')}
`;

/** How many work at a firm now, whoever is deleted left out. */
const staffAt = (company: string): string =>
  `(select count(*)::integer as people from employment e where e.workspace_id = ${company}.workspace_id and e.company_id = ${company}.id
      and e.ended_at is null and not exists (select from person p where p.id = e.person_id and p.deleted_at is not null))`;

/** Whatever may change how many work at a firm, or where it stands among those with as many, puts it down to be counted. */
const TOLD = `
create function count_staff_later(ids uuid[]) returns void language sql security definer set search_path = public as $$
  insert into company_recount (workspace_id, company_id) select workspace_id, id from company where id = any(ids)
$$;
create function employment_counted_on_insert() returns trigger language plpgsql security definer set search_path = public as $$
begin
  perform count_staff_later(array(select company_id from now where ended_at is null));
  return null;
end $$;
create function employment_counted_on_delete() returns trigger language plpgsql security definer set search_path = public as $$
begin
  perform count_staff_later(array(select company_id from was where ended_at is null));
  return null;
end $$;
create function employment_counted_on_update() returns trigger language plpgsql security definer set search_path = public as $$
begin
  perform count_staff_later(array(
    select company_id from (
      select id, person_id, company_id from was where ended_at is null except select id, person_id, company_id from now where ended_at is null) gone
    union select company_id from (
      select id, person_id, company_id from now where ended_at is null except select id, person_id, company_id from was where ended_at is null) come));
  return null;
end $$;
create function person_counted_on_update() returns trigger language plpgsql security definer set search_path = public as $$
begin
  perform count_staff_later(array(
    select e.company_id from was join now on now.id = was.id join employment e on e.person_id = now.id and e.ended_at is null
    where (was.deleted_at is null) <> (now.deleted_at is null)));
  return null;
end $$;
create function company_counted_on_update() returns trigger language plpgsql security definer set search_path = public as $$
begin
  perform count_staff_later(array(select now.id from was join now on now.id = was.id where was.sort_name <> now.sort_name));
  return null;
end $$;
create trigger employment_counted_on_insert after insert on employment
  referencing new table as now for each statement execute function employment_counted_on_insert();
create trigger employment_counted_on_delete after delete on employment
  referencing old table as was for each statement execute function employment_counted_on_delete();
create trigger employment_counted_on_update after update on employment
  referencing old table as was new table as now for each statement execute function employment_counted_on_update();
create trigger person_counted_on_update after update on person
  referencing old table as was new table as now for each statement execute function person_counted_on_update();
create trigger company_counted_on_update after update on company
  referencing old table as was new table as now for each statement execute function company_counted_on_update();

/* Counts the firms that were put down, of all workspaces. Whatever is written meanwhile stays put down. */
create function count_staff() returns bigint language sql volatile security definer set search_path = public as $$
  with told as (delete from company_recount returning company_id),
  counted as (
    insert into company_staff as s (company_id, workspace_id, rank, sort_name)
    select c.id, c.workspace_id, -there.people, c.sort_name from company c cross join lateral ${staffAt('c')} there
    where c.id in (select company_id from told) order by c.id
    on conflict (company_id) do update set rank = excluded.rank, sort_name = excluded.sort_name returning 1)
  select count(*) from counted
$$;
revoke all on function count_staff_later(uuid[]) from public;
revoke all on function count_staff() from public;
grant execute on function count_staff() to dossier_serving;
insert into company_staff (company_id, workspace_id, rank, sort_name)
select c.id, c.workspace_id, -there.people, c.sort_name from company c cross join lateral ${staffAt('c')} there;
`;

const NOT_EMPTY = `(exists (select from employment e where e.company_id = c.id) or exists (select from company_note n where n.company_id = c.id))`;

/** As before by name, age and likeness; where most people work is told by what was counted, and counted for those put down since. */
const FIND = `
alter function find_companies(jsonb, text, text, jsonb, integer) rename to find_companies_looking;
create function find_companies(words jsonb, said text, by text, after jsonb, at_most integer)
returns table (company_id uuid, place jsonb, known_as text) language plpgsql stable security definer
set search_path = public set plan_cache_mode = force_custom_plan as $$
declare
  own constant uuid := ${WORKSPACE};
begin
  if by <> 'people' or words <> '[]' then
    return query select * from find_companies_looking(words, said, by, after, at_most);
    return;
  end if;
  return query
    with told as materialized (select distinct r.company_id as id from company_recount r where r.workspace_id = own),
    kept as (
      select c.id, s.rank, s.sort_name as key from company_staff s join company c on c.id = s.company_id
      where s.workspace_id = own and c.merged_into is null and not exists (select from told where told.id = s.company_id)
        and (after is null or (s.rank, s.sort_name, s.company_id) > ((after->>0)::integer, after->>1, (after->>2)::uuid))
        and (s.rank < 0 or ${NOT_EMPTY})
      order by s.rank, s.sort_name, s.company_id limit at_most),
    counted as (
      select c.id, -there.people as rank, c.sort_name as key from told join company c on c.id = told.id
      cross join lateral ${staffAt('c')} there where c.merged_into is null and (there.people > 0 or ${NOT_EMPTY}))
    select f.id, jsonb_build_array(f.rank, f.key), null::text from (select * from kept union all select * from counted) f
    where after is null or (f.rank, f.key, f.id) > ((after->>0)::integer, after->>1, (after->>2)::uuid)
    order by f.rank, f.key, f.id limit at_most;
end $$;
revoke all on function find_companies(jsonb, text, text, jsonb, integer) from public;
grant execute on function find_companies(jsonb, text, text, jsonb, integer) to dossier_serving;
`;

/** How many work at each firm is kept, and counted anew now and then: those who file at one firm at once do not wait for each other. */
export class FirmsCounted1780000000022 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(TABLES);
    await runner.query(TOLD);
    await runner.query(FIND);
  }

  async down(): Promise<void> {
    throw new Error('The way firms were found before is not kept: drop the database instead.');
  }
}
