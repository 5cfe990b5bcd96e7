import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What lists of leads and figures look at of everybody stands whole in an index: rows are only read of those who are shown. */
export class ReadFromIndexes1780000000042 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop index change_log_person;
      create index change_log_person on change_log (person_id, at) include (workspace_id);
      drop index person_leads;
      create index person_leads on person (workspace_id, owner_id) include (id, created_at) where kind = 'lead' and deleted_at is null and closed is null;
      create index contact_point_mailboxes on contact_point (workspace_id, person_id) where kind = 'email';
      create index person_listing_unwritten on person_listing (workspace_id, owner_id) include (person_id) where written_at is null;`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop index person_listing_unwritten, contact_point_mailboxes, person_leads, change_log_person;
      create index person_leads on person (workspace_id, owner_id) where kind = 'lead' and deleted_at is null and closed is null;
      create index change_log_person on change_log (person_id, at);`);
  }
}
