import { rmSync } from 'node:fs';
import { proposeFields } from '@dossier/core/reading';
import { cardAt, describeDoubts, doubtsOf, isWithoutEdit, share, type DoubtFigures } from './doubts';
import { readPart } from './drawnParts';
import { shownOf, wantedOfPrinted } from './shown';

export interface SealedFigures {
  seed: number;
  cards: number;
  found: number;
  /** Cards whose name, title, company, e-mails and phones are right. */
  noEdit: number;
  doubts: DoubtFigures;
}

/** How cards are read, and how far doubts can be believed, that nothing was fitted to or looked at. Their photographs are not kept. */
export async function measureSealed(seed: number, folder: string): Promise<SealedFigures> {
  rmSync(folder, { recursive: true, force: true });
  const { drawn, desk } = await readPart('seal', seed, 2, folder);
  rmSync(folder, { recursive: true, force: true });
  const cards = drawn.map(({ card, quad }, i) => {
    const found = cardAt(desk, String(i), quad);
    return { found, shown: shownOf(found && proposeFields(found.reading), wantedOfPrinted(card)) };
  });
  const found = cards.filter((card) => card.found);
  return {
    seed,
    cards: cards.length,
    found: found.length,
    noEdit: cards.filter(({ shown }) => isWithoutEdit(shown)).length,
    doubts: doubtsOf(found.map(({ shown }) => shown)),
  };
}

export const describeSealed = ({ seed, cards, found, noEdit, doubts }: SealedFigures): string =>
  [`seed ${seed}: ${cards} cards, ${found} found`, `no edit                           ${share(noEdit, cards)}`, describeDoubts(doubts)].join('\n'); // prettier-ignore
