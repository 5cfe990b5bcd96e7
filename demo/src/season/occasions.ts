import type { OccasionFields } from '@dossier/contract';

/** Where the team was before, how long ago, what it paid, and how well it chose. */
export const seasonOccasions: readonly {
  id: string;
  by: 'ottilie' | 'idris';
  weeksAgo: number;
  days: number;
  people: number;
  cost: number | null;
  yield: number;
  fields: Pick<OccasionFields, 'name'> & Partial<OccasionFields>;
}[] = [
  { id: 'harbour-fair', by: 'ottilie', weeksAgo: 31, days: 2, people: 22, cost: 4200, yield: 0.85, fields: { name: 'Harbour cold-store fair, Skerrivore', place: 'Skerrivore', tags: ['fair'], kind: 'lead' } }, // prettier-ignore
  { id: 'dairy-summer', by: 'ottilie', weeksAgo: 23, days: 4, people: 13, cost: 650, yield: 0.7, fields: { name: 'Dairy route, early summer', tags: ['dairy'], kind: 'lead' } }, // prettier-ignore
  { id: 'growers-breakfast', by: 'idris', weeksAgo: 14, days: 1, people: 12, cost: 900, yield: 0.6, fields: { name: 'Orchard growers’ breakfast, Tarnmoor', place: 'Tarnmoor', tags: ['orchards'], kind: 'lead' } }, // prettier-ignore
  { id: 'bakers-evening', by: 'idris', weeksAgo: 8, days: 1, people: 15, cost: 1500, yield: 0.15, fields: { name: 'Bakers’ open evening, Wexcombe', place: 'Wexcombe', tags: ['bakery'], kind: 'lead' } }, // prettier-ignore
];
