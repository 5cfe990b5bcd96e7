import type { EventType } from '@dossier/contract';

export const EVENT_WORDS: Readonly<Record<EventType, string>> = {
  'card.read': 'A card was read',
  'card.filed': 'A card was filed',
  'person.created': 'Somebody new',
  'person.changed': 'Somebody changed',
  'person.merged': 'Two were one person',
  'person.parted': 'They were two after all',
  'person.deleted': 'Somebody was deleted',
  'person.restored': 'Somebody was brought back',
  'person.erased': 'Somebody was forgotten for good',
  'consent.given': 'Somebody agreed to something',
  'consent.withdrawn': 'Somebody withdrew that',
  'message.answered': 'Somebody answered',
  'opportunity.changed': 'An opportunity changed',
  'opportunity.won': 'An opportunity was won',
  'opportunity.lost': 'An opportunity was lost',
  'task.done': 'Something planned was done',
};

export const eventWords = (type: string): string => EVENT_WORDS[type as EventType] ?? 'Only to try';
