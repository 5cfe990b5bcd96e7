import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const ofWorkspace = (table: string): string => `
create index ${table}_workspace on ${table} (workspace_id);
alter table ${table} add constraint ${table}_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table ${table} add constraint ${table}_account_fk foreign key (account_id) references account(id) on delete cascade;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});
grant select, insert, update, delete on ${table} to dossier_serving;`;

/** What people of the team hand out of themselves, and the pages on which others find it. */
export class OwnCards1780000000036 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table own_card (
        account_id uuid not null,
        workspace_id uuid not null,
        details jsonb not null,
        greeting text not null,
        takes_visitors boolean not null,
        scope text not null,
        picture_id uuid,
        changed_at timestamptz not null,
        constraint own_card_pkey primary key (account_id)
      );
      create index own_card_picture on own_card (picture_id);
      alter table own_card add constraint own_card_picture_fk foreign key (picture_id) references stored_file(id) on delete set null;
      ${ofWorkspace('own_card')}
      create table card_page (
        account_id uuid not null,
        workspace_id uuid not null,
        key text not null,
        secret bytea not null,
        made_at timestamptz not null,
        opened integer not null default 0,
        constraint card_page_pkey primary key (account_id)
      );
      create unique index card_page_key on card_page (key);
      ${ofWorkspace('card_page')}
      create function card_of_key(key text) returns table (account_id uuid, workspace_id uuid) language sql stable security definer set search_path = public as $$
        select p.account_id, p.workspace_id from card_page p join account a on a.id = p.account_id and a.out_of_use_at is null where p.key = card_of_key.key
      $$;
      revoke all on function card_of_key(text) from public;
      grant execute on function card_of_key(text) to dossier_serving;
      alter table card add column consent jsonb;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      alter table card drop column consent;
      drop function card_of_key(text);
      drop table card_page, own_card;
      update consent set how = 'onScreen' where how = 'onPage';`);
  }
}
