import type { MigrationInterface, QueryRunner } from 'typeorm';
import { facetNumber, listWith } from './listFunction';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const ofWorkspace = (table: string): string => `
alter table ${table} add constraint ${table}_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});
grant select, insert, update, delete on ${table} to dossier_serving;`;
const refers = (table: string, column: string, name: string, to: string, then = ''): string =>
  `alter table ${table} add constraint ${table}_${name}_fk foreign key (${column}) references ${to}(id) ${then};
   create index ${table}_${name} on ${table} (${column});`;

const LEADS = `
alter table person add column lead_status text;
/* { at, reason, words } */
alter table person add column closed jsonb;
alter table person add column qualified_at timestamptz;
create index person_leads on person (workspace_id, owner_id) where kind = 'lead' and deleted_at is null and closed is null;

alter table workspace add column lead_statuses text[] not null default '{New,Talked to,Wants to hear more,Not now}';
alter table workspace add column close_reasons text[] not null default '{No need,No money,Has somebody else,No answer,Not a buyer}';
alter table workspace add column win_reasons text[] not null default '{Best fit,Price,Service,Knows us}';
alter table workspace add column loss_reasons text[] not null default '{Price,Somebody else,Put off,Need is gone,No answer}';
alter table workspace add column products text[] not null default '{}';
alter table workspace add column currency text not null default 'EUR';
alter table workspace add column rates jsonb not null default '[]';
alter table workspace add column goals jsonb not null default '[]';
alter table workspace add column figures text not null default 'own';
alter table workspace add column time_zone text not null default 'UTC';
grant update (lead_statuses, close_reasons, win_reasons, loss_reasons, products, currency, rates, goals, figures, time_zone, untouched_days) on workspace to dossier_serving;
`;

const OPPORTUNITIES = `
create table stage (
  id uuid not null,
  workspace_id uuid not null,
  name text not null,
  chance smallint not null,
  stale_days smallint,
  position smallint not null,
  /* What is over may still have ended in it. */
  removed_at timestamptz,
  constraint stage_pkey primary key (id)
);
create index stage_workspace on stage (workspace_id, position);
${ofWorkspace('stage')}

create table opportunity (
  id uuid not null,
  workspace_id uuid not null,
  title text not null,
  company_id uuid,
  value numeric(14, 2),
  currency text not null,
  expected_on date,
  /* Null for that of its stage. */
  chance smallint,
  about text[] not null default '{}',
  stage_id uuid not null,
  stage_since timestamptz not null,
  state text not null,
  ended_at timestamptz,
  end_reason text,
  end_words text not null default '',
  owner_id uuid not null,
  occasion_id uuid,
  made_by uuid not null,
  made_at timestamptz not null,
  changed_at timestamptz not null,
  version integer not null default 1,
  constraint opportunity_pkey primary key (id)
);
create index opportunity_open on opportunity (workspace_id, stage_id) where state = 'open';
create index opportunity_ended on opportunity (workspace_id, ended_at) where state <> 'open';
create index opportunity_expected on opportunity (workspace_id, expected_on, id);
${ofWorkspace('opportunity')}
${refers('opportunity', 'company_id', 'company', 'company', 'on delete set null')}
${refers('opportunity', 'stage_id', 'stage', 'stage')}
${refers('opportunity', 'owner_id', 'owner', 'account')}
${refers('opportunity', 'occasion_id', 'occasion', 'occasion', 'on delete set null')}
${refers('opportunity', 'made_by', 'maker', 'account')}

create table opportunity_person (
  opportunity_id uuid not null,
  person_id uuid not null,
  workspace_id uuid not null,
  part text not null,
  constraint opportunity_person_pkey primary key (opportunity_id, person_id)
);
create index opportunity_person_workspace on opportunity_person (workspace_id);
${ofWorkspace('opportunity_person')}
alter table opportunity_person add constraint opportunity_person_opportunity_fk foreign key (opportunity_id) references opportunity(id) on delete cascade;
${refers('opportunity_person', 'person_id', 'person', 'person', 'on delete cascade')}

/* What was done with it, and how it stood afterwards. Rows are only ever added. */
create table opportunity_act (
  id uuid not null,
  workspace_id uuid not null,
  opportunity_id uuid not null,
  at timestamptz not null,
  actor_id uuid not null,
  kind text not null,
  stage_id uuid not null,
  state text not null,
  value numeric(14, 2),
  currency text not null,
  changes jsonb not null,
  constraint opportunity_act_pkey primary key (id)
);
create index opportunity_act_workspace on opportunity_act (workspace_id, at);
${ofWorkspace('opportunity_act')}
${refers('opportunity_act', 'opportunity_id', 'opportunity', 'opportunity', 'on delete cascade')}
${refers('opportunity_act', 'actor_id', 'actor', 'account')}
${refers('opportunity_act', 'stage_id', 'stage', 'stage')}

create table opportunity_note (
  id uuid not null,
  workspace_id uuid not null,
  opportunity_id uuid not null,
  author_id uuid not null,
  text text not null,
  at timestamptz not null,
  constraint opportunity_note_pkey primary key (id)
);
create index opportunity_note_workspace on opportunity_note (workspace_id);
${ofWorkspace('opportunity_note')}
${refers('opportunity_note', 'opportunity_id', 'opportunity', 'opportunity', 'on delete cascade')}
${refers('opportunity_note', 'author_id', 'author', 'account')}

create table opportunity_file (
  id uuid not null,
  workspace_id uuid not null,
  opportunity_id uuid not null,
  file_id uuid not null,
  name text not null,
  type text not null,
  bytes integer not null,
  made_by uuid not null,
  at timestamptz not null,
  constraint opportunity_file_pkey primary key (id)
);
create index opportunity_file_workspace on opportunity_file (workspace_id);
${ofWorkspace('opportunity_file')}
${refers('opportunity_file', 'opportunity_id', 'opportunity', 'opportunity', 'on delete cascade')}
${refers('opportunity_file', 'file_id', 'file', 'stored_file', 'on delete cascade')}
${refers('opportunity_file', 'made_by', 'maker', 'account')}

alter table task add column opportunity_id uuid;
${refers('task', 'opportunity_id', 'opportunity', 'opportunity', 'on delete cascade')}

/* A lead that became a contact, with what is needed to take it back. */
create table qualification (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  at timestamptz not null,
  actor_id uuid not null,
  undo jsonb not null,
  undone_at timestamptz,
  constraint qualification_pkey primary key (id)
);
create index qualification_workspace on qualification (workspace_id, at);
${ofWorkspace('qualification')}
${refers('qualification', 'person_id', 'person', 'person', 'on delete cascade')}
${refers('qualification', 'actor_id', 'actor', 'account')}
`;

/** Asked for all workspaces at once by whoever works for all of them. */
const CLOSED_IN_PLANS = `
create function workspaces_with_closed_leads() returns setof uuid language sql stable security definer set search_path = public as $$
  select distinct e.workspace_id from enrolment e join person p on p.id = e.person_id and p.closed is not null where e.status <> 'ended'
$$;
revoke all on function workspaces_with_closed_leads() from public;
grant execute on function workspaces_with_closed_leads() to dossier_serving;
`;

const FACETS = ['occasion', 'kind', 'owner', 'tag', 'rating', 'company', 'country', 'town', 'consent', 'task', 'email', 'phone']; // prettier-ignore
/** What lists are narrowed by besides: what became of leads. */
const OWNER = `('owner', p.owner_id::text),`;
const OF_LEADS = `('lead', case when p.kind = 'contact' then case when p.qualified_at is not null then 'qualified' end when p.closed is not null then 'closed' else 'open' end),
          ('status', case when p.kind = 'lead' then coalesce(p.lead_status, '') end), ('reason', case when p.kind = 'lead' then p.closed->>'reason' end),`;

const TOLD = `
alter table event add column opportunity_id uuid;
create function tell_of_opportunities() returns trigger language plpgsql security definer set search_path = public as $$
begin
  if current_setting('dossier.feed', true) = 'off' then return null; end if;
  insert into event (workspace_id, type, at, actor_id, opportunity_id, changed)
    select w.workspace_id, case w.kind when 'won' then 'opportunity.won' when 'lost' then 'opportunity.lost' else 'opportunity.changed' end,
      w.at, w.actor_id, w.opportunity_id,
      array(select distinct c->>'field' from jsonb_array_elements(w.changes) c where c->>'field' is not null order by 1)
    from written w order by w.id;
  return null;
end $$;
create trigger tell_of_opportunities after insert on opportunity_act referencing new table as written
  for each statement execute function tell_of_opportunities();
`;

/** Leads become business: stages, opportunities, and what became of leads. */
export class Pipeline1780000000032 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const part of [LEADS, OPPORTUNITIES, CLOSED_IN_PLANS, facetNumber([...FACETS, 'lead', 'status', 'reason'])])
      await runner.query(part);
    await listWith(runner, [OWNER, `${OWNER}\n          ${OF_LEADS}`]);
    await runner.query(`select list_people_now(array(select id from person where kind = 'lead' and deleted_at is null))`); // prettier-ignore
    await runner.query(TOLD);
  }

  async down(runner: QueryRunner): Promise<void> {
    await listWith(runner, [`${OWNER}\n          ${OF_LEADS}`, OWNER]);
    await runner.query(`
      select list_people_now(array(select id from person where deleted_at is null));
      ${facetNumber(FACETS)}
      drop function workspaces_with_closed_leads();
      delete from event where type like 'opportunity.%';
      alter table event drop column opportunity_id;
      alter table task drop column opportunity_id;
      drop table qualification, opportunity_file, opportunity_note, opportunity_act, opportunity_person, opportunity, stage;
      drop function tell_of_opportunities();
      alter table workspace drop column lead_statuses, drop column close_reasons, drop column win_reasons, drop column loss_reasons,
        drop column products, drop column currency, drop column rates, drop column goals, drop column figures, drop column time_zone;
      alter table person drop column lead_status, drop column closed, drop column qualified_at;`);
  }
}
