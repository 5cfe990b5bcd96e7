import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Where the mark of a firm stands on a card, once somebody wanted to know. */
export class Logos1780000000018 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table card add column logo jsonb');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table card drop column logo');
  }
}
