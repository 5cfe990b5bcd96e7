import {
  area,
  centre,
  chooseCards,
  contains,
  coveredShare,
  distance,
  rectangle,
  renameCorners,
  scaleQuad,
  unitVector,
  type Quad,
} from '@dossier/core/capture';
import { detectText } from './detectText';
import type { Models } from './models';
import { edgeSharpness, Gradients } from './edgeSharpness';
import { growLane, inOrder, outlineSupport, shareGroups } from './growOutlines';
import { labPlanes } from './labPlanes';
import { OUTLINE_LONG_SIDE, outlineCandidates } from './outlineCandidates';
import type { Pixels } from './pixels';
import { refineQuad } from './refineQuad';
import { resizePixels } from './resizePixels';
import { onSecondThread } from './secondThread';
import { textHulls } from './textHulls';

const WORKING_LONG_SIDE = 1280;
/** Text is looked for in a small picture first, which is enough for one or two cards. */
const TEXT_LONG_SIDE = 512;
/**
 * Where half of the text found is lower than this, in pixels of the working picture with the detector's margin, or less
 * than this many lines are found, some is lost (up to two thirds, measured): it is looked for once more at full size.
 */
const SMALL_TEXT = 36;
const FEW_LINES = 5;

/** What was found in a picture. */
export interface FoundCards {
  /** Outlines of cards; none where there is neither an outline with text nor a group of text lines. */
  cards: Quad[];
  /** Around lines of text that are on none of them: what was printed on the ground, or a card whose edges were not seen. */
  beside: Quad[];
}

/**
 * Finds the outlines of the cards in a photograph.
 * @returns quads in pixels of the photograph, corners named so that the text found inside runs along the first side, or as
 *   the picture stands
 */
export async function findCards(models: Models, photo: Pixels): Promise<FoundCards> {
  const working = await fit(photo, WORKING_LONG_SIDE);
  const text = await findText(models, working);
  const { cards, beside } = await findCardsIn(working, text);
  const inPhoto = (quads: readonly Quad[]) =>
    quads.map((quad) => scaleQuad(alongText(quad, text), photo.width / working.width, photo.height / working.height));
  return { cards: inPhoto(cards), beside: inPhoto(beside) };
}

/** A card that lies on its side is named so that its text runs level: it is looked at once then, not twice. */
function alongText(quad: Quad, text: readonly Quad[]): Quad {
  const [along, across] = [unitVector(quad[0], quad[1]), unitVector(quad[1], quad[2])];
  const inside = text.filter((box) => contains(quad, centre(box)));
  const balance = inside.reduce((sum, [a, b, , d]) => {
    const line = distance(a, b) >= distance(a, d) ? ([a, b] as const) : ([a, d] as const);
    const [x, y] = unitVector(...line);
    const runsAlong = Math.abs(x * along[0] + y * along[1]) > Math.abs(x * across[0] + y * across[1]);
    return sum + (runsAlong ? 1 : -1) * distance(...line);
  }, 0);
  return balance < 0 ? renameCorners(quad, 1) : quad;
}

/**
 * The outlines of cards in a picture whose lines of text are known.
 * @param working at most 1280 pixels long
 * @param text outlines of its lines of text
 */
export async function findCardsIn(working: Pixels, text: readonly Quad[]): Promise<FoundCards> {
  const small = await fit(working, OUTLINE_LONG_SIDE);
  const toSmall = small.width / working.width;
  const boxes = text.map((quad) => scaleQuad(quad, toSmall));
  const lab = await labPlanes(small);
  const shared = shareGroups(lab, boxes);
  // The second thread first: what follows here keeps this one busy.
  const there = onSecondThread('grow', shared);
  const contours = await outlineCandidates(lab);
  const here = growLane(shared);
  const outlines = [...contours, ...inOrder([...here, ...(await there)])];
  const gradients = new Gradients(lab);
  const candidates = outlines.map((quad) => ({
    quad,
    edgeSupport: outlineSupport(lab, quad),
    sharpness: edgeSharpness(gradients, quad),
  }));
  const framed = chooseCards(candidates, boxes, rectangle(0, 0, small.width, small.height));
  const unframed = boxes.filter((box) => !framed.some((card) => contains(card, centre(box))));
  const refined = framed.map((quad) => refineQuad(working, scaleQuad(quad, 1 / toSmall), 7));
  const { hulls, beside } = await hullsOfUnframedText(boxes, unframed, framed);
  const inWorking = (quads: readonly Quad[]) => quads.map((quad) => scaleQuad(quad, 1 / toSmall));
  return { cards: [...refined, ...inWorking(hulls)], beside: inWorking(beside) };
}

/** A card has so many lines at least. */
const LEAST_LINES = 3;
const MOST_BESIDE = 4;

/**
 * Text outside every framed card is a card of its own only when there is as much of it as on a
 * card: other printed matter usually lies about in single lines.
 */
async function hullsOfUnframedText(all: readonly Quad[], unframed: readonly Quad[], framed: readonly Quad[]) {
  if (unframed.length === 0) return { hulls: [], beside: [] };
  const total = all.reduce((sum, box) => sum + area(box), 0);
  const outside = unframed.reduce((sum, box) => sum + area(box), 0);
  const hulls = (await textHulls(unframed))
    .filter((hull) => {
      const lines = unframed.filter((box) => coveredShare(box, hull) > 0.9);
      return lines.length >= (framed.length > 0 ? LEAST_LINES : 1);
    })
    .filter((hull) => framed.every((card) => coveredShare(card, hull) < 0.3));
  // On a printed page there may be any number of them.
  return framed.length > 0 && outside < 0.5 * total ? { hulls: [], beside: hulls.slice(0, MOST_BESIDE) } : { hulls, beside: [] }; // prettier-ignore
}

async function findText(models: Models, working: Pixels): Promise<Quad[]> {
  const quads = (await detectText(models, working, TEXT_LONG_SIDE)).map((box) => box.quad);
  const heights = quads.map((q) => Math.min(distance(q[0], q[3]), distance(q[0], q[1]))).sort((a, b) => a - b);
  if (quads.length >= FEW_LINES && heights[heights.length >> 1]! >= SMALL_TEXT) return quads;
  return (await detectText(models, working, WORKING_LONG_SIDE)).map((box) => box.quad);
}

async function fit(picture: Pixels, longSide: number): Promise<Pixels> {
  const scale = longSide / Math.max(picture.width, picture.height);
  if (scale >= 1) return picture;
  return resizePixels(picture, Math.round(picture.width * scale), Math.round(picture.height * scale));
}
