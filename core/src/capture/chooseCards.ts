import { area, coveredShare, distance, intersectionOverUnion, type Quad } from './quad';

/** An outline that may be a card. */
export interface CardCandidate {
  quad: Quad;
  /** Share of the outline that lies on visible edges, 0–1. */
  edgeSupport: number;
}

const SAME_OUTLINE = 0.88;
const LEAST_SUPPORT = 0.35;
const INSIDE = 0.9;
const TEXT_INSIDE = 0.85;
const TEXT_OUTSIDE = 0.15;
/** Share of an outline's text that cards inside it must hold to make it a group: two may be panels of one card, more are not. */
const GROUP_TEXT_EXPLAINED = { two: 0.8, more: 0.45 } as const;
/** A lone outline that cuts this share of the text it touches is a panel of a card that fills the picture. */
const MOST_TEXT_CUT = 0.12;
const CLEARLY_BETTER = 1.2;
const LARGEST_GROUP_SPREAD = 2.5;

/** Business cards are 1.4–1.8 wide for 1 high when flat; tilt stretches that on both ends. */
const LIKELY_ASPECT = { from: 1.25, to: 2.05 } as const;

interface Judged extends CardCandidate {
  size: number;
  textShare: number;
  /** Share of the text it touches that its edge cuts, 0–1. */
  cutShare: number;
  quality: number;
}

/**
 * Picks the outlines that are cards: text should lie inside an outline and not be cut by it; an
 * outline around several card-like ones of like size that hold its text is a group and not a card;
 * otherwise the outer of two nested outlines is the card and the inner one a panel printed on it.
 * A lone outline through the middle of the text gives way to the whole picture: scans show the card
 * from border to border.
 * @param textBoxes outlines of text lines in the same picture as the candidates
 * @param wholePicture outline of that picture
 */
export function chooseCards(
  candidates: readonly CardCandidate[],
  textBoxes: readonly Quad[],
  wholePicture: Quad,
): Quad[] {
  const wholeText = textBoxes.reduce((sum, box) => sum + area(box), 0);
  const judged = candidates
    .map((candidate) => judge(candidate, textBoxes, wholeText))
    .filter((c) => c.edgeSupport >= LEAST_SUPPORT && c.quality > 0)
    .sort((a, b) => b.quality - a.quality);
  const distinct: Judged[] = [];
  for (const c of judged) {
    if (!distinct.some((d) => intersectionOverUnion(c.quad, d.quad) > SAME_OUTLINE)) distinct.push(c);
  }
  const cards = withoutFrames(withoutGroups(distinct));
  const chosen: Judged[] = [];
  for (const c of cards.sort((a, b) => b.quality * Math.sqrt(b.size) - a.quality * Math.sqrt(a.size))) {
    const free = chosen.every((d) => coveredShare(c.quad, d.quad) < 0.12 && coveredShare(d.quad, c.quad) < 0.12);
    if (free) chosen.push(c);
  }
  if (chosen.length === 1 && chosen[0]!.cutShare > MOST_TEXT_CUT) return [wholePicture];
  return chosen.map((c) => c.quad);
}

function judge(candidate: CardCandidate, textBoxes: readonly Quad[], wholeText: number): Judged {
  let inside = 0;
  let cut = 0;
  for (const box of textBoxes) {
    const share = coveredShare(box, candidate.quad);
    if (share >= TEXT_INSIDE) inside += area(box);
    else if (share > TEXT_OUTSIDE) cut += area(box) * Math.min(share, 1 - share) * 2;
  }
  const textShare = wholeText > 0 ? inside / wholeText : 0;
  const cutShare = inside + cut > 0 ? cut / (inside + cut) : 0;
  const uncut = inside + cut > 0 ? inside / (inside + 2 * cut) : 0;
  const quality = candidate.edgeSupport ** 1.5 * aspectLikelihood(candidate.quad) * uncut;
  return { ...candidate, size: area(candidate.quad), textShare, cutShare, quality };
}

function aspectLikelihood([a, b, c, d]: Quad): number {
  const width = (distance(a, b) + distance(d, c)) / 2;
  const height = (distance(a, d) + distance(b, c)) / 2;
  const aspect = Math.max(width, height) / Math.max(1, Math.min(width, height));
  if (aspect >= LIKELY_ASPECT.from && aspect <= LIKELY_ASPECT.to) return 1;
  const off = aspect < LIKELY_ASPECT.from ? LIKELY_ASPECT.from - aspect : aspect - LIKELY_ASPECT.to;
  return Math.max(0, 1 - off * 2);
}

/** From the smallest to the largest, so that a group of two does not stand for a card within a group of six. */
function withoutGroups(outlines: readonly Judged[]): Judged[] {
  const cards: Judged[] = [];
  for (const outline of [...outlines].sort((a, b) => a.size - b.size)) {
    if (!isGroup(outline, cards)) cards.push(outline);
  }
  return cards;
}

/** An outline that holds no more text than a clearly better one inside it is the table's, or chance. */
const withoutFrames = (outlines: readonly Judged[]): Judged[] =>
  outlines.filter(
    (outer) =>
      !outlines.some(
        (inner) =>
          inner.size < outer.size &&
          inner.quality > CLEARLY_BETTER * outer.quality &&
          inner.textShare >= INSIDE * outer.textShare &&
          coveredShare(inner.quad, outer.quad) > INSIDE,
      ),
  );

function isGroup(outer: Judged, all: readonly Judged[]): boolean {
  const inner = all
    .filter(
      (c) =>
        c !== outer &&
        c.size < outer.size * 0.6 &&
        c.textShare > 0 &&
        aspectLikelihood(c.quad) > 0.9 &&
        coveredShare(c.quad, outer.quad) > INSIDE,
    )
    .sort((a, b) => b.size - a.size);
  const members: Judged[] = [];
  for (const c of inner) {
    const alike = members.length === 0 || members[0]!.size / c.size < LARGEST_GROUP_SPREAD;
    if (alike && members.every((m) => coveredShare(c.quad, m.quad) < 0.12)) members.push(c);
  }
  if (members.length < 2) return false;
  const explained = members.reduce((sum, m) => sum + m.textShare, 0);
  return explained >= GROUP_TEXT_EXPLAINED[members.length > 2 ? 'more' : 'two'] * outer.textShare;
}
