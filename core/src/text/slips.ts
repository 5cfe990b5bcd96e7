/**
 * Optimal string alignment distance (Damerau 1964) of two texts, counted no further than `limit`: like Levenshtein's, and two
 * neighbours in the wrong order are one slip.
 */
export function slipsBetween(a: string, b: string, limit: number): number {
  if (Math.abs(a.length - b.length) > limit) return limit + 1;
  let before: number[] = [];
  let above = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const change = above[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1);
      const isSwapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1];
      row.push(Math.min(above[j]! + 1, row[j - 1]! + 1, change, isSwapped ? before[j - 2]! + 1 : Infinity));
    }
    // A swap may still come back to the row above.
    if (Math.min(...row, ...above) > limit) return limit + 1;
    before = above;
    above = row;
  }
  return Math.min(above[b.length]!, limit + 1);
}
