import { IsNull, Not, type EntityManager } from 'typeorm';
import { Note } from '../people';
import { Card } from '../reading';

export interface Meeting {
  occasionId: string | null;
  /** What was noted then. */
  noteLine: string;
}

/** Where somebody was met last, and what was noted of them last; calls and visits are no line for a message. */
export async function lastMeeting(manager: EntityManager, personId: string): Promise<Meeting> {
  const note = await manager.findOne(Note, { where: { personId, kind: 'note' }, order: { at: 'DESC' } });
  const card = await manager.findOne(Card, {
    where: { personId, occasionId: Not(IsNull()) },
    order: { takenAt: 'DESC' },
  });
  return { occasionId: card?.occasionId ?? null, noteLine: note?.text ?? '' };
}
