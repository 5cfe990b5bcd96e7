import type { EntityManager } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { logEach } from './changes/queries';
import { loadFields } from './loadFields';
import { saveKeysOf } from './matchKeys';
import { touchPeople } from './queries';

const AT_ONCE = 500;

/** People whose firm is another one, or is called otherwise: their records, what they match by and their histories say so. */
export async function tellOfFirm(
  manager: EntityManager,
  who: SignedIn,
  personIds: readonly string[],
  before: string,
  after: string,
): Promise<void> {
  const at = new Date();
  const changes = [{ field: 'company', before, after }];
  for (let i = 0; i < personIds.length; i += AT_ONCE) {
    const ids = personIds.slice(i, i + AT_ONCE);
    await touchPeople(manager, who.workspaceId, ids, at);
    const people = await loadFields(manager, ids);
    await saveKeysOf(manager, who.workspaceId, [...people].map(([id, { fields }]) => [id, fields] as const)); // prettier-ignore
    await logEach(manager, who, ids.map((personId) => ({ personId, action: 'edited', changes })), at); // prettier-ignore
  }
}
