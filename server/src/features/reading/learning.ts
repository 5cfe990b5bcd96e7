import type { LearnedItem } from '@dossier/contract';
import type { Learned, LearnedAddress, LearnedFirm, Lesson } from '@dossier/core/reading';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { LearnedFact, LearnedSource } from './entities';

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
  for (const { kind, domain, key, value } of lessons) {
    const [fact] = await manager.query<{ id: string }[]>(
      `insert into learned_fact (id, workspace_id, kind, domain, key, value, times, card_id, actor_id, at)
       values ($1, $2, $3, $4, $5, $6, 1, $7, $8, now())
       on conflict (workspace_id, kind, domain, key) do update
         set at = excluded.at, card_id = excluded.card_id, actor_id = excluded.actor_id
       returning id`,
      [uuidv7(), workspaceId, kind, domain, key, JSON.stringify(value), cardId, accountId],
    );
    await manager.upsert(LearnedSource, { factId: fact!.id, cardId, personId, workspaceId }, ['factId', 'cardId']);
    await manager.query(COUNT_PEOPLE, [[fact!.id], workspaceId]);
  }
}

/** Takes back what these cards have taught; what others have taught too stays. */
export async function unlearn(manager: EntityManager, workspaceId: string, cardIds: readonly string[]): Promise<void> {
  const [gone] = await manager.query<[{ fact_id: string }[], number]>(
    `delete from learned_source where workspace_id = $1 and card_id = any($2) returning fact_id`,
    [workspaceId, cardIds],
  );
  const factIds = [...new Set(gone.map(({ fact_id }) => fact_id))];
  // What a person has revoked stays revoked, whoever teaches it again.
  await manager.query(
    `delete from learned_fact fact where workspace_id = $2 and id = any($1) and revoked_at is null
       and not exists (select from learned_source source where source.fact_id = fact.id)`,
    [factIds, workspaceId],
  );
  await manager.query(COUNT_PEOPLE, [factIds, workspaceId]);
}

/** Several cards of one person teach once: their direct number is not the firm's. */
const COUNT_PEOPLE = `
  update learned_fact fact set times = greatest(1, (
    select count(distinct source.person_id) from learned_source source where source.fact_id = fact.id))
  where fact.id = any($1) and fact.workspace_id = $2`;

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
    const rows = await manager.query<
      {
        id: string;
        kind: LearnedFact['kind'];
        domain: string;
        value: string | LearnedAddress;
        times: number;
        at: Date;
        actor: string;
        revoked: boolean;
      }[]
    >(
      `select fact.id, fact.kind, fact.domain, fact.value, fact.times, fact.at, account.name as actor,
              fact.revoked_at is not null as revoked
       from learned_fact fact join account on account.id = fact.actor_id
       order by fact.at desc, fact.id limit ${MOST_FACTS}`,
    );
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
