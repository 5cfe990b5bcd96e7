import { z } from 'zod';
import { QuadShape } from './proof';

/** One card's border in pixels of the displayed photograph. */
export const PlacedOutline = z.object({
  /** Null for a card that was missed. */
  cardId: z.uuid().nullable(),
  quad: QuadShape,
  /** The corners are named as the text reads. */
  upright: z.boolean(),
});
export type PlacedOutline = z.infer<typeof PlacedOutline>;

/** A photograph with the borders of its cards. */
export const PhotoOutlines = z.object({
  /** Null until the photograph has been read for the first time. */
  width: z.number().int().nullable(),
  height: z.number().int().nullable(),
  /** Being read at this moment. */
  reading: z.boolean(),
  /** Whether the photograph itself is still kept. */
  picture: z.boolean(),
  outlines: z.array(
    z.object({
      cardId: z.uuid(),
      quad: QuadShape.nullable(),
      name: z.string().nullable(),
      /** A filed card keeps its border. */
      filed: z.boolean(),
    }),
  ),
  /** Where a card was perhaps missed: there is text on none of them that is like a card's. */
  perhaps: z.array(QuadShape),
});
export type PhotoOutlines = z.infer<typeof PhotoOutlines>;

/** All borders of a photograph as a person wants them; cards not named are taken out of the tray. */
export const OutlinesChange = z.object({ outlines: z.array(PlacedOutline).max(60) });
export type OutlinesChange = z.infer<typeof OutlinesChange>;
