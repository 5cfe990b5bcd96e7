import { proposeFields, proposeSides, readingOfText, type CardProposal, type ProposeOptions, type Reading } from '@dossier/core/reading'; // prettier-ignore
import { writableIn } from '@dossier/core/text';

/** What the thread for proposing can be asked for, by name: see `proposing`. */

let begun = false;

/** The thread is there and has once proposed something, so that the first text is not later than the others. */
export function begin(): void {
  if (begun) return;
  begun = true;
  proposeFields(readingOfText('Ada Example\nExample Ltd\nada@example.org'));
}

export const fields = ({ reading, options }: { reading: Reading; options: ProposeOptions }): CardProposal =>
  writableIn(proposeFields(reading, options));

/** Both sides of a card as one; the front alone when there is no back. */
export const sides = ({
  front,
  back,
  options,
}: {
  front: Reading;
  back: Reading | undefined;
  options: ProposeOptions;
}): CardProposal => writableIn(back ? proposeSides(front, back, options) : proposeFields(front, options));

/** Pasted text laid out as a card, and what is proposed from it. */
export function text({ text: pasted, options }: { text: string; options: ProposeOptions }): {
  reading: Reading;
  proposal: CardProposal;
} {
  const reading = readingOfText(pasted);
  return { reading, proposal: writableIn(proposeFields(reading, options)) };
}
