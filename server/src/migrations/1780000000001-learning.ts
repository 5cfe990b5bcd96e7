import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
alter table card add front_card_id uuid;
create index card_front on card (front_card_id);
alter table workspace add languages text array not null default '{}';
create table learned_fact (
  id uuid not null,
  workspace_id uuid not null,
  kind text not null,
  domain text not null,
  key text not null,
  value jsonb not null,
  times integer not null,
  card_id uuid not null,
  actor_id uuid not null,
  at timestamptz not null,
  revoked_at timestamptz,
  constraint learned_fact_pkey primary key (id)
);
create unique index learned_fact_once on learned_fact (workspace_id, kind, domain, key);
alter table learned_fact add constraint learned_fact_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table learned_fact enable row level security;
create policy learned_fact_of_workspace on learned_fact to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid)
  with check (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);
grant select, insert, update on learned_fact to dossier_serving;
grant update (country, languages) on workspace to dossier_serving;
`;

/** Backs of cards, what a workspace learns from what it files, and the languages it expects. */
export class Learning1780000000001 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'drop table learned_fact; alter table workspace drop column languages; alter table card drop column front_card_id;',
    );
  }
}
