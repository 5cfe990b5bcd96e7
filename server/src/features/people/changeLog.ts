import type { Action } from '@dossier/contract';
import type { FieldChange } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../platform/session';
import { ChangeLogEntry } from './entities';

interface Done {
  personId: string;
  action: Action;
  at: Date;
  changes?: FieldChange[];
  cardId?: string | null;
}

/** Who did it; nobody of the team for what people do themselves, or a plan does. */
export type Actor = Pick<SignedIn, 'workspaceId'> & { accountId: string | null };

/** Adds to what was done to people; nothing is ever taken away. */
export const logAll = (
  manager: EntityManager,
  { workspaceId, accountId }: Actor,
  done: readonly Done[],
): Promise<unknown> =>
  manager.insert(
    ChangeLogEntry,
    done.map(({ personId, action, at, changes = [], cardId = null }) => ({
      id: uuidv7(),
      workspaceId,
      personId,
      actorId: accountId,
      cardId,
      action,
      changes,
      at,
    })),
  );

/** As `logAll`, for one. */
export const log = (manager: EntityManager, who: Actor, done: Done): Promise<unknown> => logAll(manager, who, [done]);
