import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ofWorkspace } from './ofWorkspace';

/** Where places are that a team has named itself. */
export class OwnPlaces1780000000041 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table own_place (
        id uuid not null,
        workspace_id uuid not null,
        country text not null,
        town text not null,
        postal text not null,
        label text not null,
        postal_label text not null,
        lat double precision not null,
        lon double precision not null,
        made_by uuid,
        constraint own_place_pkey primary key (id)
      );
      create unique index own_place_once on own_place (workspace_id, country, town, postal);
      create index own_place_maker on own_place (made_by);
      alter table own_place add constraint own_place_maker_fk foreign key (made_by) references account(id) on delete set null;
      ${ofWorkspace('own_place')}`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table own_place');
  }
}
