import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

const UP = `
create table share (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  token_hash bytea not null,
  made_by uuid not null,
  made_at timestamptz not null,
  ends_at timestamptz not null,
  opened integer not null default 0,
  opened_at timestamptz,
  constraint share_pkey primary key (id)
);
create unique index share_token on share (token_hash);
create index share_person on share (person_id);
create index share_workspace on share (workspace_id);
create index share_maker on share (made_by);
alter table share add constraint share_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table share add constraint share_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table share add constraint share_maker_fk foreign key (made_by) references account(id);
grant select, insert, update, delete on share to dossier_serving;
alter table share enable row level security;
create policy share_of_workspace on share to dossier_serving using (workspace_id = ${WORKSPACE});

/* Whoever opens a link is in no workspace: what opens it says which. */
create function open_share(token bytea) returns table (id uuid, workspace_id uuid, person_id uuid)
language sql volatile security definer set search_path = public as $$
  update share s set opened = s.opened + 1, opened_at = now() where s.token_hash = token and s.ends_at > now()
  returning s.id, s.workspace_id, s.person_id
$$;
revoke all on function open_share(bytea) from public;
grant execute on function open_share(bytea) to dossier_serving;
`;

/** Links that show a person to whoever has them, for a while. */
export class Shares1780000000015 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop function open_share(bytea); drop table share;');
  }
}
