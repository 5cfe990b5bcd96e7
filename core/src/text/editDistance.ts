/** Levenshtein distance (1966) of two texts, counted no further than `limit`. */
export function editDistance(a: string, b: string, limit = Infinity): number {
  if (Math.abs(a.length - b.length) > limit) return limit + 1;
  let above = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const change = above[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1);
      row.push(Math.min(above[j]! + 1, row[j - 1]! + 1, change));
    }
    if (Math.min(...row) > limit) return limit + 1;
    above = row;
  }
  return above[b.length]!;
}
