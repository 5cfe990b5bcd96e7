/**
 * Pairs rows with columns, each used at most once and as many as can be, so that the sum of costs is least: the
 * Hungarian method with potentials (Kuhn 1955; Munkres 1957), O(n³).
 * @param costs rows × columns
 * @returns [row, column] of each pair, by row
 */
export function leastCostPairs(costs: readonly (readonly number[])[]): [row: number, column: number][] {
  const columns = costs[0]?.length ?? 0;
  if (costs.length > columns) {
    const turned = Array.from({ length: columns }, (_, j) => costs.map((row) => row[j]!));
    return leastCostPairs(turned)
      .map(([i, j]): [number, number] => [j, i])
      .sort((a, b) => a[0] - b[0]);
  }
  // Counted from one: row and column nought stand for "none".
  const ofRow = new Array<number>(costs.length + 1).fill(0);
  const ofColumn = new Array<number>(columns + 1).fill(0);
  const rowAt = new Array<number>(columns + 1).fill(0);
  for (let row = 1; row <= costs.length; row++) {
    const way = new Array<number>(columns + 1).fill(0);
    const least = new Array<number>(columns + 1).fill(Infinity);
    const done = new Array<boolean>(columns + 1).fill(false);
    rowAt[0] = row;
    let at = 0;
    do {
      done[at] = true;
      const current = rowAt[at]!;
      let step = Infinity;
      let next = 0;
      for (let j = 1; j <= columns; j++) {
        if (done[j]) continue;
        const cost = costs[current - 1]![j - 1]! - ofRow[current]! - ofColumn[j]!;
        if (cost < least[j]!) {
          least[j] = cost;
          way[j] = at;
        }
        if (least[j]! < step) {
          step = least[j]!;
          next = j;
        }
      }
      for (let j = 0; j <= columns; j++) {
        if (done[j]) {
          ofRow[rowAt[j]!]! += step;
          ofColumn[j]! -= step;
        } else least[j]! -= step;
      }
      at = next;
    } while (rowAt[at] !== 0);
    for (; at !== 0; at = way[at]!) rowAt[at] = rowAt[way[at]!]!;
  }
  return rowAt
    .map((row, j): [number, number] => [row - 1, j - 1])
    .slice(1)
    .filter(([row]) => row >= 0)
    .sort((a, b) => a[0] - b[0]);
}
