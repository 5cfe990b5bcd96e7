import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Pictures are compressed already; PostgreSQL's own attempt took longer than all else of keeping one (measured). */
export class PicturesAsTheyCome1780000000007 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table stored_file alter bytes set storage external');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table stored_file alter bytes set storage extended');
  }
}
