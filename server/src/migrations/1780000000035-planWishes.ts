import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

/** Whom a change of many has asked to be put into a plan, or out of it: plans are gone on with by their own room. */
export class PlanWishes1780000000035 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table plan_wish (
        id uuid not null,
        workspace_id uuid not null,
        plan_id uuid not null,
        person_id uuid not null,
        made_by uuid not null,
        at timestamptz not null,
        /* Whether they are to be in it, or out of it again. */
        begins boolean not null,
        constraint plan_wish_pkey primary key (id)
      );
      create index plan_wish_workspace on plan_wish (workspace_id);
      create index plan_wish_plan on plan_wish (plan_id);
      create index plan_wish_person on plan_wish (person_id);
      create index plan_wish_maker on plan_wish (made_by);
      alter table plan_wish add constraint plan_wish_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
      alter table plan_wish add constraint plan_wish_plan_fk foreign key (plan_id) references plan(id) on delete cascade;
      alter table plan_wish add constraint plan_wish_person_fk foreign key (person_id) references person(id) on delete cascade;
      alter table plan_wish add constraint plan_wish_maker_fk foreign key (made_by) references account(id);
      alter table plan_wish enable row level security;
      create policy plan_wish_of_workspace on plan_wish to dossier_serving using (workspace_id = ${WORKSPACE});
      grant select, insert, update, delete on plan_wish to dossier_serving;
      create function workspaces_with_plan_wishes() returns setof uuid language sql stable security definer set search_path = public as $$
        select distinct workspace_id from plan_wish
      $$;
      revoke all on function workspaces_with_plan_wishes() from public;
      grant execute on function workspaces_with_plan_wishes() to dossier_serving;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`drop function workspaces_with_plan_wishes(); drop table plan_wish;`);
  }
}
