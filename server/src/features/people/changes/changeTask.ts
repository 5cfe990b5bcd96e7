import type { Task } from 'graphile-worker';
import type { DataSource } from 'typeorm';
import { goOn } from './changePeople';

interface Payload {
  workspaceId: string;
  changeId: string;
}

/** Goes through a change of many, some at a time, each in a transaction of its own: others are served in between, and it can be stopped. */
export function changePeopleTask(database: DataSource): Task {
  return async (payload) => {
    const { workspaceId, changeId } = payload as Payload;
    while (await goOn(database, workspaceId, changeId));
  };
}
