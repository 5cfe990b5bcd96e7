import type { MigrationInterface, QueryRunner } from 'typeorm';
import { listWith } from './listFunction';

const NOBODY = `if coalesce(cardinality(ids), 0) = 0 then return; end if;`;
/**
 * Two who write different records of the same person at once would each list them without what the other is about to commit, and the later
 * one would put the earlier one's marks back. Whoever lists somebody waits for the other first, and looks at the records only then; always
 * in the same order, so that neither waits for the other.
 */
const IN_TURN = `
  perform from person_listing where person_id = any(ids) order by person_id for update;`;

/** What lists tell of somebody is true also when two write about them at once. */
export class ListedInTurn1780000000043 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await listWith(runner, [NOBODY, `${NOBODY}${IN_TURN}`]);
    // Whoever was listed without something until now.
    await runner.query('select list_people_now(array(select id from person where deleted_at is null))');
  }

  async down(runner: QueryRunner): Promise<void> {
    await listWith(runner, [`${NOBODY}${IN_TURN}`, NOBODY]);
  }
}
