import { legalFormOf } from '@dossier/core/text/legalForm';
import type { MigrationInterface, QueryRunner } from 'typeorm';

const scoped = (table: string) => `
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid)
  with check (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);
grant select, insert, update, delete on ${table} to dossier_serving;`;

/** What is kept of a picture is decided when its card is filed; what a later setting would take of the past is taken a day later. */
const RETENTION = `
alter table card add kept text;
alter table card add keep_until timestamptz;
alter table card add filed_at timestamptz;
update card set filed_at = coalesce((select max(at) from filing_receipt receipt where receipt.card_id in (card.id, card.front_card_id)), card.taken_at)
where state = 'filed';
update card set kept = coalesce(occasion.keep_pictures, workspace.keep_pictures),
                keep_until = card.filed_at + make_interval(days => workspace.keep_days)
from workspace, card own left join occasion on occasion.id = own.occasion_id
where own.id = card.id and workspace.id = card.workspace_id and card.state = 'filed';
alter table workspace add clear_at timestamptz;
alter table workspace add clear_to jsonb;
grant update (clear_at, clear_to) on workspace to dossier_serving;
`;

/** Whose photograph or text a card was made from. */
const MADE_BY = `
alter table card add made_by uuid;
update card set made_by = photo.taken_by from photo where photo.id = card.photo_id;
`;

/** Small pictures of photographs are made once. */
const SMALL_PICTURES = `
alter table photo add thumbnail_id uuid;
alter table photo add display_id uuid;
`;

/** From which card of which person a fact was learned: a number is a firm's when several people's cards have it, and what is taken back teaches nothing. */
const LESSONS = `
create table learned_source (
  workspace_id uuid not null,
  fact_id uuid not null,
  card_id uuid not null,
  person_id uuid not null,
  constraint learned_source_pkey primary key (fact_id, card_id)
);
create index learned_source_card on learned_source (card_id);
create index learned_source_workspace on learned_source (workspace_id);
alter table learned_source add constraint learned_source_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table learned_source add constraint learned_source_fact_fk foreign key (fact_id) references learned_fact(id) on delete cascade;
insert into learned_source (workspace_id, fact_id, card_id, person_id)
select fact.workspace_id, fact.id, card.id, card.person_id from learned_fact fact join card on card.id = fact.card_id
where card.person_id is not null;
`;

/** Firms are told apart by their legal form; a person has one job at a time. */
const RECORDS = `
alter table company add legal_form text not null default '';
drop index company_match_key;
create index company_match_key on company (workspace_id, match_key, legal_form);
update employment set ended_at = now() where ended_at is null and id not in (
  select distinct on (person_id) id from employment where ended_at is null order by person_id, started_at desc, id desc);
create unique index employment_current on employment (person_id) where ended_at is null;
update card back set state = 'discarded', discarded_at = front.discarded_at
from card front where front.id = back.front_card_id and back.state = 'attached' and front.state = 'discarded';
create index person_deleted on person (workspace_id, deleted_at) where deleted_at is not null;
`;

/** Retention by card, small pictures kept, what was learned from whom, firms by legal form, one job at a time. */
export class Trust1780000000008 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(RETENTION + MADE_BY + SMALL_PICTURES + LESSONS + scoped('learned_source') + RECORDS);
    const firms = (await runner.query('select id, name from company')) as { id: string; name: string }[];
    await runner.query(
      `update company set legal_form = made.form from unnest($1::uuid[], $2::text[]) as made(id, form) where made.id = company.id`,
      [firms.map(({ id }) => id), firms.map(({ name }) => legalFormOf(name))],
    );
  }

  async down(): Promise<void> {
    throw new Error('What each card was filed under would be lost: drop the database instead.');
  }
}
