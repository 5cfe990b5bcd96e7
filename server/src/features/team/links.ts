import type { AccessLink as Told, Invitation, LinkHolder, LinkUsed } from '@dossier/contract';
import { IsNull, MoreThan, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { ProblemError } from '../../platform/problem';
import { hashSecret, newSecret } from '../../platform/secret';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { Account, endSessionsOf, hashPassword, openSession } from '../account';
import { AccessLink } from './entities';
import { useLink } from './queries';

const DAY_MS = 24 * 60 * 60 * 1000;
/** A forgotten password is set anew the same day; a colleague may be on holiday. */
const DAYS = { join: 7, password: 1 } as const;

/** Makes a link for somebody, in place of an earlier one. @param accountId whose password it sets; null for a new colleague */
export async function makeLink(
  manager: EntityManager,
  who: SignedIn,
  { name, email, role }: Invitation,
  accountId: string | null,
): Promise<Told> {
  const token = newSecret();
  const madeAt = new Date();
  const expiresAt = new Date(madeAt.getTime() + (accountId ? DAYS.password : DAYS.join) * DAY_MS);
  await manager.delete(AccessLink, { workspaceId: who.workspaceId, email, usedAt: IsNull() });
  await manager.insert(AccessLink, {
    id: uuidv7(),
    workspaceId: who.workspaceId,
    accountId,
    name,
    email,
    role,
    tokenHash: hashSecret(token),
    madeBy: who.accountId,
    madeAt,
    expiresAt,
  });
  // Behind the #: browsers send that to nobody.
  return { path: `/join#${token}`, endsAt: expiresAt.toISOString() };
}

/** Whom a link is for. @throws ProblemError 410 for one that opens nothing (any more) */
export async function holderOf(database: DataSource, token: string): Promise<LinkHolder> {
  const { accountId, workspace, maker, name, email } = await openLink(database, token);
  return {
    purpose: accountId ? 'password' : 'join',
    workspace: workspace!.name,
    name,
    email,
    madeBy: maker!.name,
  };
}

/**
 * Lets somebody in by their link, once.
 * @returns the cookie's token. @throws ProblemError 410 for a link that has ended, 409 for an address that signs in elsewhere
 */
export async function comeIn(database: DataSource, { token, name, password }: LinkUsed): Promise<string> {
  const { id: linkId, accountId, workspaceId, email, role } = await openLink(database, token);
  const passwordHash = await hashPassword(password);
  return inWorkspace(database, workspaceId, async (manager) => {
    if (!(await useLink(manager, workspaceId, linkId))) throw hasEnded();
    if (accountId) {
      await manager.update(Account, { id: accountId, workspaceId }, { passwordHash });
      await endSessionsOf(manager, accountId);
      return openSession(manager, accountId);
    }
    if (await manager.existsBy(Account, { email })) throw addressTaken();
    const id = uuidv7();
    await manager.insert(Account, { id, workspaceId, name, email, role, passwordHash });
    return openSession(manager, id);
  });
}

async function openLink(database: DataSource, token: string): Promise<AccessLink> {
  const link = await database.getRepository(AccessLink).findOne({
    where: { tokenHash: hashSecret(token), usedAt: IsNull(), expiresAt: MoreThan(new Date()) },
    relations: { workspace: true, maker: true },
  });
  if (!link) throw hasEnded();
  return link;
}

export const addressTaken = (): ProblemError =>
  new ProblemError(
    409,
    'address-taken',
    'Address in use',
    'Somebody signs in with this address already. Use another one, or ask for a link to set the password anew.',
    [{ path: 'email', message: 'Somebody signs in with this address already.' }],
  );

const hasEnded = (): ProblemError =>
  new ProblemError(
    410,
    'link-ended',
    'This link has ended',
    'This link was used, replaced or called off, or its time is over. Ask whoever gave it to you for a new one.',
  );
