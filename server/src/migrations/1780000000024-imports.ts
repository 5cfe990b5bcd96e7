import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
create table import_file (
  id uuid not null,
  workspace_id uuid not null,
  made_by uuid not null,
  made_at timestamptz not null,
  name text not null,
  format text not null,
  state text not null,
  dry boolean not null default false,
  head jsonb,
  mapping jsonb not null,
  rule text not null,
  row_count integer not null,
  problem text,
  constraint import_file_pkey primary key (id)
);
create index import_file_workspace on import_file (workspace_id, made_at);
create index import_file_maker on import_file (made_by);
alter table import_file add constraint import_file_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table import_file add constraint import_file_maker_fk foreign key (made_by) references account(id);

create table import_row (
  import_id uuid not null,
  number integer not null,
  workspace_id uuid not null,
  given jsonb not null,
  outcome text,
  person_id uuid,
  note_id uuid,
  faults jsonb not null default '[]',
  conflicts jsonb not null default '[]',
  candidates jsonb not null default '[]',
  before jsonb,
  after jsonb,
  undone text,
  constraint import_row_pkey primary key (import_id, number)
);
create index import_row_outcome on import_row (import_id, outcome, number);
create index import_row_person on import_row (person_id);
create index import_row_workspace on import_row (workspace_id);
alter table import_row add constraint import_row_import_fk foreign key (import_id) references import_file(id) on delete cascade;
alter table import_row add constraint import_row_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table import_row add constraint import_row_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
${['import_file', 'import_row']
  .map(
    (table) => `
grant select, insert, update, delete on ${table} to dossier_serving;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);`,
  )
  .join('\n')}
`;

/** Files of people that are brought in, with what became of each row. */
export class Imports1780000000024 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table import_row; drop table import_file;');
  }
}
