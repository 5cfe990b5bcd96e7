import type { LayoutName } from './layouts';

/** One card lying in a photograph; places in pixels of the photograph, turns in degrees. */
export interface Lying {
  person: string;
  layout: LayoutName;
  x: number;
  y: number;
  /** Width of the card in pixels. */
  size: number;
  turn: number;
  /** Tilt away from the camera around the horizontal and the vertical axis. */
  tilt?: readonly [number, number];
}

export type Table = 'oak' | 'slate' | 'linen' | 'steel' | 'walnut';

export interface Shot {
  id: string;
  table: Table;
  width: number;
  height: number;
  cards: readonly Lying[];
  /** What makes it hard. */
  light?: 'lamp' | 'dusk' | 'glare' | 'blur';
  /** Whether the demo files it as a person or leaves it in the tray. */
  filed: boolean;
  /** Who photographed it: the part before the `@`. */
  by: 'ottilie' | 'idris';
}

const one = (
  id: string,
  layout: LayoutName,
  table: Table,
  turn: number,
  filed: boolean,
  by: Shot['by'] = 'ottilie',
  extra: Partial<Pick<Shot, 'light'>> & { tilt?: readonly [number, number]; size?: number } = {},
): Shot => ({
  id,
  table,
  width: 1600,
  height: 1200,
  cards: [
    {
      person: id,
      layout,
      x: 800,
      y: 600,
      size: extra.size ?? (layout === 'upright' ? 640 : 1130),
      turn,
      tilt: extra.tilt,
    },
  ],
  light: extra.light,
  filed,
  by,
});

export const shots: readonly Shot[] = [
  one('skerry', 'band', 'oak', -4, true),
  one('bramble', 'night', 'linen', 6, true, 'idris', { tilt: [14, -6] }),
  one('ashgrove', 'centred', 'slate', 2, true),
  one('tidewater', 'ledger', 'walnut', -7, true, 'ottilie', { tilt: [10, 8] }),
  one('quillan', 'capitals', 'steel', 3, true, 'idris'),
  one('larkspur', 'capitals', 'oak', -2, true),
  one('nordmolk', 'ledger', 'slate', 5, true),
  one('pollock', 'band', 'linen', -9, true, 'idris'),
  one('maple', 'night', 'oak', 4, true),
  one('seagrain', 'capitals', 'walnut', -3, true, 'idris', { light: 'lamp' }),
  one('kestrel', 'upright', 'steel', 3, true),
  one('crane', 'ledger', 'linen', -5, true, 'idris', { tilt: [16, 4] }),
  one('harrowfield', 'ledger', 'oak', -3, false),
  one('verger', 'centred', 'walnut', 7, false),
  one('fjallkyl', 'band', 'slate', -6, false, 'ottilie', { tilt: [12, -10] }),
  one('weizen', 'capitals', 'linen', 2, false),
  one('glace', 'night', 'steel', -8, false, 'ottilie', { light: 'glare' }),
  one('orchid', 'upright', 'oak', -4, false),
  one('peck', 'band', 'walnut', 183, false, 'ottilie', { light: 'lamp' }),
  one('wren', 'centred', 'linen', 5, false, 'idris'),
  one('stanton', 'capitals', 'slate', -12, false, 'idris', { tilt: [20, 12], light: 'dusk' }),
  one('boreal', 'ledger', 'steel', 92, false),
  one('larch', 'night', 'walnut', -5, false, 'ottilie', { light: 'blur', size: 900 }),
  {
    id: 'table',
    table: 'oak',
    width: 2000,
    height: 1500,
    filed: false,
    by: 'ottilie',
    cards: [
      { person: 'haddon', layout: 'band', x: 540, y: 400, size: 800, turn: -5 },
      { person: 'anchor', layout: 'ledger', x: 1470, y: 420, size: 790, turn: 4 },
      { person: 'dunlin', layout: 'capitals', x: 560, y: 1060, size: 800, turn: 3 },
      { person: 'cobbler', layout: 'centred', x: 1480, y: 1080, size: 790, turn: -6 },
    ],
  },
  {
    id: 'pair',
    table: 'slate',
    width: 1800,
    height: 1350,
    filed: false,
    by: 'idris',
    cards: [
      { person: 'brine', layout: 'centred', x: 900, y: 360, size: 920, turn: 2 },
      { person: 'harrowfield', layout: 'back', x: 900, y: 980, size: 920, turn: -3 },
    ],
  },
];
