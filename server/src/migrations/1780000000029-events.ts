import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const ofWorkspace = (table: string): string => `
alter table ${table} add constraint ${table}_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});`;

/**
 * One feed of what happens, for whoever follows it. Its order is that of transactions and within them that of writing: read up to the
 * oldest transaction that is still running, nothing ever comes in between.
 */
const EVENTS = `
create table event (
  xid xid8 not null default pg_current_xact_id(),
  sequence bigint generated always as identity,
  id uuid not null default gen_random_uuid(),
  workspace_id uuid not null,
  type text not null,
  at timestamptz not null default now(),
  person_id uuid,
  card_id uuid,
  actor_id uuid,
  changed text[] not null default '{}',
  constraint event_pkey primary key (xid, sequence)
);
create index event_workspace on event (workspace_id, xid, sequence);
create unique index event_id on event (id);
create index event_at on event (at);
${ofWorkspace('event')}
grant select on event to dossier_serving;

/* Nothing is told of what is put back from a backup (dossier.feed). */
/* What was done to people is told from their history, whoever wrote it there. What a screen alone does is told to nobody. */
create function tell_of_people() returns trigger language plpgsql security definer set search_path = public as $$
begin
  if current_setting('dossier.feed', true) = 'off' then return null; end if;
  insert into event (workspace_id, type, at, person_id, card_id, actor_id, changed)
    select l.workspace_id, t.type, l.at, l.person_id, l.card_id, l.actor_id,
      array(select distinct c->>'field' from jsonb_array_elements(l.changes) c where t.type = 'person.changed' and c->>'field' is not null order by 1)
    from written l join (values
      ('filed', 'person.created'), ('filedByItself', 'person.created'),
      ('updated', 'person.changed'), ('newJob', 'person.changed'), ('edited', 'person.changed'),
      ('noted', 'person.changed'), ('called', 'person.changed'), ('visited', 'person.changed'),
      ('noteChanged', 'person.changed'), ('noteRemoved', 'person.changed'),
      ('stepPlanned', 'person.changed'), ('stepDropped', 'person.changed'), ('stepDone', 'task.done'),
      ('merged', 'person.merged'), ('unmerged', 'person.parted'),
      ('deleted', 'person.deleted'), ('restored', 'person.restored'), ('erased', 'person.erased'),
      ('consentGiven', 'consent.given'), ('consentWithdrawn', 'consent.withdrawn')) t(action, type) on t.action = l.action
    order by l.id;
  return null;
end $$;
create trigger tell_of_people after insert on change_log referencing new table as written
  for each statement execute function tell_of_people();

create function tell_of_read_cards() returns trigger language plpgsql security definer set search_path = public as $$
begin
  if current_setting('dossier.feed', true) = 'off' then return null; end if;
  insert into event (workspace_id, type, card_id, actor_id) select w.workspace_id, 'card.read', w.id, w.made_by from written w order by w.id;
  return null;
end $$;
create trigger tell_of_read_cards after insert on card referencing new table as written
  for each statement execute function tell_of_read_cards();

create function tell_of_filed_cards() returns trigger language plpgsql security definer set search_path = public as $$
begin
  if current_setting('dossier.feed', true) = 'off' then return null; end if;
  insert into event (workspace_id, type, card_id, person_id)
    select w.workspace_id, 'card.filed', w.id, w.person_id from written w join before b on b.id = w.id
    where w.state = 'filed' and b.state <> 'filed' order by w.id;
  return null;
end $$;
create trigger tell_of_filed_cards after update on card referencing old table as before new table as written
  for each statement execute function tell_of_filed_cards();

`;

const WEBHOOKS = `
create table webhook (
  id uuid not null,
  workspace_id uuid not null,
  url text not null,
  types text[] not null,
  secret text not null,
  former_secret text,
  former_until timestamptz,
  made_by uuid not null,
  made_at timestamptz not null,
  paused_at timestamptz,
  paused_why text,
  failing_since timestamptz,
  after_xid text not null,
  after_sequence bigint not null,
  constraint webhook_pkey primary key (id)
);
create index webhook_workspace on webhook (workspace_id);
create index webhook_maker on webhook (made_by);
${ofWorkspace('webhook')}
alter table webhook add constraint webhook_maker_fk foreign key (made_by) references account(id);
grant select, insert, update, delete on webhook to dossier_serving;

create table webhook_delivery (
  id uuid not null,
  workspace_id uuid not null,
  webhook_id uuid not null,
  event_id uuid not null,
  type text not null,
  body text not null,
  state text not null,
  attempts integer not null default 0,
  made_at timestamptz not null,
  next_at timestamptz,
  done_at timestamptz,
  status integer,
  answer text,
  problem text,
  constraint webhook_delivery_pkey primary key (id)
);
create unique index webhook_delivery_once on webhook_delivery (webhook_id, event_id);
create index webhook_delivery_workspace on webhook_delivery (workspace_id, made_at);
create index webhook_delivery_state on webhook_delivery (webhook_id, state);
${ofWorkspace('webhook_delivery')}
alter table webhook_delivery add constraint webhook_delivery_webhook_fk foreign key (webhook_id) references webhook(id) on delete cascade;
grant select, insert, update, delete on webhook_delivery to dossier_serving;

create function forget_old_events() returns bigint language sql volatile security definer set search_path = public as $$
  with sent as (delete from webhook_delivery where made_at < now() - interval '30 days' and state <> 'waiting'),
    gone as (delete from event where at < now() - interval '30 days' returning 1) select count(*) from gone
$$;
revoke all on function forget_old_events() from public;
grant execute on function forget_old_events() to dossier_serving;

/* Workspaces with an address that something new is to be told to. */
create function workspaces_with_news() returns setof uuid language sql stable security definer set search_path = public as $$
  select distinct w.workspace_id from webhook w
  where w.paused_at is null and exists (select from event e where e.workspace_id = w.workspace_id
    and (e.xid, e.sequence) > (w.after_xid::xid8, w.after_sequence) and e.xid < pg_snapshot_xmin(pg_current_snapshot()))
$$;
revoke all on function workspaces_with_news() from public;
grant execute on function workspaces_with_news() to dossier_serving;
`;

/** What happens is told to whoever follows it. */
export class Events1780000000029 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(EVENTS);
    await runner.query(WEBHOOKS);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop function workspaces_with_news();
      drop table webhook_delivery, webhook;
      drop function tell_of_people() cascade;
      drop function tell_of_read_cards() cascade;
      drop function tell_of_filed_cards() cascade;
      drop function forget_old_events();
      drop table event;`);
  }
}
