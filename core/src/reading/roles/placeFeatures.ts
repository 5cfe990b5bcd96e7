import { isAllCaps } from '../../text/naturalCase';
import { sharesColumn, type CardLine } from '../cardLine';
import { FeatureList } from './features';
import type { Candidate, Features } from './models';
import { relativeHeight } from './textOfRole';

/** Lines are of one block when less than so much of their height lies between them. */
const NEAR = 1;
/** A block of more lines than that is not a word mark by itself. */
const MOST_LINES = 4;

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

const isOfOneBlock = (a: CardLine, b: CardLine): boolean => {
  const height = Math.max(a.height, b.height);
  const [gap, between] = [Math.max(a.top, b.top) - Math.min(a.bottom, b.bottom), Math.max(a.left, b.left) - Math.min(a.right, b.right)];
  return gap < NEAR * height && (between < 0 || sharesColumn(a, b, height));
}; // prettier-ignore

/** Lines that stand together with a space around them, as their places in the reading. */
export function blocksOf(geometry: readonly CardLine[]): Set<number>[] {
  const blocks: CardLine[][] = [];
  for (const line of geometry) {
    const touched = blocks.filter((block) => block.some((other) => isOfOneBlock(line, other)));
    const merged = [...touched.flat(), line];
    for (const block of touched) blocks.splice(blocks.indexOf(block), 1);
    blocks.push(merged);
  }
  return blocks.map((block) => new Set(block.map(({ index }) => index)));
}

/** Where a candidate stands on the card, and how it is set. */
export function placeFeatures(candidate: Candidate, blocks: readonly ReadonlySet<number>[]): Features {
  const list = new FeatureList();
  const { lines, text } = candidate;
  const own = new Set(lines.map(({ index }) => index));
  const block = blocks.find((one) => one.has(lines[0]!.index));
  if (block && block.size <= MOST_LINES) list.add([...block].every((index) => own.has(index)) ? 'wholeBlock' : 'pieceOfBlock'); // prettier-ignore
  list.add('height', clamp(relativeHeight(candidate) - 1, -0.5, 1));
  list.add('topmost', lines.some((line) => line.isTopmost)); // prettier-ignore
  list.add('tallest', lines.some((line) => line.isTallest)); // prettier-ignore
  list.add('capitals', isAllCaps(text));
  list.add('moreLines', lines.length - 1);
  return list.features;
}

/** How much a line differs from the next one that it is read with: in size, and by the space between. */
export function spacing(upper: CardLine, lower: CardLine): Features {
  const list = new FeatureList();
  const height = Math.max(upper.height, lower.height);
  list.add('stepSizes', Math.abs(Math.log(upper.height / lower.height)));
  list.add('stepGap', clamp((lower.top - upper.bottom) / height, -0.5, 1.5));
  list.add('stepLetters', isAllCaps(upper.text) !== isAllCaps(lower.text));
  return list.features;
}
