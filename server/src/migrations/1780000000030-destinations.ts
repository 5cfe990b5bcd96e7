import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const ofWorkspace = (table: string): string => `
alter table ${table} add constraint ${table}_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});
grant select, insert, update, delete on ${table} to dossier_serving;`;

const UP = `
create table destination (
  id uuid not null,
  workspace_id uuid not null,
  name text not null,
  target jsonb not null,
  secret text,
  when_handed text not null,
  occasions jsonb not null default '[]',
  per_minute integer not null,
  next_slot_at timestamptz not null default now(),
  mapping_version integer not null default 0,
  made_by uuid not null,
  made_at timestamptz not null,
  paused_at timestamptz,
  paused_why text,
  failing_since timestamptz,
  after_xid text not null,
  after_sequence bigint not null,
  constraint destination_pkey primary key (id)
);
create index destination_workspace on destination (workspace_id);
create index destination_maker on destination (made_by);
${ofWorkspace('destination')}
alter table destination add constraint destination_maker_fk foreign key (made_by) references account(id);

create table hand_over_mapping (
  destination_id uuid not null,
  version integer not null,
  workspace_id uuid not null,
  rules jsonb not null,
  made_by uuid not null,
  made_at timestamptz not null,
  constraint hand_over_mapping_pkey primary key (destination_id, version)
);
create index hand_over_mapping_workspace on hand_over_mapping (workspace_id);
create index hand_over_mapping_maker on hand_over_mapping (made_by);
${ofWorkspace('hand_over_mapping')}
alter table hand_over_mapping add constraint hand_over_mapping_destination_fk foreign key (destination_id) references destination(id) on delete cascade;
alter table hand_over_mapping add constraint hand_over_mapping_maker_fk foreign key (made_by) references account(id);

create table handed_record (
  destination_id uuid not null,
  subject text not null,
  subject_id uuid not null,
  workspace_id uuid not null,
  person_id uuid,
  ref text not null,
  link text,
  sent_at timestamptz not null,
  mapping_version integer,
  theirs jsonb not null default '[]',
  sent jsonb not null default '{}',
  constraint handed_record_pkey primary key (destination_id, subject, subject_id)
);
create index handed_record_workspace on handed_record (workspace_id);
create index handed_record_person on handed_record (person_id);
${ofWorkspace('handed_record')}
alter table handed_record add constraint handed_record_destination_fk foreign key (destination_id) references destination(id) on delete cascade;
alter table handed_record add constraint handed_record_person_fk foreign key (person_id) references person(id) on delete cascade;

create table delivery (
  id uuid not null,
  workspace_id uuid not null,
  destination_id uuid not null,
  person_id uuid not null,
  subject text not null,
  subject_id uuid not null,
  state text not null,
  attempts integer not null default 0,
  made_at timestamptz not null,
  next_at timestamptz,
  done_at timestamptz,
  mapping_version integer,
  request text,
  status integer,
  answer text,
  problem text,
  theirs jsonb not null default '[]',
  constraint delivery_pkey primary key (id)
);
create index delivery_workspace on delivery (workspace_id, made_at, id);
create index delivery_destination on delivery (destination_id, state);
create index delivery_person on delivery (person_id);
create index delivery_done on delivery (done_at) where state = 'delivered';
/* What waits is sent as it is then: one is enough, however often something changes meanwhile. */
create unique index delivery_waiting on delivery (destination_id, subject, subject_id) where state = 'waiting';
${ofWorkspace('delivery')}
alter table delivery add constraint delivery_destination_fk foreign key (destination_id) references destination(id) on delete cascade;
alter table delivery add constraint delivery_person_fk foreign key (person_id) references person(id) on delete cascade;

/* A firm is forgotten with what was kept of it for others. */
create function forget_handed_firms() returns trigger language plpgsql security definer set search_path = public as $$
begin
  delete from handed_record h using gone where h.workspace_id = gone.workspace_id and h.subject = 'company' and h.subject_id = gone.id;
  return null;
end $$;
create trigger forget_handed_firms after delete on company referencing old table as gone
  for each statement execute function forget_handed_firms();

/* What arrived long ago; where it is there is kept elsewhere. */
create function forget_old_deliveries() returns bigint language sql security definer set search_path = public as $$
  with gone as (delete from delivery where state = 'delivered' and done_at < now() - interval '90 days' returning 1)
  select count(*) from gone
$$;

revoke all on function forget_old_deliveries() from public;
grant execute on function forget_old_deliveries() to dossier_serving;

create or replace function workspaces_with_news() returns setof uuid language sql stable security definer set search_path = public as $$
  select distinct f.workspace_id from (
    select workspace_id, after_xid, after_sequence from webhook where paused_at is null
    union all select workspace_id, after_xid, after_sequence from destination where paused_at is null) f
  where exists (select from event e where e.workspace_id = f.workspace_id
    and (e.xid, e.sequence) > (f.after_xid::xid8, f.after_sequence) and e.xid < pg_snapshot_xmin(pg_current_snapshot()))
$$;
`;

/** Other systems that people are handed over to. */
export class Destinations1780000000030 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(): Promise<void> {
    throw new Error('What was handed over would be handed over again: drop the database instead.');
  }
}
