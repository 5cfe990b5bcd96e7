import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Which workspace the connection works in; asked in a query of its own, it is asked once for a statement. */
const ASKED = `(nullif(current_setting('dossier.workspace'::text, true), ''::text))::uuid`;

const rewritten = (to: string): string => `
do $$
declare one record;
begin
  for one in select tablename, policyname, qual, with_check from pg_policies where schemaname = 'public'
      and coalesce(qual, with_check) like '(workspace_id = %dossier.workspace%' loop
    execute format('alter policy %I on %I', one.policyname, one.tablename)
      || case when one.qual is null then '' else ' using (workspace_id = ${to.replaceAll("'", "''")})' end
      || case when one.with_check is null then '' else ' with check (workspace_id = ${to.replaceAll("'", "''")})' end;
  end loop;
end $$;`;

/** See docs/decisions/searching-under-row-security.md. */
export class WorkspaceAskedOnce1780000000039 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(rewritten(`(select ${ASKED})`));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(rewritten(ASKED));
  }
}
