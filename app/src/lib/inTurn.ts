const waiting: (() => void)[] = [];
let isUnderWay = false;

/** Not later than this something is drawn, however busy somebody keeps the page. */
const LATEST_MS = 120;
// Not in every browser.
const idle: (then: () => void) => unknown =
  'requestIdleCallback' in globalThis
    ? (then) => requestIdleCallback(then, { timeout: LATEST_MS })
    : (then) => setTimeout(then);

/**
 * Does small pieces of work one after the other, each when there is nothing else to do: together they would hold up whoever types.
 * @returns how to take it back while it waits
 */
export function inTurn(work: () => void): () => void {
  waiting.push(work);
  if (!isUnderWay) {
    isUnderWay = true;
    idle(next);
  }
  return () => {
    const at = waiting.indexOf(work);
    if (at >= 0) waiting.splice(at, 1);
  };
}

function next(): void {
  waiting.shift()?.();
  if (waiting.length > 0) idle(next);
  else isUnderWay = false;
}
