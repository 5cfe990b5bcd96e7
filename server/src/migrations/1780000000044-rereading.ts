import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * A card is read twice in two ways: what was seen the second time, and whether that is still to come. Beside the cards of a photograph there
 * may lie another one.
 */
export class Rereading1780000000044 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      alter table card add again jsonb, add reread_due boolean not null default false;
      update card set reread_due = true
        where state in ('toProve', 'setAside', 'attached') and photo_id is not null and file_id is not null and quad is not null;
      create index card_reread_due on card (workspace_id) where reread_due;
      alter table photo add perhaps jsonb;
      create index photo_perhaps on photo (workspace_id) where perhaps is not null;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop index card_reread_due, photo_perhaps;
      alter table photo drop column perhaps;
      alter table card drop column again, drop column reread_due;`);
  }
}
