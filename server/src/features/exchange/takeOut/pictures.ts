import type { EntityManager } from 'typeorm';
import { storage } from '../../../platform/storage';
import { cardsOfPeople, type CardRow } from '../queries';

export interface TakenCard extends CardRow {
  side: 'front' | 'back';
  /** JPEG. */
  picture: Buffer | undefined;
}

/** Cards by the people whose they are, the latest first. @param only the latest one of each person, with its back */
export async function cardsBy(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
  { withReading, withPictures, onlyLatest }: { withReading: boolean; withPictures: boolean; onlyLatest: boolean },
): Promise<Map<string, TakenCard[]>> {
  const by = new Map<string, TakenCard[]>();
  for (const row of await cardsOfPeople(manager, workspaceId, ids, withReading)) {
    const cards = by.get(row.person_id) ?? [];
    const front = onlyLatest ? cards.find(({ side }) => side === 'front') : undefined;
    if (front && row.front_id !== front.id) continue;
    if (onlyLatest && !row.file_id) continue;
    const picture = withPictures && row.file_id ? (await storage.get(manager, row.file_id))?.bytes : undefined;
    by.set(row.person_id, [...cards, { ...row, side: row.front_id ? 'back' : 'front', picture }]);
  }
  return by;
}
