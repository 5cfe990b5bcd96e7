import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Parts of a photograph that is still on its way over a slow line. Already packed: PostgreSQL does not try again. */
export class PhotoParts1780000000009 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table photo_part (
  photo_id uuid not null,
  sent_by uuid not null,
  starts_at integer not null,
  workspace_id uuid not null,
  bytes bytea not null,
  received_at timestamptz not null default now(),
  constraint photo_part_pkey primary key (photo_id, sent_by, starts_at)
);
create index photo_part_workspace on photo_part (workspace_id, received_at);
alter table photo_part add constraint photo_part_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table photo_part alter column bytes set storage external;
alter table photo_part enable row level security;
create policy photo_part_of_workspace on photo_part to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid)
  with check (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);
grant select, insert, update, delete on photo_part to dossier_serving;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table photo_part');
  }
}
