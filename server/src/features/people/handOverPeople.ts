import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../platform/session';
import { logOwners, setOwners } from './queries';

interface Colleague {
  id: string;
  name: string;
}

/** Gives everybody whom one colleague looks after to another, also those who are deleted and may come back. @returns how many */
export async function handOverPeople(
  manager: EntityManager,
  who: SignedIn,
  from: Colleague,
  to: Colleague,
): Promise<number> {
  const at = new Date();
  const personIds = await setOwners(manager, who.workspaceId, from.id, to.id, at);
  await logOwners(manager, who, {
    ids: personIds.map(() => uuidv7()),
    personIds,
    changes: [{ field: 'owner', before: from.name, after: to.name }],
    at,
  });
  return personIds.length;
}
