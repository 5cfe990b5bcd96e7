import type { EntityManager } from 'typeorm';

export interface WhereRow {
  id: string;
  full_name: string;
  company: string | null;
  locality: string;
  postal_code: string;
  region: string;
  country: string;
}

/** Where people are, as their records say it, in the order of their ids. */
export const whereTheyAre = (
  manager: EntityManager,
  workspaceId: string,
  personIds: readonly string[],
): Promise<WhereRow[]> =>
  manager.query(
    `select p.id, p.full_name, job.company, p.locality, p.postal_code, p.region, p.country from person p
     left join lateral (select c.name as company from employment e join company c on c.workspace_id = $1 and c.id = e.company_id
       where e.workspace_id = $1 and e.person_id = p.id and e.ended_at is null limit 1) job on true
     where p.workspace_id = $1 and p.id = any($2::uuid[]) and p.deleted_at is null order by p.sort_name, p.id`,
    [workspaceId, personIds],
  );
