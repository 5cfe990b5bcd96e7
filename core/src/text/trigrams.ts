/**
 * How alike two texts are by the groups of three letters that they share, 0 to 1: the measure of PostgreSQL's `pg_trgm`, by which likely
 * misreadings of names are found.
 */
export function trigramSimilarity(one: string, other: string): number {
  const [a, b] = [trigramsOf(one), trigramsOf(other)];
  let shared = 0;
  for (const trigram of a) if (b.has(trigram)) shared++;
  const all = a.size + b.size - shared;
  return all === 0 ? 0 : shared / all;
}

function trigramsOf(text: string): Set<string> {
  const trigrams = new Set<string>();
  for (const word of text.toLowerCase().split(/[^\p{L}\p{N}]+/u)) {
    if (!word) continue;
    const padded = [...`  ${word} `];
    for (let i = 0; i + 3 <= padded.length; i++) trigrams.add(padded.slice(i, i + 3).join(''));
  }
  return trigrams;
}
