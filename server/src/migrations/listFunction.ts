import type { QueryRunner } from 'typeorm';

/** The places of facets in the numbers of marks: new ones come at the end. */
export const facetNumber = (facets: readonly string[]): string => `
create or replace function facet_number(facet text) returns bigint language sql immutable parallel safe as $$
  select array_position('{${facets.join(',')}}'::text[], facet)::bigint
$$;`;

/** Changes words of the function that keeps the lists in step, and leaves the rest of it as it is. @throws Error where they are not in it */
export async function listWith(
  runner: QueryRunner,
  ...changes: readonly (readonly [from: string, to: string])[]
): Promise<void> {
  const [{ def }] = (await runner.query(`select pg_get_functiondef('list_people_now(uuid[])'::regprocedure) as def`)) as [{ def: string }]; // prettier-ignore
  let changed = def;
  for (const [from, to] of changes) {
    if (!changed.includes(from)) throw new Error('The function that lists people is not the one that is known here.');
    changed = changed.replace(from, to);
  }
  await runner.query(changed);
}
