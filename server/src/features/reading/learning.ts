import type { LearnedItem } from '@dossier/contract';
import type { Learned, LearnedAddress, LearnedFirm, Lesson } from '@dossier/core/reading';
import type { DataSource, EntityManager } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { LearnedFact, LearnedSource } from './entities';
import { countPeople, factsOf, forgetSources, forgetUntaught, rememberFact } from './queries';

/** A number is the firm's own when it was filed from the cards of so many people. */
const SHARED_BY = 2;
const MOST_FACTS = 5_000;

/** Keeps what the proved card of a person teaches; what was learned before is counted by people, what a person has revoked stays so. */
export async function learn(
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  { cardId, personId }: { cardId: string; personId: string },
  lessons: readonly Lesson[],
): Promise<void> {
  for (const lesson of lessons) {
    const factId = await rememberFact(manager, workspaceId, lesson, { cardId, actorId: accountId });
    await manager.upsert(LearnedSource, { factId, cardId, personId, workspaceId }, ['factId', 'cardId']);
    await countPeople(manager, workspaceId, [factId]);
  }
}

/** Takes back what these cards have taught; what others have taught too stays. */
export async function unlearn(manager: EntityManager, workspaceId: string, cardIds: readonly string[]): Promise<void> {
  const factIds = await forgetSources(manager, workspaceId, cardIds);
  await forgetUntaught(manager, workspaceId, factIds);
  await countPeople(manager, workspaceId, factIds);
}

/** What the workspace's corrections say about the next card. */
export async function learnedIn(manager: EntityManager): Promise<Learned> {
  const facts = await manager
    .createQueryBuilder(LearnedFact, 'fact')
    .where('fact.revokedAt is null')
    .orderBy('fact.at', 'DESC')
    .limit(MOST_FACTS)
    .getMany();
  const firms: Record<string, LearnedFirm & { phones: string[]; addresses: LearnedAddress[] }> = {};
  const titleWords: string[] = [];
  for (const { kind, domain, value, times } of facts) {
    if (kind === 'title') {
      titleWords.push(value as string);
      continue;
    }
    const firm = (firms[domain] ??= { phones: [], addresses: [] });
    // The latest spelling comes first.
    if (kind === 'company') firm.company ??= value as string;
    else if (kind === 'phone' && times >= SHARED_BY) firm.phones.push(value as string);
    else if (kind === 'address') firm.addresses.push(value as LearnedAddress);
  }
  return { firms, titleWords };
}

/** All that was learned, latest first, revoked facts included. */
export function listLearned(database: DataSource, who: SignedIn): Promise<LearnedItem[]> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const rows = await factsOf(manager, who.workspaceId, MOST_FACTS);
    return rows.map(({ value, at, ...row }) => ({
      ...row,
      text: typeof value === 'string' ? value : `${value.street}, ${value.postalCode} ${value.locality}`,
      at: at.toISOString(),
    }));
  });
}

/** @throws ProblemError 404 for a fact that is not here */
export function revokeLearned(database: DataSource, who: SignedIn, id: string, revoked: boolean): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { affected } = await manager.update(LearnedFact, { id }, { revokedAt: revoked ? new Date() : null });
    if (!affected) throw notFound('What was learned');
  });
}
