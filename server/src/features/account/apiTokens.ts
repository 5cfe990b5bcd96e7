import type { ApiTokens, NewToken, TokenMade } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../platform/problem';
import { hashSecret, newSecret } from '../../platform/secret';
import type { SignedIn } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Account, ApiTokenRecord } from './entities';
import { useApiToken, type UsedToken } from './queries';
import { Workspace } from './workspace';

/** Found at once by whoever looks for secrets where there should be none. */
const BEGINNING = 'dossier_';
const MOST_TOKENS = 200;

/** @throws ProblemError 400 for an end that is past, 409 when there are too many */
export function makeToken(database: DataSource, who: SignedIn, wanted: NewToken): Promise<TokenMade> {
  const madeAt = new Date();
  const endsAt = wanted.endsAt ? new Date(wanted.endsAt) : null;
  if (endsAt && endsAt <= madeAt)
    throw new ProblemError(400, 'invalid-request', 'Not possible', 'Choose an end that lies ahead.', [
      { path: 'endsAt', message: 'This is past.' },
    ]);
  return inWorkspace(database, who.workspaceId, async (manager) => {
    if ((await manager.countBy(ApiTokenRecord, { workspaceId: who.workspaceId })) >= MOST_TOKENS)
      throw new ProblemError(
        409,
        'too-many',
        'Too many',
        'There are too many tokens. Revoke those that are of no use.',
      );
    const token = BEGINNING + newSecret();
    const id = uuidv7();
    await manager.insert(ApiTokenRecord, {
      ...who,
      id,
      name: wanted.name,
      tokenHash: hashSecret(token),
      scopes: wanted.scopes,
      perMinute: wanted.perMinute,
      madeAt,
      endsAt,
      lastUsedAt: null,
    });
    return { id, token };
  });
}

/** Also those that have ended: the latest first. */
export const listTokens = (database: DataSource, { workspaceId }: SignedIn): Promise<ApiTokens> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const records = await manager.find(ApiTokenRecord, {
      where: { workspaceId },
      relations: { account: true },
      order: { madeAt: 'DESC', id: 'DESC' },
    });
    return {
      items: records.map(({ id, name, scopes, perMinute, account, madeAt, endsAt, lastUsedAt }) => ({
        id,
        name,
        scopes,
        perMinute,
        by: account?.name ?? '',
        madeAt: madeAt.toISOString(),
        endsAt: endsAt?.toISOString() ?? null,
        lastUsedAt: lastUsedAt?.toISOString() ?? null,
      })),
    };
  });

/** It lets nobody in from now on. @throws ProblemError 404 */
export const revokeToken = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.delete(ApiTokenRecord, { id, workspaceId });
    if (!affected) throw notFound('This token');
  });

/** Whom a token lets in, and what it may do; undefined for one that is none (any more). */
export async function holderOfToken(
  database: DataSource,
  token: string,
): Promise<{ account: Account; token: UsedToken } | undefined> {
  if (!token.startsWith(BEGINNING)) return undefined;
  const used = await useApiToken(database, hashSecret(token));
  const [account] = used
    ? await database.getRepository(Account).find({ where: { id: used.account_id }, relations: { workspace: true } })
    : [];
  return used && account ? { account, token: used } : undefined;
}

export async function allowedOrigins(database: DataSource, { workspaceId }: SignedIn): Promise<string[]> {
  return (await database.getRepository(Workspace).findOneByOrFail({ id: workspaceId })).allowedOrigins;
}
