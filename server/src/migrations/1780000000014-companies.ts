import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

const TABLES = `
alter table company add column merged_into uuid, add column version integer not null default 1;
/* A firm that is another one now may be called as that one is. */
drop index company_name_key;
create unique index company_name_key on company (workspace_id, name_key) where merged_into is null;
create index company_any_name_key on company (workspace_id, name_key);
create index company_merged_into on company (merged_into) where merged_into is not null;
alter table company add constraint company_merged_into_fk foreign key (merged_into) references company(id) on delete cascade;

create table company_name (
  id uuid not null,
  workspace_id uuid not null,
  company_id uuid not null,
  name text not null,
  name_key text not null,
  match_key text not null,
  legal_form text not null,
  constraint company_name_pkey primary key (id)
);
create unique index company_name_name_key on company_name (workspace_id, name_key);
create index company_name_match_key on company_name (workspace_id, match_key, legal_form);
create index company_name_company on company_name (company_id);
alter table company_name add constraint company_name_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table company_name add constraint company_name_company_fk foreign key (company_id) references company(id) on delete cascade;

create table company_note (
  id uuid not null,
  workspace_id uuid not null,
  company_id uuid not null,
  author_id uuid not null,
  text text not null,
  at timestamptz not null,
  changed_at timestamptz,
  constraint company_note_pkey primary key (id)
);
create index company_note_company on company_note (company_id, at);
create index company_note_workspace on company_note (workspace_id);
create index company_note_author on company_note (author_id);
alter table company_note add constraint company_note_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table company_note add constraint company_note_company_fk foreign key (company_id) references company(id) on delete cascade;
alter table company_note add constraint company_note_author_fk foreign key (author_id) references account(id);

create table company_act (
  id uuid not null,
  workspace_id uuid not null,
  company_id uuid not null,
  other_id uuid,
  actor_id uuid not null,
  at timestamptz not null,
  action text not null,
  before text not null,
  after text not null,
  employment_ids uuid[] not null default '{}',
  undone_at timestamptz,
  constraint company_act_pkey primary key (id)
);
create index company_act_company on company_act (company_id, at);
create index company_act_other on company_act (other_id);
create index company_act_workspace on company_act (workspace_id);
create index company_act_actor on company_act (actor_id);
alter table company_act add constraint company_act_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table company_act add constraint company_act_company_fk foreign key (company_id) references company(id) on delete cascade;
alter table company_act add constraint company_act_other_fk foreign key (other_id) references company(id) on delete set null;
alter table company_act add constraint company_act_actor_fk foreign key (actor_id) references account(id);
${['company_name', 'company_note', 'company_act']
  .map(
    (table) => `
grant select, insert, update, delete on ${table} to dossier_serving;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});`,
  )
  .join('\n')}
`;

/** Folding goes through tables of letters: what it makes of names is kept in indexes. */
const SEARCH = `
/* Words of a name, and the first letters of them, see the functions. */
create function name_words(said text) returns text[] language sql immutable parallel safe set search_path = public as $$
  select folded_words(said) || first_letters(folded_words(said))
$$;
/* What a firm is now that was merged into another one. */
create function company_now(company uuid) returns uuid language sql stable security definer set search_path = public as $$
  with recursive step(id, merged_into) as (
    select c.id, c.merged_into from company c where c.id = company
    union all select c.id, c.merged_into from step join company c on c.id = step.merged_into)
  select id from step where merged_into is null
$$;
create index company_words on company using gin (name_words(name));
create index company_name_words on company_name using gin (name_words(name));
create index company_order on company (workspace_id, folded(name), id) where merged_into is null;

/*
 * Firms with somebody in them, or with notes: in an order, behind a place. See docs/decisions/searching-under-row-security.md: only of the
 * workspace that the connection has named; gives ids, places and spellings away.
 * @param words of each that was asked for all that may be meant @param by name, people, new, or best for names like what was said
 */
create function find_companies(words jsonb, said text, by text, after jsonb, at_most integer)
returns table (company_id uuid, place jsonb, known_as text) language plpgsql stable security definer set search_path = public as $$
declare
  own constant uuid := ${WORKSPACE};
  meant uuid[];
  word jsonb;
  each text[];
  shown constant text := 'c.workspace_id = $1 and c.merged_into is null and ($2 is null or c.id = any($2))
    and (exists (select from employment e where e.company_id = c.id) or exists (select from company_note n where n.company_id = c.id))';
  spelling constant text := '(select n.name from (select n.name from company_name n where n.company_id = c.id
    union all select m.name from company m where m.merged_into = c.id) n
    where $2 is not null and similarity(folded(n.name), $3) > similarity(folded(c.name), $3) order by similarity(folded(n.name), $3) desc limit 1)';
  ranked text;
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
  ranked := case by
    when 'best' then '-round(1000 * greatest(similarity(folded(c.name), $3), coalesce((select max(similarity(folded(n.name), $3))
      from company_name n where n.company_id = c.id), 0)))::integer'
    when 'people' then '-(select count(*) from employment e join person p on p.id = e.person_id and p.deleted_at is null
      where e.company_id = c.id and e.ended_at is null)::integer'
    else '0' end;
  return query execute format(
    'select f.id, jsonb_build_array(f.rank, f.key), f.spelling from (
       select c.id, %1$s as rank, %2$s as key, %3$s as spelling from company c where %4$s) f
     where $4 is null or (f.rank, f.key, f.id) > (($4->>0)::integer, $4->>1, ($4->>2)::uuid)
     order by f.rank, f.key, f.id limit %5$s',
    ranked,
    -- Ids tell when they were made: the latest first is the last first.
    case by when 'new' then 'translate(c.id::text, ''0123456789abcdef'', ''fedcba9876543210'')' else 'folded(c.name)' end,
    spelling, shown, at_most) using own, meant, folded(said), after;
end $$;
revoke all on function find_companies(jsonb, text, text, jsonb, integer) from public;
revoke all on function name_words(text) from public;
revoke all on function company_now(uuid) from public;
grant execute on function find_companies(jsonb, text, text, jsonb, integer) to dossier_serving;
grant execute on function name_words(text) to dossier_serving;
grant execute on function company_now(uuid) to dossier_serving;
`;

/** Other spellings of firms, firms that are one, what was noted and done, and finding them. */
export class Companies1780000000014 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(TABLES);
    await runner.query(SEARCH);
  }

  async down(): Promise<void> {
    throw new Error('Notes and names of firms would be lost: drop the database instead.');
  }
}
