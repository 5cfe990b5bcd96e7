import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * How often a word is taken to stand in lists that is not among the most frequent ones: as often as the rarest of those. With the hundred
 * that PostgreSQL keeps by default, a hundred rare words were taken for a fifth of all people, and the whole list was gone through for
 * them: eight seconds among a million. Of ten times as many it knows better, and asks the index.
 */
export class WordsWellKnown1780000000021 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table person_listing alter column words set statistics 1000; analyze person_listing;');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table person_listing alter column words set statistics -1; analyze person_listing;');
  }
}
