import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
alter table photo add column in_tray boolean not null default true, add column expected jsonb;

create table asked_reading (
  id uuid not null,
  workspace_id uuid not null,
  asked_by uuid not null,
  file text not null,
  made_at timestamptz not null,
  done_at timestamptz,
  constraint asked_reading_pkey primary key (id)
);
create index asked_reading_workspace on asked_reading (workspace_id, made_at);
create index asked_reading_account on asked_reading (asked_by);
alter table asked_reading add constraint asked_reading_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table asked_reading add constraint asked_reading_account_fk foreign key (asked_by) references account(id) on delete cascade;
grant select, insert, update, delete on asked_reading to dossier_serving;
alter table asked_reading enable row level security;
create policy asked_reading_of_workspace on asked_reading to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);
`;

/** Pictures that a program sends, to be read or also filed: not all of them lie in the tray. */
export class AskedReadings1780000000028 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table asked_reading; alter table photo drop column in_tray, drop column expected;');
  }
}
