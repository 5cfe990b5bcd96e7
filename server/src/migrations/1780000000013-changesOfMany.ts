import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
create table people_change (
  id uuid not null,
  workspace_id uuid not null,
  made_by uuid not null,
  at timestamptz not null,
  what jsonb not null,
  state text not null,
  constraint people_change_pkey primary key (id)
);
create index people_change_workspace on people_change (workspace_id, at);
create index people_change_maker on people_change (made_by);
alter table people_change add constraint people_change_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table people_change add constraint people_change_maker_fk foreign key (made_by) references account(id);

create table people_change_row (
  change_id uuid not null,
  person_id uuid not null,
  workspace_id uuid not null,
  state text not null,
  why text,
  field text,
  before jsonb,
  after jsonb,
  constraint people_change_row_pkey primary key (change_id, person_id)
);
create index people_change_row_person on people_change_row (person_id);
create index people_change_row_state on people_change_row (change_id, state, person_id);
create index people_change_row_workspace on people_change_row (workspace_id);
alter table people_change_row add constraint people_change_row_change_fk foreign key (change_id) references people_change(id) on delete cascade;
alter table people_change_row add constraint people_change_row_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table people_change_row add constraint people_change_row_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
${['people_change', 'people_change_row']
  .map(
    (table) => `
grant select, insert, update, delete on ${table} to dossier_serving;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);`,
  )
  .join('\n')}
`;

/** Changes of many people at once, with what each of them was before. */
export class ChangesOfMany1780000000013 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table people_change_row; drop table people_change;');
  }
}
