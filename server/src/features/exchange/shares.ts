import type { SharedPerson, ShareMade, Shares } from '@dossier/contract';
import { IsNull, LessThan, MoreThan, type DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../platform/problem';
import { hashSecret, newSecret } from '../../platform/secret';
import type { SignedIn } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { loadPerson, log, Person } from '../people';
import { ShareLink } from './entities';
import { openShare } from './queries';

const DAY_MS = 24 * 60 * 60 * 1000;
const KEPT_AFTER_END_DAYS = 30;

/** Makes a link that shows what stands on somebody's card. @throws ProblemError 404 */
export function share(database: DataSource, who: SignedIn, personId: string, days: number): Promise<ShareMade> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { workspaceId, accountId: madeBy } = who;
    if (!(await manager.existsBy(Person, { id: personId, workspaceId, deletedAt: IsNull() })))
      throw notFound('This person');
    const [id, token, madeAt] = [uuidv7(), newSecret(), new Date()];
    const endsAt = new Date(madeAt.getTime() + days * DAY_MS);
    const tokenHash = hashSecret(token);
    await manager.insert(ShareLink, { id, workspaceId, personId, tokenHash, madeBy, madeAt, endsAt, openedAt: null });
    await log(manager, who, { personId, action: 'shared', at: madeAt });
    // Behind the #: browsers send that to nobody.
    return { id, path: `/shared#${token}`, endsAt: endsAt.toISOString() };
  });
}

/** Links to somebody that still open, the latest first. @throws ProblemError 404 */
export function listShares(database: DataSource, { workspaceId }: SignedIn, personId: string): Promise<Shares> {
  return inSnapshot(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(Person, { id: personId, workspaceId }))) throw notFound('This person');
    const links = await manager.find(ShareLink, {
      where: { workspaceId, personId, endsAt: MoreThan(new Date()) },
      relations: { maker: true },
      order: { madeAt: 'DESC' },
    });
    return {
      items: links.map(({ id, maker, madeAt, endsAt, opened, openedAt }) => ({
        id,
        by: maker?.name ?? '',
        madeAt: madeAt.toISOString(),
        endsAt: endsAt.toISOString(),
        opened,
        openedAt: openedAt?.toISOString() ?? null,
      })),
    };
  });
}

/** A link opens nothing from now on. Done twice it is done once. @throws ProblemError 404 */
export function endShare(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const link = await manager.findOneBy(ShareLink, { id, workspaceId: who.workspaceId });
    if (!link) throw notFound('This link');
    const at = new Date();
    if (link.endsAt <= at) return;
    await manager.update(ShareLink, { id }, { endsAt: at });
    await log(manager, who, { personId: link.personId, action: 'shareEnded', at });
  });
}

/** Links that ended long ago are told of by the history of their people alone. @returns how many went */
export async function removeEndedShares(database: DataSource): Promise<number> {
  const before = new Date(Date.now() - KEPT_AFTER_END_DAYS * DAY_MS);
  let removed = 0;
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } }))
    removed += await inWorkspace(database, workspaceId, async (manager) => {
      const { affected } = await manager.delete(ShareLink, { workspaceId, endsAt: LessThan(before) });
      return affected ?? 0;
    });
  return removed;
}

/** Whom a link shows. @throws ProblemError 410 for one that opens nothing (any more), or whose person is not here any more */
export async function openedShare(database: DataSource, token: string): Promise<SharedPerson> {
  const opened = await openShare(database, hashSecret(token));
  if (!opened) throw hasEnded();
  return inSnapshot(database, opened.workspaceId, async (manager) => {
    const link = await manager.findOne(ShareLink, {
      where: { id: opened.id, workspaceId: opened.workspaceId },
      relations: { workspace: true, maker: true },
    });
    const person = await loadPerson(manager, opened.personId);
    if (!link || !person || person.deletedAt) throw hasEnded();
    const { more: _more, ...fields } = person.fields;
    return {
      id: person.id,
      fullName: person.fullName,
      fields,
      by: link.maker?.name ?? '',
      workspace: link.workspace?.name ?? '',
      updatedAt: person.updatedAt,
      endsAt: link.endsAt.toISOString(),
    };
  });
}

const hasEnded = (): ProblemError =>
  new ProblemError(
    410,
    'link-ended',
    'This link has ended',
    'It was taken back, or its time is over. Ask whoever gave it to you for a new one.',
  );
