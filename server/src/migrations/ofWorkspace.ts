/**
 * A table whose rows belong to a workspace, which is asked for once for a statement. For tables from here on: what earlier migrations
 * made stays as they made it.
 */
export const ofWorkspace = (table: string): string => `
alter table ${table} add constraint ${table}_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving
  using (workspace_id = (select nullif(current_setting('dossier.workspace', true), '')::uuid));
grant select, insert, update, delete on ${table} to dossier_serving;
`;
