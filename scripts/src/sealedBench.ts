import { rmSync } from 'node:fs';
import { cardAt, describeDoubts, doubtsOf, isWithoutEdit, share, type DoubtFigures } from './doubts';
import { readPart } from './drawnParts';
import { shownOf, shownTwice, wantedOfPrinted } from './shown';

export interface SealedFigures {
  seed: number;
  cards: number;
  found: number;
  /** Cards whose name, title, company, e-mails and phones are right. */
  noEdit: number;
  /** Of cards that were read once, and of the same once they were read twice. */
  doubts: Record<'once' | 'twice', DoubtFigures>;
}

/** How cards are read, and how far doubts can be believed, that nothing was fitted to or looked at. Their photographs are not kept. */
export async function measureSealed(seed: number, folder: string): Promise<SealedFigures> {
  rmSync(folder, { recursive: true, force: true });
  const { drawn, desk } = await readPart('seal', seed, 2, folder);
  rmSync(folder, { recursive: true, force: true });
  const cards = drawn.map(({ card, quad }, i) => {
    const found = cardAt(desk, String(i), quad);
    const wanted = wantedOfPrinted(card);
    const missed = shownOf(undefined, wanted);
    return { found, shown: found ? shownTwice(found, wanted) : { once: missed, twice: missed } };
  });
  const found = cards.filter((card) => card.found);
  return {
    seed,
    cards: cards.length,
    found: found.length,
    noEdit: cards.filter(({ shown }) => isWithoutEdit(shown.once)).length,
    doubts: { once: doubtsOf(found.map(({ shown }) => shown.once)), twice: doubtsOf(found.map(({ shown }) => shown.twice)) }, // prettier-ignore
  };
}

export const describeSealed = ({ seed, cards, found, noEdit, doubts }: SealedFigures): string =>
  [`seed ${seed}: ${cards} cards, ${found} found`, `no edit                           ${share(noEdit, cards)}`, '-- read once', describeDoubts(doubts.once), '-- read twice', describeDoubts(doubts.twice)].join('\n'); // prettier-ignore
