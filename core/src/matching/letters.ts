/** Which of the letters a to z occur in a word, one bit each. */
export function lettersOf(word: string): number {
  let letters = 0;
  for (let i = 0; i < word.length; i++) letters |= 1 << (word.charCodeAt(i) & 31);
  return letters;
}

/** How many letters occur in one of two words only. */
export function differingLetters(a: number, b: number): number {
  const bits = a ^ b;
  let left = bits - ((bits >>> 1) & 0x55555555);
  left = (left & 0x33333333) + ((left >>> 2) & 0x33333333);
  return (((left + (left >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}
