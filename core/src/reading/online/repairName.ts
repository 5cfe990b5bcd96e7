import { fold } from '../../text';
import { inCaseOf } from '../../text/naturalCase';
import type { FoundAddress } from './findEmails';
import type { ReadLine } from '../types';

/** A letter of the name above this probability stands, one of the address below it says nothing. */
const SURE = 0.9;
const MOST_LETTERS = 2;
const SHORTEST = 5;

/**
 * Sets doubtful letters of a printed name right by the mailbox that has the same name in sure ones: "Myles Hodkieuics"
 * beside myles.hodkiewicz@. Another word of the line must be in the mailbox letter for letter. Every character keeps
 * its place.
 * @param read the lines that the addresses were found in
 */
export function repairName(line: ReadLine, emails: readonly FoundAddress[], read: readonly ReadLine[]): ReadLine {
  const words = [...line.text.matchAll(/\p{L}+/gu)];
  let text = line.text;
  for (const email of emails) {
    const tokens = [...email.value.slice(0, email.value.indexOf('@')).matchAll(/[a-z]+/g)];
    const printed = read[email.source.line]!;
    if (printed.text === line.text || !words.some(([word]) => tokens.some(([token]) => token === fold(word)))) continue;
    for (const word of words.filter(([letters]) => letters.length >= SHORTEST)) {
      const right = tokens.find((token) => isMisreadOf(word, token, line, printed, email.source.from));
      if (!right) continue;
      const letters = [...word[0]].map((letter, i) =>
        fold(letter) === right[0][i] ? letter : inCaseOf(letter, right[0][i]!),
      );
      text = text.slice(0, word.index) + letters.join('') + text.slice(word.index + word[0].length);
    }
  }
  return text === line.text ? line : { ...line, text };
}

/** True when the two differ in few letters, all of them doubtful in the name and sure in the address. */
function isMisreadOf(
  word: RegExpExecArray,
  token: RegExpExecArray,
  line: ReadLine,
  printed: ReadLine,
  addressFrom: number,
): boolean {
  const plain = fold(word[0]);
  if (plain.length !== word[0].length || plain.length !== token[0].length) return false;
  const off = [...plain].flatMap((letter, i) => (letter === token[0][i] ? [] : [i]));
  const probability = (of: ReadLine, at: number) => of.characters[at]?.probability ?? 0;
  return (
    off.length > 0 &&
    off.length <= MOST_LETTERS &&
    off.every((i) => probability(line, word.index + i) < SURE) &&
    off.every((i) => probability(printed, addressFrom + token.index + i) >= SURE)
  );
}
