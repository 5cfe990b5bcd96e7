import type { MigrationInterface, QueryRunner } from 'typeorm';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;
const ofWorkspace = (table: string): string => `
create index ${table}_workspace on ${table} (workspace_id);
alter table ${table} add constraint ${table}_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table ${table} add constraint ${table}_account_fk foreign key (account_id) references account(id) on delete cascade;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});
grant select, insert, update, delete on ${table} to dossier_serving;`;
const forAll = (signature: string, returns: string, body: string): string => `
create function ${signature} returns ${returns} language sql stable security definer set search_path = public as $$ ${body} $$;
revoke all on function ${signature} from public;
grant execute on function ${signature} to dossier_serving;`;

/** Talks that others book with people of the team: no two with the same person meet, whoever is quicker. */
export class Bookings1780000000037 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create extension if not exists btree_gist;
      create table booking_rules (
        account_id uuid not null,
        workspace_id uuid not null,
        is_on boolean not null,
        minutes integer not null,
        buffer_minutes integer not null,
        notice_hours integer not null,
        days_ahead integer not null,
        time_zone text not null,
        hours jsonb not null,
        holidays boolean not null,
        days_off jsonb not null,
        place text not null,
        busy_url text,
        busy_host text,
        busy jsonb not null default '[]',
        busy_seen_at timestamptz,
        busy_problem text,
        constraint booking_rules_pkey primary key (account_id)
      );
      ${ofWorkspace('booking_rules')}
      alter table message alter column person_id drop not null;
      alter table message add column booking_id uuid;
      create index message_booking on message (booking_id);
      create table booking (
        id uuid not null,
        workspace_id uuid not null,
        account_id uuid not null,
        person_id uuid,
        card_id uuid,
        starts_at timestamptz not null,
        ends_at timestamptz not null,
        free_at timestamptz not null,
        state text not null,
        name text not null,
        email text not null,
        phone text not null,
        words text not null,
        language text not null,
        time_zone text not null,
        key text not null,
        sequence integer not null default 0,
        task_id uuid,
        message_id uuid,
        made_at timestamptz not null,
        changed_at timestamptz not null,
        constraint booking_pkey primary key (id),
        constraint booking_apart exclude using gist (account_id with =, tstzrange(starts_at, free_at) with &&) where (state = 'booked')
      );
      create unique index booking_key on booking (key);
      create index booking_account on booking (account_id, starts_at);
      create index booking_person on booking (person_id);
      create index booking_card on booking (card_id);
      create index booking_task on booking (task_id);
      create index booking_message on booking (message_id);
      alter table booking add constraint booking_person_fk foreign key (person_id) references person(id) on delete cascade;
      alter table booking add constraint booking_card_fk foreign key (card_id) references card(id) on delete set null;
      alter table booking add constraint booking_task_fk foreign key (task_id) references task(id) on delete set null;
      alter table booking add constraint booking_message_fk foreign key (message_id) references message(id) on delete set null;
      ${ofWorkspace('booking')}
      ${forAll('booking_of_key(key text)', 'table (id uuid, workspace_id uuid, account_id uuid)', `select b.id, b.workspace_id, b.account_id from booking b where b.key = booking_of_key.key`)}
      ${forAll('workspaces_with_calendars()', 'setof uuid', `select distinct workspace_id from booking_rules where is_on and busy_url is not null`)}`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop function workspaces_with_calendars();
      drop function booking_of_key(text);
      drop table booking;
      delete from message where person_id is null;
      alter table message drop column booking_id;
      alter table message alter column person_id set not null;
      drop table booking_rules;
      delete from change_log where action in ('booked', 'bookingMoved', 'bookingCalledOff');
      drop extension btree_gist;`);
  }
}
