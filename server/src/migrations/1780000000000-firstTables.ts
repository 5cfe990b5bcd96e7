import type { MigrationInterface, QueryRunner } from 'typeorm';

const EXTENSIONS = `
create extension if not exists citext;
create extension if not exists pg_trgm;
`;

const TABLES = `
create table workspace (
  id uuid not null,
  name text not null,
  country character(2) not null,
  constraint workspace_pkey primary key (id)
);
create table stored_file (
  id uuid not null,
  workspace_id uuid not null,
  type text not null,
  bytes bytea not null,
  constraint stored_file_pkey primary key (id)
);
create index stored_file_workspace on stored_file (workspace_id);
create table account (
  id uuid not null,
  workspace_id uuid not null,
  name text not null,
  email citext not null,
  role text not null,
  password_hash text not null,
  constraint account_pkey primary key (id)
);
create index account_workspace on account (workspace_id);
create unique index account_email on account (email);
create table session (
  token_hash bytea not null,
  account_id uuid not null,
  created_at timestamptz not null,
  expires_at timestamptz not null,
  constraint session_pkey primary key (token_hash)
);
create index session_account on session (account_id);
create table photo (
  id uuid not null,
  workspace_id uuid not null,
  taken_by uuid not null,
  file_id uuid not null,
  state text not null,
  progress real not null default '0',
  message text,
  taken_at timestamptz not null,
  received_at timestamptz not null,
  constraint photo_pkey primary key (id)
);
create index photo_file on photo (file_id);
create index photo_tray on photo (workspace_id, state);
create table card (
  id uuid not null,
  workspace_id uuid not null,
  photo_id uuid not null,
  file_id uuid not null,
  thumbnail_id uuid not null,
  state text not null,
  quad jsonb,
  reading jsonb not null,
  proposals jsonb not null,
  country text,
  engine text not null,
  person_id uuid,
  taken_at timestamptz not null,
  constraint card_pkey primary key (id)
);
create index card_person on card (person_id);
create index card_file on card (file_id);
create index card_photo on card (photo_id);
create index card_tray on card (workspace_id, state, taken_at, id);
create table person (
  id uuid not null,
  workspace_id uuid not null,
  kind text not null,
  owner_id uuid not null,
  prefix text not null,
  given_name text not null,
  middle_name text not null,
  family_name text not null,
  suffix text not null,
  full_name text not null,
  sort_name text not null,
  street text not null,
  postal_code text not null,
  locality text not null,
  region text not null,
  country text not null,
  search_text text not null,
  version integer not null,
  created_at timestamptz not null,
  updated_at timestamptz not null,
  constraint person_pkey primary key (id)
);
create index person_owner on person (owner_id);
create index person_list on person (workspace_id, sort_name, id);
create table company (
  id uuid not null,
  workspace_id uuid not null,
  name text not null,
  name_key text not null,
  constraint company_pkey primary key (id)
);
create unique index company_name_key on company (workspace_id, name_key);
create table employment (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  company_id uuid,
  title text not null,
  department text not null,
  started_at timestamptz not null,
  ended_at timestamptz,
  constraint employment_pkey primary key (id)
);
create index employment_workspace on employment (workspace_id);
create index employment_company on employment (company_id);
create index employment_person on employment (person_id);
create table reach (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  kind text not null,
  value text not null,
  key text not null,
  phone_kind text,
  extension text not null,
  position integer not null,
  constraint reach_pkey primary key (id)
);
create index reach_person on reach (person_id, position);
create index reach_key on reach (workspace_id, kind, key);
create table note (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  author_id uuid not null,
  text text not null,
  at timestamptz not null,
  constraint note_pkey primary key (id)
);
create index note_author on note (author_id);
create index note_workspace on note (workspace_id);
create index note_person on note (person_id, at);
create table change_log (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  actor_id uuid not null,
  card_id uuid,
  action text not null,
  changes jsonb not null,
  at timestamptz not null,
  constraint change_log_pkey primary key (id)
);
create index change_log_actor on change_log (actor_id);
create index change_log_workspace on change_log (workspace_id);
create index change_log_person on change_log (person_id, at);
create table filing_receipt (
  workspace_id uuid not null,
  key text not null,
  card_id uuid not null,
  person_id uuid not null,
  outcome text not null,
  at timestamptz not null,
  constraint filing_receipt_pkey primary key (workspace_id, key)
);
create index filing_receipt_card on filing_receipt (card_id);
alter table stored_file add constraint stored_file_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table account add constraint account_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table session add constraint session_account_fk foreign key (account_id) references account(id) on delete cascade;
alter table photo add constraint photo_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table photo add constraint photo_file_fk foreign key (file_id) references stored_file(id);
alter table card add constraint card_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table card add constraint card_photo_fk foreign key (photo_id) references photo(id) on delete cascade;
alter table card add constraint card_file_fk foreign key (file_id) references stored_file(id);
alter table person add constraint person_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table person add constraint person_owner_fk foreign key (owner_id) references account(id);
alter table company add constraint company_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table employment add constraint employment_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table employment add constraint employment_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table employment add constraint employment_company_fk foreign key (company_id) references company(id);
alter table reach add constraint reach_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table reach add constraint reach_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table note add constraint note_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table note add constraint note_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table note add constraint note_author_fk foreign key (author_id) references account(id);
alter table change_log add constraint change_log_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table change_log add constraint change_log_actor_fk foreign key (actor_id) references account(id);
alter table filing_receipt add constraint filing_receipt_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
create index person_search on person using gin (search_text gin_trgm_ops);
create table worker_heartbeat (
  name text not null,
  seen_at timestamptz not null,
  workers jsonb not null,
  constraint worker_heartbeat_pkey primary key (name)
);
`;

/** Tables whose rows belong to one workspace. Accounts and sessions are looked up before the workspace is known. */
const SCOPED = [
  'stored_file',
  'photo',
  'card',
  'person',
  'company',
  'employment',
  'reach',
  'note',
  'change_log',
  'filing_receipt',
];

/** The second lock behind the service's own checks: without the setting no row is visible. */
const policies = SCOPED.map(
  (table) => `
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid)
  with check (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);`,
).join('');

/** The change log can only grow. */
const GRANTS = `
grant select, insert, update, delete on all tables in schema public to dossier_serving;
revoke update, delete on change_log from dossier_serving;
revoke insert, update, delete on workspace, account, migration from dossier_serving;
`;

export class FirstTables1780000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(EXTENSIONS + TABLES + policies + GRANTS);
  }

  async down(): Promise<void> {
    throw new Error('The first tables are not taken away again: drop the database instead.');
  }
}
