import type { TagList, TagRename } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { replaceTag, tagsInUse } from './queries';

/** Each tag once, as it was first written. */
export function distinctTags(tags: readonly string[]): string[] {
  const seen = new Set<string>();
  return tags.filter((tag) => !seen.has(tag.toLowerCase()) && seen.add(tag.toLowerCase()));
}

/** All tags of people and occasions, the most used first. */
export function listTags(database: DataSource, { workspaceId }: SignedIn): Promise<TagList> {
  return inWorkspace(database, workspaceId, async (manager) => ({ items: await tagsInUse(manager, workspaceId) }));
}

/** Gives a tag another word wherever it is; the word of another tag makes one of both. */
export function renameTag(database: DataSource, { workspaceId }: SignedIn, { from, to }: TagRename): Promise<void> {
  return inWorkspace(database, workspaceId, (manager) => replaceTag(manager, workspaceId, from, to));
}
