import type { AccessLink as Told, HandedOver, Invitation, Members } from '@dossier/contract';
import { may, mayGive, type Role } from '@dossier/core/account';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { notFound, ProblemError } from '../../platform/problem';
import type { Visitor } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Account, endSessionsOf } from '../account';
import { AccessLink } from './entities';
import { handOver } from './handOver';
import { addressTaken, makeLink } from './links';
import { lockTeam, peopleByOwner } from './queries';

/** The team as those in charge see it: who is in it, who was, and who is invited. */
export function listMembers(database: DataSource, { workspaceId }: Visitor): Promise<Members> {
  return inSnapshot(database, workspaceId, async (manager) => {
    const accounts = await manager.find(Account, { where: { workspaceId }, order: { name: 'ASC', id: 'ASC' } });
    const owns = new Map((await peopleByOwner(manager, workspaceId)).map(({ id, people }) => [id, people]));
    const invited = await manager.find(AccessLink, {
      where: { workspaceId, accountId: IsNull(), usedAt: IsNull() },
      order: { madeAt: 'ASC' },
    });
    const now = new Date();
    return {
      members: accounts.map(({ id, name, email, role, outOfUseAt }) => ({
        id,
        name,
        email,
        role,
        outOfUseAt: outOfUseAt?.toISOString() ?? null,
        owns: owns.get(id) ?? 0,
      })),
      invited: invited.map(({ id, name, email, role, expiresAt }) => ({
        id,
        name,
        email,
        role,
        endsAt: expiresAt.toISOString(),
        hasEnded: expiresAt <= now,
      })),
    };
  });
}

/** Invites a colleague; inviting the same address again makes a new link and ends the old one. */
export function invite(database: DataSource, who: Visitor, invitation: Invitation): Promise<Told> {
  return decide(database, who, async (manager, role) => {
    requireMayGive(role, invitation.role);
    if (await manager.existsBy(Account, { workspaceId: who.workspaceId, email: invitation.email }))
      throw addressTaken();
    return makeLink(manager, who, invitation, null);
  });
}

/** Ends an invitation; one that is not there any more is ended already. */
export function callOff(database: DataSource, who: Visitor, id: string): Promise<void> {
  return decide(database, who, async (manager) => {
    const where = { id, workspaceId: who.workspaceId, accountId: IsNull(), usedAt: IsNull() };
    const { affected } = await manager.delete(AccessLink, where);
    if (!affected) throw notFound('This invitation');
  });
}

/** A link for somebody who has forgotten their password. */
export function linkForPassword(database: DataSource, who: Visitor, id: string): Promise<Told> {
  return changeColleague(database, who, id, async (manager, colleague) => {
    if (colleague.outOfUseAt) throw isOutOfUse();
    return makeLink(manager, who, colleague, colleague.id);
  });
}

export function changeRole(database: DataSource, who: Visitor, id: string, to: Role): Promise<void> {
  return changeColleague(database, who, id, async (manager, colleague, role) => {
    requireMayGive(role, to);
    await manager.update(Account, { id: colleague.id }, { role: to });
    await endLinksBy(manager, colleague.id);
  });
}

/**
 * Takes an account out of use: it lets nobody in any more, and what it owns goes to a colleague.
 * @throws ProblemError 404 for nobody to hand it to
 */
export function takeOutOfUse(database: DataSource, who: Visitor, id: string, handTo: string): Promise<HandedOver> {
  return changeColleague(database, who, id, async (manager, colleague) => {
    const taker = await manager.findOneBy(Account, {
      id: handTo,
      workspaceId: who.workspaceId,
      outOfUseAt: IsNull(),
    });
    if (!taker || taker.id === colleague.id) throw notFound('The colleague who is to take it over');
    await manager.update(Account, { id: colleague.id }, { outOfUseAt: new Date() });
    await manager.delete(AccessLink, { accountId: colleague.id, usedAt: IsNull() });
    await endLinksBy(manager, colleague.id);
    await endSessionsOf(manager, colleague.id);
    return handOver(manager, who, colleague, taker);
  });
}

/** Lets somebody in again; what was handed over stays where it is. */
export function takeBackIntoUse(database: DataSource, who: Visitor, id: string): Promise<void> {
  return changeColleague(database, who, id, async (manager, colleague) => {
    await manager.update(Account, { id: colleague.id }, { outOfUseAt: null });
  });
}

/** What somebody has given out counts no longer than their word does: nobody leaves a way back in behind. */
const endLinksBy = (manager: EntityManager, accountId: string): Promise<unknown> =>
  manager.delete(AccessLink, { madeBy: accountId, usedAt: IsNull() });

/** One decision about the team at a time, by somebody who is in charge at that moment. */
function decide<T>(
  database: DataSource,
  who: Visitor,
  work: (manager: EntityManager, role: Role) => Promise<T>,
): Promise<T> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await lockTeam(manager, who.workspaceId);
    const own = await manager.findOneBy(Account, { id: who.accountId, outOfUseAt: IsNull() });
    if (!own || !may(own.role, 'invite')) throw notYours();
    return work(manager, own.role);
  });
}

/** Somebody else: nobody takes themselves out, so that always somebody is in charge. */
function changeColleague<T>(
  database: DataSource,
  who: Visitor,
  id: string,
  work: (manager: EntityManager, colleague: Account, role: Role) => Promise<T>,
): Promise<T> {
  return decide(database, who, async (manager, role) => {
    const colleague = await manager.findOneBy(Account, { id, workspaceId: who.workspaceId });
    if (!colleague) throw notFound('This colleague');
    if (colleague.id === who.accountId)
      throw new ProblemError(
        409,
        'oneself',
        'Not for oneself',
        'You cannot change your own account here. Ask another manager or administrator.',
      );
    requireMayGive(role, colleague.role);
    return work(manager, colleague, role);
  });
}

function requireMayGive(role: Role, given: Role): void {
  if (!mayGive(role, given))
    throw new ProblemError(
      403,
      'not-for-your-role',
      'Not yours to do',
      'Administrators are made and changed by administrators only.',
    );
}

const notYours = (): ProblemError =>
  new ProblemError(403, 'not-for-your-role', 'Not yours to do', 'Your role in this team does not include that.');

const isOutOfUse = (): ProblemError =>
  new ProblemError(409, 'out-of-use', 'Out of use', 'This account is out of use. Take it back into use first.');
