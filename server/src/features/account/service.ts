import type { PasswordChange, Session, SignIn, Team } from '@dossier/contract';
import { IsNull, LessThanOrEqual, MoreThan, type DataSource, type EntityManager } from 'typeorm';
import { ProblemError } from '../../platform/problem';
import { hashSecret, newSecret } from '../../platform/secret';
import type { Visitor } from '../../platform/session';
import { announceEnd } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Account, AccountSession } from './entities';
import { checkPassword, hashPassword } from './passwords';
import { SESSION_DAYS } from './sessionCookie';

const DAY_MS = 24 * 60 * 60 * 1000;

/** Names a session to other processes without opening it. */
export const sessionName = (token: string): string => hashSecret(token).toString('hex');

/**
 * @returns the cookie's token and who is signed in
 * @throws ProblemError 401 for a wrong address or password, 403 for an account that is out of use
 */
export async function signIn(
  database: DataSource,
  { email, password }: SignIn,
): Promise<{ token: string; session: Session }> {
  const account = await database.getRepository(Account).findOne({ where: { email }, relations: { workspace: true } });
  if (!(await checkPassword(account?.passwordHash, password)) || !account) {
    throw new ProblemError(
      401,
      'wrong-password',
      'Not signed in',
      'The e-mail address or the password is not right. Check both and try again.',
    );
  }
  if (account.outOfUseAt)
    throw new ProblemError(
      403,
      'out-of-use',
      'Out of use',
      'This account has been taken out of use. Ask whoever runs your team to take it back into use.',
    );
  return { token: await openSession(database.manager, account.id), session: describe(account) };
}

/** @returns the cookie's token */
export async function openSession(manager: EntityManager, accountId: string): Promise<string> {
  const token = newSecret();
  const createdAt = new Date();
  const expiresAt = new Date(createdAt.getTime() + SESSION_DAYS * DAY_MS);
  await manager.insert(AccountSession, { tokenHash: hashSecret(token), accountId, createdAt, expiresAt });
  return token;
}

/** @param but the name of the one that stays open */
export async function endSessionsOf(manager: EntityManager, accountId: string, but?: string): Promise<void> {
  const sessions = await manager.findBy(AccountSession, { accountId });
  for (const { tokenHash } of sessions) {
    const name = tokenHash.toString('hex');
    if (name === but) continue;
    await manager.delete(AccountSession, { tokenHash });
    await announceEnd(manager, name);
  }
}

/** Sets one's own password anew; whoever else was signed in as oneself is not any more. @throws ProblemError 403 for a wrong one */
export async function changePassword(
  database: DataSource,
  { accountId, workspaceId, session }: Visitor,
  { current, next }: PasswordChange,
): Promise<void> {
  const { passwordHash } = await database.getRepository(Account).findOneByOrFail({ id: accountId });
  if (!(await checkPassword(passwordHash, current)))
    throw new ProblemError(403, 'wrong-password', 'Not changed', 'The password you have now is another one.', [
      { path: 'current', message: 'This is not the password you have now.' },
    ]);
  const hashed = await hashPassword(next);
  await inWorkspace(database, workspaceId, async (manager) => {
    await manager.update(Account, { id: accountId }, { passwordHash: hashed });
    await endSessionsOf(manager, accountId, session);
  });
}

export async function findSession(database: DataSource, token: string): Promise<Session | undefined> {
  // Not findOne, which asks twice when relations are joined; this is asked with every request.
  const [session] = await database.getRepository(AccountSession).find({
    where: { tokenHash: hashSecret(token), expiresAt: MoreThan(new Date()), account: { outOfUseAt: IsNull() } },
    relations: { account: { workspace: true } },
  });
  return session?.account ? describe(session.account) : undefined;
}

export async function signOut(database: DataSource, token: string): Promise<void> {
  await database.transaction(async (manager) => {
    await manager.delete(AccountSession, { tokenHash: hashSecret(token) });
    await announceEnd(manager, sessionName(token));
  });
}

/** @param session its name */
export const isSessionOpen = (database: DataSource, session: string): Promise<boolean> =>
  database
    .getRepository(AccountSession)
    .existsBy({ tokenHash: Buffer.from(session, 'hex'), expiresAt: MoreThan(new Date()) });

/** @returns how many there were */
export async function removeExpiredSessions(database: DataSource): Promise<number> {
  const { affected } = await database.getRepository(AccountSession).delete({ expiresAt: LessThanOrEqual(new Date()) });
  return affected ?? 0;
}

/** Everybody in the workspace whose account is in use, by name. */
export async function listTeam(database: DataSource, workspaceId: string): Promise<Team> {
  const items = await database.getRepository(Account).find({
    where: { workspaceId, outOfUseAt: IsNull() },
    select: { id: true, name: true, role: true },
    order: { name: 'ASC', id: 'ASC' },
  });
  return { items };
}

export const describe = ({ id, name, email, role, workspace }: Account): Session => ({
  user: { id, name, email, role },
  workspace: {
    id: workspace!.id,
    name: workspace!.name,
    country: workspace!.country,
    languages: workspace!.languages,
    keepPictures: workspace!.keepPictures,
    keepDays: workspace!.keepDays,
    clearAt: workspace!.clearAt?.toISOString() ?? null,
    ownFields: workspace!.ownFields,
    filesItself: workspace!.filesItself,
    ratings: workspace!.ratings,
    leadStatuses: workspace!.leadStatuses,
    closeReasons: workspace!.closeReasons,
    figures: workspace!.figures,
    limits: { same: workspace!.sameFrom, perhaps: workspace!.perhapsFrom },
  },
});
