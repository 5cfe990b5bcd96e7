import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
create table occasion (
  id uuid not null,
  workspace_id uuid not null,
  name text not null,
  place text not null,
  starts_on date,
  ends_on date,
  tags text array not null,
  kind text not null,
  owner_id uuid,
  keep_pictures text,
  country character(2),
  languages text array not null,
  closed boolean not null,
  created_at timestamptz not null,
  constraint occasion_pkey primary key (id)
);
create index occasion_workspace on occasion (workspace_id, closed);
alter table occasion add constraint occasion_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table occasion enable row level security;
create policy occasion_of_workspace on occasion to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid)
  with check (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);
grant select, insert, update, delete on occasion to dossier_serving;

alter table photo add occasion_id uuid;
alter table photo add back_of uuid;
alter table photo add content_hash bytea;
update photo set content_hash = sha256(file.bytes) from stored_file file where file.id = photo.file_id;
alter table photo alter content_hash set not null;
alter table photo add width integer;
alter table photo add height integer;
alter table photo alter file_id drop not null;
create index photo_occasion on photo (occasion_id);
create index photo_back_of on photo (back_of);
create index photo_content on photo (workspace_id, content_hash);
alter table photo add constraint photo_occasion_fk foreign key (occasion_id) references occasion(id) on delete set null;

alter table card add occasion_id uuid;
alter table card add reading_id uuid;
update card set reading_id = id;
alter table card alter reading_id set not null;
alter table card alter photo_id drop not null;
alter table card alter file_id drop not null;
alter table card alter thumbnail_id drop not null;
create index card_occasion on card (occasion_id);
alter table card add constraint card_occasion_fk foreign key (occasion_id) references occasion(id) on delete set null;

alter table photo add discarded_at timestamptz;
alter table card add discarded_at timestamptz;
alter table workspace add keep_pictures text not null default 'photo';
alter table workspace add keep_days integer;
grant update (keep_pictures, keep_days) on workspace to dossier_serving;

alter table person add tags text array not null default '{}';
`;

/** Occasions and what is inherited from them, cards without a picture, known files, and how long pictures are kept. */
export class Occasions1780000000002 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(): Promise<void> {
    throw new Error('Cards without a picture have no place in the tables before: drop the database instead.');
  }
}
