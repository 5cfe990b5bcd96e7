/** So many results are kept; when there are more, all are forgotten. */
const MOST = 200_000;

/** A pure function of one word that remembers its results: registers say the same words over and over. */
export function memo<T>(compute: (word: string) => T): (word: string) => T {
  const known = new Map<string, T>();
  return (word) => {
    let result = known.get(word);
    if (result === undefined) {
      if (known.size >= MOST) known.clear();
      known.set(word, (result = compute(word)));
    }
    return result;
  };
}
