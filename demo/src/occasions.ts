import type { OccasionFields } from '@dossier/contract';

type Given = Pick<OccasionFields, 'name'> & Partial<OccasionFields>;

/** Where the demo's cards come from, and which shots were taken there. */
export const occasions: readonly { id: string; by: 'ottilie' | 'idris'; fields: Given; shots: readonly string[] }[] = [
  {
    id: 'open-day',
    by: 'ottilie',
    fields: {
      name: 'Cold-chain open day, Port Ellery',
      place: 'Port Ellery',
      startsOn: '2026-11-09',
      endsOn: '2026-11-10',
      tags: ['cold chain', 'open day'],
      kind: 'lead',
    },
    shots: ['skerry', 'tidewater', 'pollock', 'seagrain', 'maple', 'harrowfield', 'table', 'pair', 'peck'],
  },
  {
    id: 'dairy-route',
    by: 'ottilie',
    fields: { name: 'Dairy route, early spring', tags: ['dairy'], country: 'GB' },
    shots: ['nordmolk', 'kestrel', 'fjallkyl', 'glace', 'larch', 'wren'],
  },
  {
    id: 'fruit-evening',
    by: 'idris',
    fields: {
      name: 'Fruit growers’ evening, Tarnmoor',
      place: 'Tarnmoor',
      startsOn: '2026-11-12',
      endsOn: '2026-11-12',
      tags: ['orchards'],
    },
    shots: ['bramble', 'verger', 'orchid', 'stanton'],
  },
  { id: 'walk-ins', by: 'ottilie', fields: { name: 'Walk-ins' }, shots: ['ashgrove', 'crane'] },
];
