import type { ListedCompany } from '@dossier/contract';
import { addressOnOneLine } from '@dossier/core/exchange/files';
import type { TakenCompany } from '@dossier/core/exchange/companies';
import { firmFacts } from '@dossier/core/people/firm';
import type { EntityManager } from 'typeorm';
import { loadFields } from '../people';
import { firmsInFull } from './queries';

/** What firms share is judged by so many of their people; so many notes go out with each. */
const AT_MOST = { people: 50, notes: 50 };

/** A firm as it goes out, but for its business; and those that became it, with itself. */
export type TakenFirm = Omit<TakenCompany, 'open' | 'won'> & { members: string[] };

/** Firms of a list as they go out. */
export async function takenFirms(
  manager: EntityManager,
  workspaceId: string,
  listed: readonly ListedCompany[],
): Promise<TakenFirm[]> {
  const full = await firmsInFull(manager, workspaceId, listed.map(({ id }) => id), AT_MOST); // prettier-ignore
  const byId = new Map(full.map((firm) => [firm.id, firm]));
  const fields = await loadFields(manager, full.flatMap(({ staff }) => staff)); // prettier-ignore
  return listed.flatMap(({ id, name, people, town }) => {
    const firm = byId.get(id);
    if (!firm) return [];
    const facts = firmFacts(firm.staff.flatMap((personId) => fields.get(personId)?.fields ?? []));
    const values = (of: readonly { value: string }[]) => of.map(({ value }) => value);
    const { members, names: otherNames, notes } = firm;
    const addresses = facts.addresses.map(({ value }) => addressOnOneLine(value)).filter(Boolean);
    return [{ id, name, people, town, otherNames, notes, members, domains: values(facts.domains), phones: values(facts.phones), websites: values(facts.websites), addresses }]; // prettier-ignore
  });
}
