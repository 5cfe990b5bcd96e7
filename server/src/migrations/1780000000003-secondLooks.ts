import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
create table second_look (
  id uuid not null,
  workspace_id uuid not null,
  card_id uuid not null,
  asked_by uuid not null,
  asked_of uuid not null,
  message text not null,
  asked_at timestamptz not null,
  answered_by uuid,
  answer text,
  answered_at timestamptz,
  seen_at timestamptz,
  constraint second_look_pkey primary key (id)
);
create unique index second_look_open on second_look (card_id) where answered_at is null;
create index second_look_asked_of on second_look (asked_of, answered_at);
create index second_look_asked_by on second_look (asked_by, seen_at);
alter table second_look add constraint second_look_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table second_look add constraint second_look_card_fk foreign key (card_id) references card(id) on delete cascade;
alter table second_look enable row level security;
create policy second_look_of_workspace on second_look to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid)
  with check (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);
grant select, insert, update, delete on second_look to dossier_serving;

alter table photo add batch_id uuid;
update photo set batch_id = id;
alter table photo alter batch_id set not null;
create index photo_batch on photo (batch_id);
create index photo_taken_by on photo (taken_by, received_at);

alter table card add expected jsonb;
`;

/** Colleagues asked for a second look, photographs that came together, and what a person expects of single cards. */
export class SecondLooks1780000000003 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(): Promise<void> {
    throw new Error('What colleagues were asked would be lost: drop the database instead.');
  }
}
