import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
alter table company drop constraint company_merged_into_fk;
alter table company add constraint company_merged_into_fk foreign key (merged_into) references company(id)
  on delete cascade deferrable initially immediate;

alter table workspace add column backup_every text not null default 'never', add column backup_keep integer not null default 7;
grant update (backup_every, backup_keep) on workspace to dossier_serving;

create table backup (
  id uuid not null,
  workspace_id uuid not null,
  began_at timestamptz not null,
  ended_at timestamptz,
  state text not null,
  progress real not null default 0,
  file text not null,
  bytes bigint,
  people integer,
  is_encrypted boolean not null default false,
  problem text,
  constraint backup_pkey primary key (id)
);
create index backup_workspace on backup (workspace_id, began_at);
alter table backup add constraint backup_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
grant select, insert, update, delete on backup to dossier_serving;
grant select on migration to dossier_serving;
alter table backup enable row level security;
create policy backup_of_workspace on backup to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);
`;

/** Backups by schedule; firms that became others can be put back in any order. */
export class Backups1780000000025 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop table backup;
      revoke select on migration from dossier_serving;
      alter table workspace drop column backup_every, drop column backup_keep;
      alter table company drop constraint company_merged_into_fk;
      alter table company add constraint company_merged_into_fk foreign key (merged_into) references company(id) on delete cascade;`);
  }
}
