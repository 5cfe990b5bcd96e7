import type { Task } from 'graphile-worker';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { inWorkspace } from '../../platform/workspaceScope';
import { fileByItself } from './byItself';

const Payload = z.object({ workspaceId: z.uuid(), cardId: z.uuid(), accountId: z.uuid() });

/** Files a card that was just read, when its workspace lets that happen and nothing about it is to be asked. */
export function fileCleanTask(database: DataSource): Task {
  return async (raw) => {
    const { cardId, ...who } = Payload.parse(raw);
    await inWorkspace(database, who.workspaceId, (manager) => fileByItself(manager, who, cardId));
  };
}
