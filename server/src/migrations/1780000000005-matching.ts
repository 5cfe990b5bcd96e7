import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = `
alter table workspace add files_itself boolean not null default false;
alter table workspace add ratings text array not null default '{Hot,Warm,Cool}';
grant update (files_itself, ratings) on workspace to dossier_serving;
alter table occasion add files_itself boolean;

alter table person add rating text;
alter table person add deleted_at timestamptz;
alter table person add keys_version smallint not null default 0;
alter table person add glance_at timestamptz;
create index person_unindexed on person (workspace_id, keys_version);
create index person_unseen on person (workspace_id, glance_at) where glance_at is not null;
create index person_name_trigrams on person using gin (sort_name gin_trgm_ops);
alter table company add match_key text not null default '';
create index company_match_key on company (workspace_id, match_key);

create table match_key (
  workspace_id uuid not null,
  key text not null,
  person_id uuid not null,
  constraint match_key_pkey primary key (workspace_id, key, person_id)
);
create index match_key_person on match_key (person_id);
create table match_model (
  workspace_id uuid not null,
  frequencies jsonb not null,
  learned jsonb not null,
  at timestamptz not null,
  constraint match_model_pkey primary key (workspace_id)
);
create table not_same (
  workspace_id uuid not null,
  one_id uuid not null,
  other_id uuid not null,
  by uuid not null,
  at timestamptz not null,
  constraint not_same_pkey primary key (workspace_id, one_id, other_id)
);
create table sweep (
  id uuid not null,
  workspace_id uuid not null,
  state text not null,
  progress real not null,
  people integer not null,
  started_at timestamptz not null,
  finished_at timestamptz,
  constraint sweep_pkey primary key (id)
);
create index sweep_latest on sweep (workspace_id, started_at);
create table duplicate (
  workspace_id uuid not null,
  one_id uuid not null,
  other_id uuid not null,
  likelihood real not null,
  band text not null,
  new_job boolean not null,
  evidence jsonb not null,
  constraint duplicate_pkey primary key (workspace_id, one_id, other_id)
);
create index duplicate_one on duplicate (one_id);
create index duplicate_other on duplicate (other_id);
create table merge (
  id uuid not null,
  workspace_id uuid not null,
  into_id uuid not null,
  other_ids uuid array not null,
  names text array not null,
  by uuid not null,
  at timestamptz not null,
  after_version integer not null,
  before jsonb not null,
  undone_at timestamptz,
  constraint merge_pkey primary key (id)
);
create index merge_into on merge (into_id);
create index merge_others on merge using gin (other_ids);
create index merge_workspace on merge (workspace_id);
create table consent (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  channels text array not null,
  scope text not null,
  wording text not null,
  how text not null,
  given_at timestamptz not null,
  by uuid not null,
  withdrawn_at timestamptz,
  constraint consent_pkey primary key (id)
);
create index consent_person on consent (person_id);
create index consent_workspace on consent (workspace_id);
alter table match_key add constraint match_key_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table match_key add constraint match_key_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table match_model add constraint match_model_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table not_same add constraint not_same_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table sweep add constraint sweep_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table duplicate add constraint duplicate_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table duplicate add constraint duplicate_one_fk foreign key (one_id) references person(id) on delete cascade;
alter table duplicate add constraint duplicate_other_fk foreign key (other_id) references person(id) on delete cascade;
alter table merge add constraint merge_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table consent add constraint consent_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table consent add constraint consent_person_fk foreign key (person_id) references person(id) on delete cascade;
`;

const policies = ['match_key', 'match_model', 'not_same', 'sweep', 'duplicate', 'merge', 'consent']
  .map(
    (table) => `
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving
  using (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid)
  with check (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);
grant select, insert, update, delete on ${table} to dossier_serving;`,
  )
  .join('');

/**
 * The change log can only grow, with one exception: somebody's right to be forgotten. The function takes the values out of the
 * log of a person of the caller's own workspace and leaves that, when and by whom something was done.
 */
const ERASE = `
create function forget_values(person uuid) returns void language sql security definer set search_path = public as $$
  update change_log set changes = '[]', card_id = null
  where person_id = person and workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid
$$;
revoke all on function forget_values(uuid) from public;
grant execute on function forget_values(uuid) to dossier_serving;
grant delete on learned_fact to dossier_serving;
`;

/** Who is already known: keys and frequencies, duplicates and merges, consent, and filing without a person. */
export class Matching1780000000005 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(TABLES + policies + ERASE);
  }

  async down(): Promise<void> {
    throw new Error('Consents and merges would be lost: drop the database instead.');
  }
}
