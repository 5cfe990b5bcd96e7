import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const ofWorkspace = (table: string): string => `
alter table ${table} add constraint ${table}_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});
grant select, insert, update, delete on ${table} to dossier_serving;`;
/** Asked for all workspaces at once by whoever works for all of them. */
const forAll = (signature: string, returns: string, body: string): string => `
create function ${signature} returns ${returns} language sql stable security definer set search_path = public as $$ ${body} $$;
revoke all on function ${signature} from public;
grant execute on function ${signature} to dossier_serving;`;

/** What happens to people and is told to whoever follows, besides what was told before. */
const toldOf = (more: string): string => `
create or replace function tell_of_people() returns trigger language plpgsql security definer set search_path = public as $$
begin
  if current_setting('dossier.feed', true) = 'off' then return null; end if;
  insert into event (workspace_id, type, at, person_id, card_id, actor_id, changed)
    select l.workspace_id, t.type, l.at, l.person_id, l.card_id, l.actor_id,
      array(select distinct c->>'field' from jsonb_array_elements(l.changes) c where t.type = 'person.changed' and c->>'field' is not null order by 1)
    from written l join (values ${more}
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
end $$;`;

const MAIL = `
create table mail_settings (
  workspace_id uuid not null,
  outgoing jsonb,
  out_password text,
  incoming jsonb,
  in_password text,
  per_minute integer not null default 30,
  quiet_from text not null default '18:00',
  quiet_to text not null default '08:00',
  on_days_off boolean not null default false,
  footer text not null default '',
  next_slot_at timestamptz not null default now(),
  out_trouble text,
  trouble_since timestamptz,
  in_trouble text,
  looked_at timestamptz,
  uid_validity text,
  last_uid bigint,
  constraint mail_settings_pkey primary key (workspace_id)
);
${ofWorkspace('mail_settings')}

create table mail_sender (
  id uuid not null,
  workspace_id uuid not null,
  address text not null,
  name text not null,
  account_id uuid,
  position integer not null,
  constraint mail_sender_pkey primary key (id)
);
create unique index mail_sender_address on mail_sender (workspace_id, address);
create index mail_sender_anywhere on mail_sender (address);
create index mail_sender_account on mail_sender (account_id);
${ofWorkspace('mail_sender')}
alter table mail_sender add constraint mail_sender_account_fk foreign key (account_id) references account(id) on delete cascade;

create table do_not_write (
  id uuid not null,
  workspace_id uuid not null,
  value text not null,
  why text not null,
  by uuid not null,
  at timestamptz not null,
  constraint do_not_write_pkey primary key (id)
);
create unique index do_not_write_once on do_not_write (workspace_id, value);
create index do_not_write_by on do_not_write (by);
${ofWorkspace('do_not_write')}
alter table do_not_write add constraint do_not_write_by_fk foreign key (by) references account(id);

/* Addresses that mail came back from for good. */
create table bounced_address (
  workspace_id uuid not null,
  address text not null,
  status text not null,
  at timestamptz not null,
  constraint bounced_address_pkey primary key (workspace_id, address)
);
${ofWorkspace('bounced_address')}

create table attachment (
  id uuid not null,
  workspace_id uuid not null,
  file_id uuid not null,
  name text not null,
  type text not null,
  bytes integer not null,
  /* Whose it is that came in; null for a file of the team's. */
  person_id uuid,
  made_at timestamptz not null,
  constraint attachment_pkey primary key (id)
);
create index attachment_workspace on attachment (workspace_id);
create index attachment_person on attachment (person_id);
create index attachment_file on attachment (file_id);
${ofWorkspace('attachment')}
alter table attachment add constraint attachment_file_fk foreign key (file_id) references stored_file(id) on delete cascade;
alter table attachment add constraint attachment_person_fk foreign key (person_id) references person(id) on delete cascade;
`;

const TEMPLATES = `
create table template (
  id uuid not null,
  workspace_id uuid not null,
  name text not null,
  kind text not null,
  version integer not null,
  removed_at timestamptz,
  constraint template_pkey primary key (id)
);
create index template_workspace on template (workspace_id);
${ofWorkspace('template')}

create table template_version (
  template_id uuid not null,
  version integer not null,
  workspace_id uuid not null,
  scope text,
  texts jsonb not null,
  own_vcard boolean not null,
  attachment_ids uuid[] not null default '{}',
  by uuid not null,
  at timestamptz not null,
  constraint template_version_pkey primary key (template_id, version)
);
create index template_version_workspace on template_version (workspace_id);
create index template_version_by on template_version (by);
${ofWorkspace('template_version')}
alter table template_version add constraint template_version_template_fk foreign key (template_id) references template(id) on delete cascade;
alter table template_version add constraint template_version_by_fk foreign key (by) references account(id);
`;

const PLANS = `
create table plan (
  id uuid not null,
  workspace_id uuid not null,
  name text not null,
  version integer not null,
  is_on boolean not null,
  start_tag text,
  /* Whoever got the tag before then is not put into it. */
  tag_from timestamptz,
  removed_at timestamptz,
  constraint plan_pkey primary key (id)
);
create index plan_workspace on plan (workspace_id);
${ofWorkspace('plan')}

create table plan_version (
  plan_id uuid not null,
  version integer not null,
  workspace_id uuid not null,
  steps jsonb not null,
  stops_at text[] not null,
  by uuid not null,
  at timestamptz not null,
  constraint plan_version_pkey primary key (plan_id, version)
);
create index plan_version_workspace on plan_version (workspace_id);
create index plan_version_by on plan_version (by);
${ofWorkspace('plan_version')}
alter table plan_version add constraint plan_version_plan_fk foreign key (plan_id) references plan(id) on delete cascade;
alter table plan_version add constraint plan_version_by_fk foreign key (by) references account(id);

alter table occasion add column plan_id uuid;
alter table occasion add constraint occasion_plan_fk foreign key (plan_id) references plan(id) on delete set null;
create index occasion_plan on occasion (plan_id);

create table enrolment (
  id uuid not null,
  workspace_id uuid not null,
  plan_id uuid not null,
  version integer not null,
  person_id uuid not null,
  occasion_id uuid,
  note_line text not null default '',
  status text not null,
  ending text,
  next_step uuid,
  since timestamptz not null,
  hurried boolean not null default false,
  happened text[] not null default '{}',
  due_at timestamptz,
  held text,
  held_at timestamptz,
  started_at timestamptz not null,
  started_by uuid not null,
  ended_at timestamptz,
  constraint enrolment_pkey primary key (id)
);
/* Nobody is in a plan twice at a time. */
create unique index enrolment_once on enrolment (plan_id, person_id) where status <> 'ended';
create index enrolment_due on enrolment (due_at) where status = 'running';
create index enrolment_person on enrolment (person_id);
create index enrolment_workspace on enrolment (workspace_id);
create index enrolment_occasion on enrolment (occasion_id);
create index enrolment_starter on enrolment (started_by);
${ofWorkspace('enrolment')}
alter table enrolment add constraint enrolment_plan_fk foreign key (plan_id) references plan(id) on delete cascade;
alter table enrolment add constraint enrolment_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table enrolment add constraint enrolment_occasion_fk foreign key (occasion_id) references occasion(id) on delete set null;
alter table enrolment add constraint enrolment_starter_fk foreign key (started_by) references account(id);
${forAll('workspaces_with_due_steps()', 'setof uuid', `select distinct workspace_id from enrolment where status = 'running' and due_at <= now()`)}
${forAll('workspaces_with_tagged_plans()', 'setof uuid', `select distinct workspace_id from plan where is_on and removed_at is null and tag_from is not null`)}
${forAll('workspaces_with_withdrawals()', 'setof uuid', `select distinct e.workspace_id from enrolment e join consent c on c.person_id = e.person_id and c.withdrawn_at >= e.started_at where e.status <> 'ended'`)}
${forAll('workspaces_with_held_steps()', 'setof uuid', `select distinct workspace_id from enrolment where status = 'running' and held is not null`)}
`;

const MESSAGES = `
create table message (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  direction text not null,
  channel text not null default 'email',
  state text not null,
  kind text not null,
  purpose jsonb,
  /* As it stands in the head of the mail, with its brackets (RFC 5322, 3.6.4). */
  header_id text not null,
  refers_to text[] not null default '{}',
  sender text not null,
  sender_name text not null default '',
  recipient text not null,
  subject text not null,
  body text not null,
  html text,
  template_id uuid,
  template_version integer,
  enrolment_id uuid,
  step_id uuid,
  answers_id uuid,
  /* ISO 639-1, for what is put under it. */
  language text not null default 'en',
  own_vcard boolean not null default false,
  attachment_ids uuid[] not null default '{}',
  withdraw_key text,
  made_by uuid,
  made_at timestamptz not null,
  at timestamptz not null,
  /* When it was let through for the last time. */
  passed_at timestamptz,
  next_at timestamptz,
  /* Whether next_at is its turn with the mail server: whoever comes then takes no other. */
  has_slot boolean not null default false,
  /* The number of the try, never used twice. */
  attempts integer not null default 0,
  /* How often the server said: not now. */
  deferrals integer not null default 0,
  problem text,
  came_back_at timestamptz,
  read_at timestamptz,
  constraint message_pkey primary key (id)
);
create unique index message_header_id on message (workspace_id, direction, header_id);
create unique index message_withdraw_key on message (withdraw_key);
/* A step of a plan sends one message to one person. */
create unique index message_of_step on message (enrolment_id, step_id);
create index message_person on message (person_id, at);
create index message_workspace on message (workspace_id, at);
create index message_state on message (workspace_id, state) where state in ('waiting', 'sending', 'handing', 'uncertain', 'refused');
create index message_unread on message (workspace_id, at) where direction = 'in' and read_at is null;
create index message_anywhere on message (header_id) where direction = 'out';
create index message_maker on message (made_by);
create index message_template on message (template_id);
${ofWorkspace('message')}
alter table message add constraint message_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table message add constraint message_enrolment_fk foreign key (enrolment_id) references enrolment(id) on delete set null;
alter table message add constraint message_template_fk foreign key (template_id) references template(id) on delete set null;
alter table message add constraint message_maker_fk foreign key (made_by) references account(id);
${forAll('workspaces_of_mail(ids text[], addresses text[])', 'setof uuid', `select workspace_id from message where direction = 'out' and header_id = any(ids) union select workspace_id from mail_sender where address = any(addresses)`)}
${forAll('message_with_key(key text)', 'table (id uuid, workspace_id uuid)', `select m.id, m.workspace_id from message m where m.withdraw_key = key`)}
${forAll('workspaces_with_mailbox()', 'setof uuid', `select workspace_id from mail_settings where incoming is not null`)}
`;

const TASKS = `
alter table task alter column person_id drop not null;
alter table task add column kind text not null default 'task';
alter table task add column due_time text;
alter table task add column repeat text;
alter table task add column owner_id uuid;
update task set owner_id = made_by;
alter table task alter column owner_id set not null;
alter table task add column company_id uuid;
alter table task add column enrolment_id uuid;
alter table task add column message_id uuid;
alter table task add column done_by uuid;
alter table task add column version integer not null default 1;
alter table task add column changed_at timestamptz not null default now();
alter table task add constraint task_owner_fk foreign key (owner_id) references account(id);
alter table task add constraint task_company_fk foreign key (company_id) references company(id) on delete cascade;
alter table task add constraint task_enrolment_fk foreign key (enrolment_id) references enrolment(id) on delete set null;
alter table task add constraint task_message_fk foreign key (message_id) references message(id) on delete set null;
create index task_open on task (workspace_id, owner_id, due_on) where done_at is null;
create index task_owner on task (owner_id);
create index task_company on task (company_id);
create index task_enrolment on task (enrolment_id);
create index task_message on task (message_id);

create table calendar_feed (
  account_id uuid not null,
  workspace_id uuid not null,
  key_hash bytea not null,
  made_at timestamptz not null,
  seen_at timestamptz,
  constraint calendar_feed_pkey primary key (account_id)
);
create table morning_mail (
  account_id uuid not null,
  workspace_id uuid not null,
  at text not null,
  time_zone text not null,
  sent_on date,
  constraint morning_mail_pkey primary key (account_id)
);
create index morning_mail_workspace on morning_mail (workspace_id);
${ofWorkspace('morning_mail')}
alter table morning_mail add constraint morning_mail_account_fk foreign key (account_id) references account(id) on delete cascade;
${forAll('workspaces_with_mornings()', 'setof uuid', `select distinct workspace_id from morning_mail`)}
create unique index calendar_feed_key on calendar_feed (key_hash);
create index calendar_feed_workspace on calendar_feed (workspace_id);
${ofWorkspace('calendar_feed')}
alter table calendar_feed add constraint calendar_feed_account_fk foreign key (account_id) references account(id) on delete cascade;
${forAll('calendar_of_key(key bytea)', 'table (account_id uuid, workspace_id uuid)', `select f.account_id, f.workspace_id from calendar_feed f where f.key_hash = key`)}
`;

/** People do some things themselves: they answer, they withdraw what they agreed to. */
const BY_THEMSELVES = `
alter table change_log alter column actor_id drop not null;
alter table workspace add column untouched_days integer not null default 7;
${toldOf("('answered', 'message.answered'),")}
`;

/** What is done after filing: messages, plans, tasks. */
export class Followup1780000000031 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const part of [MAIL, TEMPLATES, PLANS, MESSAGES, TASKS, BY_THEMSELVES]) await runner.query(part);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      alter table workspace drop column untouched_days;
      drop function calendar_of_key(bytea);
      drop function workspaces_with_mornings();
      drop table morning_mail, calendar_feed;
      delete from task where person_id is null;
      alter table task drop column kind, drop column due_time, drop column repeat, drop column owner_id, drop column company_id,
        drop column enrolment_id, drop column message_id, drop column done_by, drop column version, drop column changed_at;
      alter table task alter column person_id set not null;
      drop function workspaces_with_mailbox();
      drop function message_with_key(text);
      drop function workspaces_of_mail(text[], text[]);
      drop table message;
      drop function workspaces_with_due_steps();
      drop function workspaces_with_held_steps();
      drop function workspaces_with_withdrawals();
      drop function workspaces_with_tagged_plans();
      drop table enrolment;
      alter table occasion drop column plan_id;
      drop table plan_version, plan, template_version, template, attachment, bounced_address, do_not_write, mail_sender, mail_settings;
      ${toldOf('')}
      delete from change_log where actor_id is null;
      alter table change_log alter column actor_id set not null;`);
  }
}
