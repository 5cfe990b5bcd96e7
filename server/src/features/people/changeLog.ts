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

/** Adds to what was done to a person; nothing is ever taken away. */
export const log = (
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  { personId, action, at, changes = [], cardId = null }: Done,
) =>
  manager.insert(ChangeLogEntry, {
    id: uuidv7(),
    workspaceId,
    personId,
    actorId: accountId,
    cardId,
    action,
    changes,
    at,
  });
