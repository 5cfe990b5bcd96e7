import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
alter table card add draft jsonb;
alter table card add draft_version integer not null default 0;
alter table card add draft_by uuid;
alter table card add draft_at timestamptz;

alter table person add more jsonb not null default '[]';
alter table workspace add own_fields text array not null default '{}';
grant update (own_fields) on workspace to dossier_serving;
`;

/** What people have made of cards before they are filed, and fields of a workspace's own. */
export class ProofDesk1780000000004 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(): Promise<void> {
    throw new Error('What people have settled would be lost: drop the database instead.');
  }
}
