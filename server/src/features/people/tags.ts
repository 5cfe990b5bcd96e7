import type { TagList, TagRename } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';

/** Each tag once, as it was first written. */
export function distinctTags(tags: readonly string[]): string[] {
  const seen = new Set<string>();
  return tags.filter((tag) => !seen.has(tag.toLowerCase()) && seen.add(tag.toLowerCase()));
}

/** All tags of people and occasions, the most used first. */
export function listTags(database: DataSource, { workspaceId }: SignedIn): Promise<TagList> {
  return inWorkspace(database, workspaceId, async (manager) => {
    const items = await manager.query<TagList['items']>(
      `select tag, count(person_id)::int as people
       from (select unnest(tags) as tag, id as person_id from person where workspace_id = $1 and deleted_at is null
             union all select unnest(tags), null from occasion where workspace_id = $1) used
       group by tag order by people desc, tag limit 500`,
      [workspaceId],
    );
    return { items };
  });
}

/** Gives a tag another word wherever it is; the word of another tag makes one of both. */
export function renameTag(database: DataSource, { workspaceId }: SignedIn, { from, to }: TagRename): Promise<void> {
  return inWorkspace(database, workspaceId, async (manager) => {
    for (const table of ['person', 'occasion']) {
      await manager.query(
        `update ${table} set ${table === 'person' ? 'version = version + 1, updated_at = now(), ' : ''}tags = (
           select coalesce(array_agg(tag order by first), '{}') from (
             select min(tag) as tag, min(place) as first
             from unnest(array_replace(tags, $2, $3)) with ordinality as t(tag, place)
             group by lower(tag)) once)
         where workspace_id = $1 and $2 = any(tags)`,
        [workspaceId, from, to],
      );
    }
  });
}
