import type { OwnCard, OwnCardFields, OwnDetails } from '@dossier/contract';
import { emptyPersonFields } from '@dossier/core/people';
import { photoThumbnail } from '@dossier/reader/thumbnail';
import { randomBytes } from 'node:crypto';
import type { Request } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../../platform/problem';
import { newSecret } from '../../../platform/secret';
import type { SignedIn } from '../../../platform/session';
import { storage, type StoredPicture } from '../../../platform/storage';
import { fileIn } from '../../../platform/upload';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Account } from '../../account';
import { CardPage, OwnCardRecord } from './entities';

const MOST_PICTURE_BYTES = 15 * 1024 * 1024;
const PICTURE_SIDE = 480;

/** What somebody hands out of themselves; a beginning from their account, where they have written nothing yet. */
export const ownCard = (database: DataSource, who: SignedIn, publicAddress: string | undefined): Promise<OwnCard> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const { accountId } = who;
    const kept = await manager.findOneBy(OwnCardRecord, { accountId });
    const page = await manager.findOneBy(CardPage, { accountId });
    const path = page && pathOf(page.key);
    return {
      details: kept?.details ?? (await detailsOfAccount(manager, accountId)),
      greeting: kept?.greeting ?? '',
      takesVisitors: kept?.takesVisitors ?? true,
      scope: kept?.scope ?? '',
      isWritten: kept !== null,
      pictureId: kept?.pictureId ?? null,
      page: page && {
        path: path!,
        address: publicAddress ? publicAddress + path : null,
        madeAt: page.madeAt.toISOString(),
        opened: page.opened,
      },
    };
  });

export const pathOf = (key: string): string => `/card/${key}`;

/** All that an account knows of whoever has it. */
export async function detailsOfAccount(manager: EntityManager, accountId: string): Promise<OwnDetails> {
  const { name, email, workspace } = await manager.findOneOrFail(Account, {
    where: { id: accountId },
    relations: { workspace: true },
  });
  const words = name.split(' ');
  const { prefix: _prefix, middleName: _middle, suffix: _suffix, more: _more, ...empty } = emptyPersonFields();
  return {
    ...empty,
    givenName: words.slice(0, -1).join(' '),
    familyName: words.at(-1) ?? '',
    company: workspace!.name,
    emails: [email],
  };
}

export const saveOwnCard = (database: DataSource, who: SignedIn, fields: OwnCardFields): Promise<void> =>
  inWorkspace(database, who.workspaceId, (manager) => keep(manager, who, fields));

const keep = async (
  manager: EntityManager,
  { accountId, workspaceId }: SignedIn,
  change: Partial<Pick<OwnCardRecord, 'details' | 'greeting' | 'takesVisitors' | 'scope' | 'pictureId'>>,
): Promise<void> => {
  const begun = { greeting: '', takesVisitors: true, scope: '', pictureId: null, changedAt: new Date() };
  const details = change.details ?? (await detailsOfAccount(manager, accountId));
  await manager.createQueryBuilder().insert().into(OwnCardRecord).values({ ...begun, accountId, workspaceId, details } as object).orIgnore().execute(); // prettier-ignore
  await manager.update(OwnCardRecord, { accountId }, { ...change, changedAt: new Date() } as object);
};

/** @throws ProblemError 422 for what is no picture, 413, 400 */
export async function saveOwnPicture(database: DataSource, who: SignedIn, request: Request): Promise<void> {
  const { bytes: sent } = await fileIn(request, 'picture', MOST_PICTURE_BYTES);
  const bytes = await photoThumbnail(sent, PICTURE_SIDE).catch(() => undefined);
  if (!bytes)
    throw new ProblemError(422, 'no-picture', 'Not a picture', 'This cannot be opened as a picture. Choose another one.'); // prettier-ignore
  await inWorkspace(database, who.workspaceId, async (manager) => {
    const id = uuidv7();
    await storage.put(manager, { id, workspaceId: who.workspaceId, type: 'image/jpeg', bytes });
    await changePicture(manager, who, id);
  });
}

export const removeOwnPicture = (database: DataSource, who: SignedIn): Promise<void> =>
  inWorkspace(database, who.workspaceId, (manager) => changePicture(manager, who, null));

async function changePicture(manager: EntityManager, who: SignedIn, pictureId: string | null): Promise<void> {
  const before = await manager.findOneBy(OwnCardRecord, { accountId: who.accountId });
  await keep(manager, who, { pictureId });
  await storage.remove(manager, [before?.pictureId ?? null]);
}

/** @throws ProblemError 404 */
export const ownPicture = (database: DataSource, who: SignedIn): Promise<StoredPicture> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const card = await manager.findOneBy(OwnCardRecord, { accountId: who.accountId });
    const file = card?.pictureId ? await storage.get(manager, card.pictureId) : undefined;
    if (!file) throw notFound('Your picture');
    return file;
  });

/** A page under a link that nobody guesses; making one anew ends the one before. */
export const makePage = (database: DataSource, who: SignedIn): Promise<void> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    const { accountId, workspaceId } = who;
    if (!(await manager.existsBy(OwnCardRecord, { accountId }))) await keep(manager, who, {});
    await manager.upsert(
      CardPage,
      { accountId, workspaceId, key: newSecret(), secret: randomBytes(32), madeAt: new Date(), opened: 0 },
      ['accountId'],
    );
  });

export const endPage = (database: DataSource, { workspaceId, accountId }: SignedIn): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    await manager.delete(CardPage, { accountId });
  });
