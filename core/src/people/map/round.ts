import { kilometres, type At } from './distance';

export interface Round {
  /** Places by their numbers, in the order in which they are visited. */
  order: number[];
  /** As the crow flies. */
  kilometres: number;
}

interface Options {
  /** Where it begins, before the first place; anywhere without. */
  from?: At;
  /** Whether it ends where it began. */
  back?: boolean;
}

/** What is gained must be more than what sums are off by. */
const LITTLE = 1e-9;

/**
 * A sensible order for a day's round: from each place that could be the first, always on to the nearest that is left, then turned round and
 * moved in parts (2-opt, Or-opt) as long as that makes it shorter; the shortest of these. For up to some twenty places within moments.
 */
export function roundOf(places: readonly At[], { from, back = false }: Options = {}): Round {
  if (places.length === 0) return { order: [], kilometres: 0 };
  // The beginning, or nowhere, which is near to everything, so that a way has one shape: it begins and ends at number 0.
  const home = from;
  const all = [from, ...places];
  const between = all.map((one, i) => all.map((other, j) => (i === j || !one || !other ? 0 : kilometres(one, other))));
  // Who does not come back pays nothing for the way home; who begins anywhere nothing for the way there.
  const cost = (a: number, b: number): number => (b === 0 && (!back || !home) ? 0 : between[a]![b]!);
  const closing = back && !home;
  let best: number[] | undefined;
  for (let first = 1; first < all.length; first++) {
    const order = improved(nearestFrom(first, between), cost, closing ? between : undefined);
    if (!best || lengthOf(order, cost, closing ? between : undefined) < lengthOf(best, cost, closing ? between : undefined) - LITTLE) best = order; // prettier-ignore
  }
  return { order: best!.map((number) => number - 1), kilometres: lengthOf(best!, cost, closing ? between : undefined) };
}

type Between = readonly (readonly number[])[];

/** Always on to the nearest that is left. */
function nearestFrom(first: number, between: Between): number[] {
  const left = new Set(between.keys());
  left.delete(0);
  const order: number[] = [];
  for (let at = first; ;) {
    order.push(at);
    left.delete(at);
    if (left.size === 0) return order;
    at = [...left].reduce((nearest, next) => (between[at]![next]! < between[at]![nearest]! ? next : nearest));
  }
}

/** @param closing where the last place leads back to the first one, and there is no beginning besides */
function lengthOf(order: readonly number[], cost: (a: number, b: number) => number, closing?: Between): number {
  let sum = cost(0, order[0]!) + cost(order.at(-1)!, 0);
  for (let i = 1; i < order.length; i++) sum += cost(order[i - 1]!, order[i]!);
  return closing ? sum + closing[order.at(-1)!]![order[0]!]! : sum;
}

/** Turns parts round, and moves parts of up to three elsewhere, until nothing of that makes it shorter. */
function improved(begun: readonly number[], cost: (a: number, b: number) => number, closing?: Between): number[] {
  let order = [...begun];
  let length = lengthOf(order, cost, closing);
  const better = (tried: number[]): boolean => {
    const now = lengthOf(tried, cost, closing);
    if (now >= length - LITTLE) return false;
    [order, length] = [tried, now];
    return true;
  };
  for (let again = true; again;) {
    again = false;
    for (let i = 0; i < order.length; i++)
      for (let j = i + 1; j < order.length; j++)
        if (better([...order.slice(0, i), ...order.slice(i, j + 1).reverse(), ...order.slice(j + 1)])) again = true;
    for (let size = 1; size <= 3; size++)
      for (let i = 0; i + size <= order.length; i++) {
        const part = order.slice(i, i + size);
        const rest = [...order.slice(0, i), ...order.slice(i + size)];
        for (let to = 0; to <= rest.length; to++) {
          if (to === i) continue;
          const moved = [...rest.slice(0, to), ...part, ...rest.slice(to)];
          if (better(moved) || better([...rest.slice(0, to), ...[...part].reverse(), ...rest.slice(to)])) {
            again = true;
            break;
          }
        }
      }
  }
  return order;
}
