import { fold } from '../text';

/** Cyrillic and Greek letters as passports spell them (ICAO 9303, part 3), close enough to compare names by. */
const LETTERS = new Map(
  `а a б b в v г g ґ g д d е e ё e ж zh з z и i і i ї i й i к k л l м m н n о o п p р r с s т t у u ф f х kh ц ts ч ch ш sh щ shch ъ - ы y ь - э e ю iu я ia є ie α a β v γ g δ d ε e ζ z η i θ th ι i κ k λ l μ m ν n ξ x ο o π p ρ r σ s ς s τ t υ y φ f χ ch ψ ps ω o`
    .split(' ')
    .reduce<[string, string][]>((pairs, text, i, all) => {
      if (i % 2 === 0) pairs.push([text, all[i + 1]!.replace('-', '')]);
      return pairs;
    }, []),
);

/** Latin letters, digits and blanks of a text, folded; Cyrillic and Greek by their usual spelling. */
export function toLatin(text: string): string {
  const folded = fold(text);
  return /[\u0370-\u052f]/.test(folded)
    ? folded.replace(/[\u0370-\u052f]/g, (letter) => LETTERS.get(letter) ?? '')
    : folded;
}
