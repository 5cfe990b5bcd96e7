import { spanArea, type Area } from '@dossier/core/proof';
import type { Reading, SourceSpan } from '@dossier/core/reading/fields';

interface Size {
  width: number;
  height: number;
}

/** How the card lies on the stage: a point p of the card is shown at `scale`·p + (x, y). */
export interface StageView {
  scale: number;
  x: number;
  y: number;
}

/** Room around a card that is shown whole, in pixels. */
const MARGIN = 12;
/** A focused text is shown this wide at most, as a share of the stage, and this high in pixels. */
const FOCUS_WIDTH = 0.86;
const FOCUS_LINE = 46;
const LARGEST_SCALE = 3;

/** The whole card, in the middle. */
export function fitView(card: Size, room: Size): StageView {
  const scale = Math.min((room.width - 2 * MARGIN) / card.width, (room.height - 2 * MARGIN) / card.height);
  return { scale, x: (room.width - card.width * scale) / 2, y: (room.height - card.height * scale) / 2 };
}

/** The place of a field in the middle, as large as is good to read, never smaller than the whole card. */
export function focusView(area: Area, card: Size, room: Size): StageView {
  const fit = fitView(card, room).scale;
  const wide = (FOCUS_WIDTH * room.width) / area.width;
  const scale = Math.max(fit, Math.min(wide, FOCUS_LINE / Math.min(area.height, 60), LARGEST_SCALE));
  const [cx, cy] = [area.left + area.width / 2, area.top + area.height / 2];
  return clampView({ scale, x: room.width / 2 - cx * scale, y: room.height / 2 - cy * scale }, card, room);
}

/** Zoomed about a point of the stage, which stays where it is. */
export function zoomedAt({ scale, x, y }: StageView, factor: number, [px, py]: readonly [number, number]): StageView {
  const next = Math.min(LARGEST_SCALE * 2, Math.max(0.05, scale * factor));
  return { scale: next, x: px - ((px - x) * next) / scale, y: py - ((py - y) * next) / scale };
}

/** Not smaller than whole, and never pushed off the stage. */
export function clampView(view: StageView, card: Size, room: Size): StageView {
  const fit = fitView(card, room);
  if (view.scale <= fit.scale) return fit;
  const along = (at: number, size: number, space: number) =>
    size <= space ? (space - size) / 2 : Math.min(MARGIN, Math.max(space - size - MARGIN, at));
  return {
    scale: view.scale,
    x: along(view.x, card.width * view.scale, room.width),
    y: along(view.y, card.height * view.scale, room.height),
  };
}

/** The rectangle around several places; undefined for none. */
export function areaOfSpans(reading: Reading, spans: readonly SourceSpan[]): Area | undefined {
  const areas = spans.flatMap((span) => spanArea(reading, span) ?? []);
  if (areas.length === 0) return undefined;
  const left = Math.min(...areas.map((a) => a.left));
  const top = Math.min(...areas.map((a) => a.top));
  return {
    left,
    top,
    width: Math.max(...areas.map((a) => a.left + a.width)) - left,
    height: Math.max(...areas.map((a) => a.top + a.height)) - top,
  };
}
