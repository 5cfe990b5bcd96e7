import { createHash, randomBytes } from 'node:crypto';
import type { Session, SignIn, Team } from '@dossier/contract';
import { LessThanOrEqual, MoreThan, type DataSource } from 'typeorm';
import { ProblemError } from '../../platform/problem';
import { announceEnd } from '../../platform/trayEvents';
import { Account, AccountSession } from './entities';
import { checkPassword } from './passwords';

export const SESSION_DAYS = 30;
const DAY_MS = 24 * 60 * 60 * 1000;

/** Names a session to other processes without opening it. */
export const sessionName = (token: string): string => hashToken(token).toString('hex');

const hashToken = (token: string): Buffer => createHash('sha256').update(token).digest();

/** @returns the cookie's token and who is signed in. @throws ProblemError 401 for a wrong address or password */
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
  const token = randomBytes(32).toString('base64url');
  const now = new Date();
  await database.getRepository(AccountSession).insert({
    tokenHash: hashToken(token),
    accountId: account.id,
    createdAt: now,
    expiresAt: new Date(now.getTime() + SESSION_DAYS * DAY_MS),
  });
  return { token, session: describe(account) };
}

export async function findSession(database: DataSource, token: string): Promise<Session | undefined> {
  // Not findOne, which asks twice when relations are joined; this is asked with every request.
  const [session] = await database.getRepository(AccountSession).find({
    where: { tokenHash: hashToken(token), expiresAt: MoreThan(new Date()) },
    relations: { account: { workspace: true } },
  });
  return session?.account ? describe(session.account) : undefined;
}

export async function signOut(database: DataSource, token: string): Promise<void> {
  await database.transaction(async (manager) => {
    await manager.delete(AccountSession, { tokenHash: hashToken(token) });
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

/** Everybody in the workspace, by name. */
export async function listTeam(database: DataSource, workspaceId: string): Promise<Team> {
  const items = await database.getRepository(Account).find({
    where: { workspaceId },
    select: { id: true, name: true, role: true },
    order: { name: 'ASC', id: 'ASC' },
  });
  return { items };
}

const describe = ({ id, name, email, role, workspace }: Account): Session => ({
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
    limits: { same: workspace!.sameFrom, perhaps: workspace!.perhapsFrom },
  },
});
