/** One of a workspace's words, whatever capitals it is written with. */
export const namedWord = (words: readonly string[], written: string): string | undefined =>
  words.find((one) => one.toLowerCase() === written.toLowerCase());
