import type { LearnedAddress, Lesson } from '@dossier/core/reading';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { LearnedFact } from './entities';

/** A job of the queue that is not done; the queue is everybody's. */
export async function jobOfKey(database: DataSource, key: string): Promise<{ last_error: string | null } | undefined> {
  const [job] = await database.query<{ last_error: string | null }[]>(
    'select last_error from graphile_worker.jobs where key = $1',
    [key],
  );
  return job;
}

/** Keeps a fact, or renews it. @returns its id */
export async function rememberFact(
  manager: EntityManager,
  workspaceId: string,
  { kind, domain, key, value }: Lesson,
  { cardId, actorId }: { cardId: string; actorId: string },
): Promise<string> {
  const [fact] = await manager.query<{ id: string }[]>(
    `insert into learned_fact (id, workspace_id, kind, domain, key, value, times, card_id, actor_id, at)
     values ($1, $2, $3, $4, $5, $6, 1, $7, $8, now())
     on conflict (workspace_id, kind, domain, key) do update
       set at = excluded.at, card_id = excluded.card_id, actor_id = excluded.actor_id
     returning id`,
    [uuidv7(), workspaceId, kind, domain, key, JSON.stringify(value), cardId, actorId],
  );
  return fact!.id;
}

/** @returns ids of the facts that these cards have taught */
export async function forgetSources(
  manager: EntityManager,
  workspaceId: string,
  cardIds: readonly string[],
): Promise<string[]> {
  const [gone] = await manager.query<[{ fact_id: string }[], number]>(
    `delete from learned_source where workspace_id = $1 and card_id = any($2) returning fact_id`,
    [workspaceId, cardIds],
  );
  return [...new Set(gone.map(({ fact_id }) => fact_id))];
}

/** Removes those of these facts that no card teaches any more. What a person has revoked stays revoked, whoever teaches it again. */
export const forgetUntaught = (
  manager: EntityManager,
  workspaceId: string,
  factIds: readonly string[],
): Promise<unknown> =>
  manager.query(
    `delete from learned_fact fact where workspace_id = $1 and id = any($2) and revoked_at is null
       and not exists (select from learned_source source where source.workspace_id = $1 and source.fact_id = fact.id)`,
    [workspaceId, factIds],
  );

/** Several cards of one person teach once: their direct number is not the firm's. */
export const countPeople = (
  manager: EntityManager,
  workspaceId: string,
  factIds: readonly string[],
): Promise<unknown> =>
  manager.query(
    `update learned_fact fact set times = greatest(1, (
       select count(distinct source.person_id) from learned_source source
       where source.workspace_id = $1 and source.fact_id = fact.id))
     where fact.workspace_id = $1 and fact.id = any($2)`,
    [workspaceId, factIds],
  );

interface FactRow {
  id: string;
  kind: LearnedFact['kind'];
  domain: string;
  value: string | LearnedAddress;
  times: number;
  at: Date;
  actor: string;
  revoked: boolean;
}

/** All that was learned, latest first, revoked facts included. */
export const factsOf = (manager: EntityManager, workspaceId: string, most: number): Promise<FactRow[]> =>
  manager.query(
    `select fact.id, fact.kind, fact.domain, fact.value, fact.times, fact.at, account.name as actor,
            fact.revoked_at is not null as revoked
     from learned_fact fact join account on account.workspace_id = $1 and account.id = fact.actor_id
     where fact.workspace_id = $1
     order by fact.at desc, fact.id limit $2`,
    [workspaceId, most],
  );

/** Cards that are not filed yet become somebody else's. @returns how many */
export async function handOverCards(
  manager: EntityManager,
  { workspaceId, from, to }: { workspaceId: string; from: string; to: string },
): Promise<number> {
  const [, count] = await manager.query<[unknown[], number]>(
    `with own as (
       select id from card where workspace_id = $1 and made_by = $2 and state not in ('filed', 'discarded') order by id for update)
     update card set made_by = $3 from own where card.workspace_id = $1 and card.id = own.id`,
    [workspaceId, from, to],
  );
  return count;
}
