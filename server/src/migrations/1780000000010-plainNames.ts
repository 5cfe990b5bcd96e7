import type { MigrationInterface, QueryRunner } from 'typeorm';

const COLUMN = { from: 'glance_at', to: 'filed_by_itself_at' };
const CONSTRAINTS = ['pkey', 'workspace_fk', 'person_fk'];
const INDEXES = ['person', 'key'];

/** Tables and columns by the field's own terms: ways to reach somebody are contact points. */
export class PlainNames1780000000010 implements MigrationInterface {
  up(runner: QueryRunner): Promise<void> {
    return rename(runner, 'reach', 'contact_point', COLUMN);
  }

  down(runner: QueryRunner): Promise<void> {
    return rename(runner, 'contact_point', 'reach', { from: COLUMN.to, to: COLUMN.from });
  }
}

async function rename(runner: QueryRunner, from: string, to: string, column: typeof COLUMN): Promise<void> {
  await runner.query(`alter table ${from} rename to ${to}`);
  for (const name of CONSTRAINTS)
    await runner.query(`alter table ${to} rename constraint ${from}_${name} to ${to}_${name}`);
  for (const name of INDEXES) await runner.query(`alter index ${from}_${name} rename to ${to}_${name}`);
  await runner.query(`alter policy ${from}_of_workspace on ${to} rename to ${to}_of_workspace`);
  await runner.query(`alter table person rename column ${column.from} to ${column.to}`);
}
