import type { Company as CompanyView, CompanyAct as ActView } from '@dossier/contract';
import { firmFacts } from '@dossier/core/people/firm';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { Company, currentOf, loadFields } from '../people';
import { CompanyAct, CompanyNote } from './entities';
import { familyOf, spellingsOf, staffOf, type StaffRow } from './queries';

/** So many people are shown on the page of a firm, and looked at for what they share; the list of people has all. */
const SHOWN = 300;
const ACTS = 100;

/** A firm with its people and what they tell of it; one that has become another one is that one. @throws ProblemError 404 */
export const loadCompany = (database: DataSource, who: SignedIn, id: string): Promise<CompanyView> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const { workspaceId } = who;
    const wanted = await manager.findOneBy(Company, { id, workspaceId });
    if (!wanted) throw notFound('This firm');
    const company = await currentOf(manager, wanted);
    const family = await familyOf(manager, workspaceId, company.id);
    const present = await staffOf(manager, workspaceId, company.id, 'present', SHOWN);
    const former = await staffOf(manager, workspaceId, company.id, 'former', SHOWN);
    const fields = await loadFields(manager, present.map((row) => row.id)); // prettier-ignore
    const facts = firmFacts([...fields.values()].map((loaded) => loaded.fields));
    const notes = await manager.find(CompanyNote, {
      where: { companyId: In(family) },
      relations: { author: true },
      order: { at: 'DESC', id: 'DESC' },
    });
    const { name, version } = company;
    const spellings = await spellingsOf(manager, workspaceId, family);
    return {
      id: company.id,
      name,
      version,
      otherNames: spellings.filter((spelling) => spelling !== name),
      present: present.map(somebody),
      presentTotal: present[0]?.total ?? 0,
      former: former.map(somebody),
      formerTotal: former[0]?.total ?? 0,
      domains: facts.domains,
      phones: facts.phones,
      websites: facts.websites,
      addresses: facts.addresses.map(({ value, people }) => ({ ...value, people })),
      notes: notes.map((note) => ({
        id: note.id,
        text: note.text,
        author: note.author?.name ?? '',
        authorId: note.authorId,
        at: note.at.toISOString(),
        changedAt: note.changedAt?.toISOString() ?? null,
      })),
      history: await historyOf(manager, company.id, family),
    };
  });

const somebody = (row: StaffRow) => ({
  id: row.id,
  fullName: row.full_name,
  title: row.title,
  cardId: row.card_id,
  endedAt: row.ended_at?.toISOString() ?? null,
});

async function historyOf(manager: EntityManager, id: string, family: readonly string[]): Promise<ActView[]> {
  const acts = await manager.find(CompanyAct, {
    where: [{ companyId: In([...family]) }, { otherId: In([...family]) }],
    relations: { actor: true, other: true },
    order: { at: 'DESC', id: 'DESC' },
    take: ACTS,
  });
  return acts.map((act) => {
    const isOwn = family.includes(act.companyId);
    const isThere = act.undoneAt === null && act.otherId !== null;
    return {
      id: act.id,
      at: act.at.toISOString(),
      by: act.actor?.name ?? '',
      action: act.action === 'moved' ? (isOwn ? 'peopleLeft' : 'peopleCame') : act.action,
      before: act.before,
      after: act.after,
      people: act.employmentIds.length,
      otherId: isOwn ? act.otherId : act.companyId,
      undoneAt: act.undoneAt?.toISOString() ?? null,
      // Firms are parted again the last one first.
      canUndo: isThere && (act.action === 'merged' ? act.companyId === id && act.other?.mergedInto === id : act.action === 'moved'), // prettier-ignore
    };
  });
}
