import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const ofWorkspace = (table: string): string => `
create index ${table}_workspace on ${table} (workspace_id);
alter table ${table} add constraint ${table}_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});
grant select, insert, update, delete on ${table} to dossier_serving;`;

/** Address books that phones and other programs keep in step with (RFC 6352). */
export class AddressBooks1780000000038 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table device_password (
        id uuid not null,
        workspace_id uuid not null,
        account_id uuid not null,
        name text not null,
        hash bytea not null,
        made_at timestamptz not null,
        used_at timestamptz,
        constraint device_password_pkey primary key (id)
      );
      create unique index device_password_hash on device_password (hash);
      create index device_password_account on device_password (account_id);
      alter table device_password add constraint device_password_account_fk foreign key (account_id) references account(id) on delete cascade;
      ${ofWorkspace('device_password')}
      create table device_book (
        id uuid not null,
        workspace_id uuid not null,
        account_id uuid not null,
        book text not null,
        sequence integer not null default 0,
        constraint device_book_pkey primary key (id)
      );
      create unique index device_book_once on device_book (account_id, book);
      alter table device_book add constraint device_book_account_fk foreign key (account_id) references account(id) on delete cascade;
      ${ofWorkspace('device_book')}
      create table device_entry (
        book_id uuid not null,
        person_id uuid not null,
        workspace_id uuid not null,
        name text not null,
        mark text not null,
        sequence integer not null,
        is_there boolean not null,
        left_out boolean not null default false,
        constraint device_entry_pkey primary key (book_id, person_id)
      );
      create unique index device_entry_name on device_entry (book_id, name);
      create index device_entry_sequence on device_entry (book_id, sequence);
      alter table device_entry add constraint device_entry_book_fk foreign key (book_id) references device_book(id) on delete cascade;
      ${ofWorkspace('device_entry')}
      create table device_further (
        person_id uuid not null,
        workspace_id uuid not null,
        uid text,
        name text,
        note text not null,
        lines text array not null,
        constraint device_further_pkey primary key (person_id)
      );
      create index device_further_uid on device_further (workspace_id, uid);
      alter table device_further add constraint device_further_person_fk foreign key (person_id) references person(id) on delete cascade;
      ${ofWorkspace('device_further')}
      alter table workspace add column devices_delete boolean not null default false;
      grant update (devices_delete) on workspace to dossier_serving;
      create function use_device_password(given bytea) returns table (account_id uuid, workspace_id uuid) language plpgsql security definer set search_path = public as $$
      begin
        update device_password d set used_at = now() where d.hash = given and (d.used_at is null or d.used_at < now() - interval '1 minute');
        return query select d.account_id, d.workspace_id from device_password d join account a on a.id = d.account_id and a.out_of_use_at is null where d.hash = given;
      end $$;
      revoke all on function use_device_password(bytea) from public;
      grant execute on function use_device_password(bytea) to dossier_serving;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop function use_device_password(bytea);
      alter table workspace drop column devices_delete;
      drop table device_further, device_entry, device_book, device_password;`);
  }
}
