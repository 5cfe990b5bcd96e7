import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

const UP = `
alter table workspace add column allowed_origins text[] not null default '{}';
grant update (allowed_origins) on workspace to dossier_serving;

create table api_token (
  id uuid not null,
  workspace_id uuid not null,
  account_id uuid not null,
  name text not null,
  token_hash bytea not null,
  scopes text[] not null,
  per_minute integer not null,
  made_at timestamptz not null,
  ends_at timestamptz,
  last_used_at timestamptz,
  constraint api_token_pkey primary key (id)
);
create unique index api_token_hash on api_token (token_hash);
create index api_token_workspace on api_token (workspace_id);
create index api_token_account on api_token (account_id);
alter table api_token add constraint api_token_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table api_token add constraint api_token_account_fk foreign key (account_id) references account(id) on delete cascade;
grant select, insert, update, delete on api_token to dossier_serving;
alter table api_token enable row level security;
create policy api_token_of_workspace on api_token to dossier_serving using (workspace_id = ${WORKSPACE});

/* Whoever comes with a token is in no workspace yet: the token says which. When it was used is kept to the minute. */
create function use_api_token(token bytea) returns table (id uuid, account_id uuid, scopes text[], per_minute integer)
language plpgsql volatile security definer set search_path = public as $$
begin
  return query select t.id, t.account_id, t.scopes, t.per_minute from api_token t join account a on a.id = t.account_id
    where t.token_hash = token and (t.ends_at is null or t.ends_at > now()) and a.out_of_use_at is null;
  if found then
    update api_token t set last_used_at = now()
    where t.token_hash = token and (t.last_used_at is null or t.last_used_at < now() - interval '1 minute');
  end if;
end $$;
revoke all on function use_api_token(bytea) from public;
grant execute on function use_api_token(bytea) to dossier_serving;

/* A browser asks before it sends anything, and names nobody then. */
create function is_origin_allowed(origin text) returns boolean language sql stable security definer set search_path = public as $$
  select exists (select from workspace w where w.allowed_origins @> array[origin])
$$;
revoke all on function is_origin_allowed(text) from public;
grant execute on function is_origin_allowed(text) to dossier_serving;
`;

/** Programs are let in with tokens of their own, and pages of others where an administrator allows it. */
export class ApiTokens1780000000027 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop function is_origin_allowed(text);
      drop function use_api_token(bytea);
      drop table api_token;
      alter table workspace drop column allowed_origins;`);
  }
}
