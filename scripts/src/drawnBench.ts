import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Quad } from '@dossier/core/capture';
import { printedCards, readAgainst, type ReadField } from '@dossier/core/fixtures/printed-cards';
import { drawPrinted, type DrawnCard } from '@dossier/demo/printed';
import { cardAt, doubtsOf, isMarked, isWithoutEdit, type Shown } from './doubts';
import { readFiles, type DeskCard } from './readFiles';
import { plain } from './shown';

export interface DrawnFigures {
  seed: number;
  cards: number;
  found: number;
  /** Share of all cards whose name, title, company, e-mails and phones are right. */
  noEdit: number;
  markedACard: number;
  /** Share of the fields shown without a doubt mark that are wrong. */
  wrongUnmarked: number;
}

type Outcome = Omit<DrawnCard, 'photo'> & { id: string; fields: ReadField[] | undefined };

/**
 * Photographs of printed cards of made-up people in layouts, typefaces and light that follow from a seed, and what is read
 * on them. Another seed gives photographs that nobody has seen.
 * @param texts folder of the cards' texts; without it those that ship with the core
 * @param folder where the photographs are left for a look at them
 */
export async function measureDrawn(seed: number, texts: string | undefined, folder: string): Promise<DrawnFigures> {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const drawn: Omit<DrawnCard, 'photo'>[] = [];
  await drawPrinted(printedCards(texts), seed, ({ photo, ...rest }) => {
    writeFileSync(join(folder, `${drawn.length}.jpg`), photo);
    drawn.push(rest);
  });
  const desk: DeskCard[] = [];
  const files = drawn.map((_, i) => join(folder, `${i}.jpg`)).filter((file) => existsSync(file));
  const readings = await readFiles(files, tell(files.length), {}, (card) => desk.push(card));
  writeFileSync(join(folder, 'readings.json'), JSON.stringify(desk));
  const outcomes = drawn.map((card, i) => ({ ...card, id: String(i), fields: fieldsOf(card, String(i), desk) }));
  console.log(outcomes.flatMap(describeWrong).join('\n'));
  console.log(describeLayouts(outcomes));
  return { ...figuresOf(outcomes), seed, cards: Object.keys(readings).length };
}

const tell = (of: number) => (done: number) => {
  if (process.stderr.isTTY) process.stderr.write(`\rdrawn ${done}/${of}  `);
};

function fieldsOf({ card, quad }: { card: DrawnCard['card']; quad: Quad }, id: string, desk: readonly DeskCard[]) {
  const found = cardAt(desk, id, quad);
  return found && readAgainst(card, found.proposal);
}

const shownAs = ({ key, read, expected, confidence }: ReadField): Shown => ({
  key,
  right: plain(key, read) === plain(key, expected),
  confidence,
});

function figuresOf(outcomes: readonly Outcome[]): Omit<DrawnFigures, 'seed' | 'cards'> {
  const found = outcomes.flatMap(({ fields }) => (fields ? [fields.map(shownAs)] : []));
  const { marks, unmarked, unmarkedWrong } = doubtsOf(found);
  return {
    found: found.length,
    noEdit: found.filter(isWithoutEdit).length / outcomes.length,
    markedACard: marks / found.length,
    wrongUnmarked: unmarkedWrong / unmarked,
  };
}

function describeWrong({ id, layout, typeface, fields }: Outcome): string[] {
  const where = `${id.padStart(3)} ${layout} ${typeface}`;
  if (!fields) return [`${where}: not found`];
  return fields
    .filter((field) => !shownAs(field).right)
    .map((field) => {
      const sure =
        field.confidence === undefined
          ? 'missing'
          : `${field.confidence.toFixed(2)}${isMarked(shownAs(field)) ? '' : ' !'}`;
      return `${where}: ${field.key} (${sure}) "${field.read}" for "${field.expected}"`;
    });
}

function describeLayouts(outcomes: readonly Outcome[]): string {
  const names = [...new Set(outcomes.map(({ layout }) => layout))].sort();
  return names
    .map((name) => {
      const { found, noEdit, wrongUnmarked } = figuresOf(outcomes.filter(({ layout }) => layout === name));
      return `${name.padEnd(12)} ${String(found).padStart(3)} found, no edit ${percent(noEdit)}, wrong without a mark ${percent(wrongUnmarked)}`;
    })
    .join('\n');
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

export const describeDrawn = ({ seed, cards, found, noEdit, markedACard, wrongUnmarked }: DrawnFigures): string =>
  `seed ${seed}: ${cards} cards, ${found} found, no edit ${percent(noEdit)}, ${markedACard.toFixed(2)} marked a card, wrong without a mark ${percent(wrongUnmarked)}`;
