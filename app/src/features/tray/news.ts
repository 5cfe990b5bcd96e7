import { counted } from '@/lib/counted';
import type { Batch, SecondLooks } from '@dossier/contract';

/** Something a person should hear of wherever they are in Dossier. */
export interface News {
  key: string;
  words: string;
  /** Where it leads. */
  href: '/tray' | `/proof/${string}`;
  action: string;
  /** Goes by itself, and is said once. */
  passes?: boolean;
  /** Answers that are seen once this is closed. */
  seen?: string[];
}

/** A batch counts as one thing to wait for from so many photographs on. */
const WORTH_A_WORD = 2;

/** What is to be said now. @param toldBatch key of the last batch that was spoken of on this device */
export function newsToTell(
  batch: Batch | null | undefined,
  looks: SecondLooks | undefined,
  onDevice: number,
  toldBatch: string,
): News[] {
  const words: News[] = [];
  for (const [name, answers] of groupBy(looks?.answered ?? [], (look) => look.answeredBy.name)) {
    const [first] = answers;
    const one = answers.length === 1;
    const what = one ? (first!.card ?? 'a card') : `${answers.length} cards`;
    const said = one && first!.answer ? `: “${first!.answer}”` : '.';
    const did = answers.every((a) => a.filed) ? 'filed' : 'looked at';
    words.push({
      key: answers.map((a) => a.id).join(),
      words: `${name} has ${did} ${what}${said}`,
      href: one ? `/proof/${first!.cardId}` : '/tray',
      action: one ? 'Open the card' : 'See the tray',
      seen: answers.map((a) => a.id),
    });
  }
  for (const [name, asked] of groupBy(looks?.asked ?? [], (look) => look.askedBy.name)) {
    const one = asked.length === 1;
    words.push({
      key: `asked:${asked.map((a) => a.cardId).join()}`,
      words: `${name} asks for your second look at ${one ? 'a card' : `${asked.length} cards`}${one && asked[0]!.message ? `: “${asked[0]!.message}”` : '.'}`,
      href: `/proof/${asked[0]!.cardId}`,
      action: 'Look',
    });
  }
  // People come before what the machine has to say.
  if (batch && isReady(batch, onDevice) && batchKey(batch) !== toldBatch)
    words.push({ key: batchKey(batch), words: batchWords(batch), href: '/tray', action: 'See the tray', passes: true });
  return words;
}

export const isReady = ({ photos, done }: Batch, onDevice: number): boolean =>
  photos >= WORTH_A_WORD && done === photos && onDevice === 0;

/** A batch that has grown is another one to speak of. */
const batchKey = ({ id, photos }: Batch): string => `${id}:${photos}`;

function batchWords({ photos, cards, unreadable }: Batch): string {
  const found = `${counted(cards, 'card')} in the tray`;
  const failed = unreadable === 0 ? '' : unreadable === 1 ? ', 1 cannot be opened' : `, ${unreadable} cannot be opened`;
  return `All ${photos} photographs are read: ${found}${failed}.`;
}

function groupBy<T>(items: readonly T[], key: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return groups;
}
