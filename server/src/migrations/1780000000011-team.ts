import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Looked up before the workspace is known; written only once it is named. */
const writtenInWorkspace = (table: string): string => `
alter table ${table} enable row level security;
create policy ${table}_seen on ${table} for select to dossier_serving using (true);
${[
  ['insert', 'with check'],
  ['update', 'using'],
  ['delete', 'using'],
]
  .map(
    ([act, how]) =>
      `create policy ${table}_${act} on ${table} for ${act} to dossier_serving ${how} (workspace_id = nullif(current_setting('dossier.workspace', true), '')::uuid);`,
  )
  .join('\n')}
`;

const UP = `
alter table account add out_of_use_at timestamptz;

create table access_link (
  id uuid not null,
  workspace_id uuid not null,
  account_id uuid,
  name text not null,
  email citext not null,
  role text not null,
  token_hash bytea not null,
  made_by uuid not null,
  made_at timestamptz not null,
  expires_at timestamptz not null,
  used_at timestamptz,
  constraint access_link_pkey primary key (id)
);
create unique index access_link_token on access_link (token_hash);
create index access_link_workspace on access_link (workspace_id);
alter table access_link add constraint access_link_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table access_link add constraint access_link_account_fk foreign key (account_id) references account(id) on delete cascade;
alter table access_link add constraint access_link_maker_fk foreign key (made_by) references account(id) on delete cascade;
grant select, insert, update, delete on access_link to dossier_serving;
grant insert on account to dossier_serving;
grant update (name, role, password_hash, out_of_use_at) on account to dossier_serving;
${['account', 'access_link'].map(writtenInWorkspace).join('')}
/* Whoever serves requests can begin one team, where there is none, and no more. */
create function begin_first_workspace(id uuid, name text, country char(2)) returns boolean
language plpgsql security definer set search_path = public as $$
begin
  perform pg_advisory_xact_lock(hashtextextended('first workspace', 0));
  if exists (select from workspace) then return false; end if;
  insert into workspace (id, name, country) values ($1, $2, $3);
  return true;
end $$;
revoke all on function begin_first_workspace(uuid, text, char) from public;
grant execute on function begin_first_workspace(uuid, text, char) to dossier_serving;
`;

/** Colleagues come by a link and go by taking their account out of use; a team begins where there is none. */
export class Team1780000000011 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(): Promise<void> {
    throw new Error('Who was taken out of use would be let in again: drop the database instead.');
  }
}
