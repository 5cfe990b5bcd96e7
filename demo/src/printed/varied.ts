import type { PrintedCard } from '@dossier/core/fixtures/printed-cards';
import { asciiSpellings, fold } from '@dossier/core/text';
import type { Random } from '../register/random';
import { madeWord } from './madeWord';

/** A shorter word is too often a part of others. */
const SHORTEST = 4;

/** What a mailbox is told by before its address; most cards do without. */
const LABELS = ['E ', 'E: ', 'e ', 'E-Mail: ', 'Mail: ', 'email ', 'e-mail: ', '@ '];
const BETWEEN = [' | ', ' · ', '   ', ' / ', ' – '];
/** What stands on cards and is in no field. */
const ASIDES = [
  'ISO 9001:2015',
  'BRC Grade AA',
  'Reg. No. 04417720',
  'EORI 440127719000',
  'IBAN DE02 1203 0000 0000 2020 51',
  'Member of the Guild since 1983',
  'Fresh every morning',
  'Aus gutem Grund.',
  'Le goût du large',
  'Qualità da tre generazioni',
  'Siempre a tiempo',
  'Samen sterker',
  'Kvalitet hele vejen',
  '24 h service',
  'By appointment only',
];
/** How mailboxes are made of a given and a family name. */
const MAILBOXES: readonly ((given: string, family: string) => string)[] = [
  (given, family) => `${given}.${family}`,
  (given, family) => `${given[0]}.${family}`,
  (given, family) => `${given[0]}${family}`,
  (given, family) => `${given}_${family}`,
  (given, family) => `${family}.${given[0]}`,
  (given) => given,
  (_, family) => family,
  (given, family) => `${given}-${family}`,
];

/**
 * A card like another one, of somebody else at another firm: names and what firms are called are made anew and in no list of words, numbers
 * have other digits, mailboxes are made in another way, labels, asides and web addresses come and go.
 * @param like from which given names, titles and the sound of names are taken
 */
export function variedCard(card: PrintedCard, like: readonly PrintedCard[], random: Random): PrintedCard {
  const kin = like.filter(({ group }) => group === card.group);
  const words = wordsToChange(card, kin, random);
  const says = (text: string) => changeWords(text, words);
  const told: PrintedCard = {
    group: card.group,
    lines: card.lines.map(says),
    expected: Object.fromEntries(Object.entries(card.expected).map(([key, text]) => [key, key === 'phones' ? text : says(text)])), // prettier-ignore
  };
  const named = withInitial(told, card.expected.name ?? '');
  return [otherTitle, otherNumbers, otherMailbox, otherOnline, withAside].reduce((made, change) => change(made, random, kin), named); // prettier-ignore
}

/** The first letter of a mailbox is that of the name which is printed now. */
function withInitial(card: PrintedCard, nameBefore: string): PrintedCard {
  const email = card.expected.emails ?? '';
  const [was, is] = [nameBefore, card.expected.name ?? ''].map((name) => fold(name)[0] ?? '');
  const line = card.lines.find((text) => text.includes(email));
  const family = fold(card.expected.name ?? '').replace(/^\S+/, '').replace(/[^a-z]/g, ''); // prettier-ignore
  const rest = email
    .split('@')[0]!
    .slice(1)
    .replace(/[^a-z]/g, '');
  const isInitial = email[0] === was && rest !== '' && family.endsWith(rest);
  if (!line || !is || email.includes(',') || !isInitial) return card;
  const made = is + email.slice(1);
  return { ...withLine(card, line, line.replace(email, made)), expected: { ...card.expected, emails: made } };
}

/** Old words in small letters, and what stands in their place. */
function wordsToChange({ expected }: PrintedCard, kin: readonly PrintedCard[], random: Random): Map<string, string> {
  const names = expected.name?.split(/[\s-]+/) ?? [];
  const family = names.slice(1).filter((word) => word.length >= SHORTEST && /^\p{Lu}/u.test(word));
  const domain = expected.emails?.split('@')[1]?.split(',')[0] ?? '';
  const firm = (expected.company ?? '')
    .split(/[\s&,.-]+/)
    .filter((word) => word.length > SHORTEST && spellings(word).some((spelled) => domain.includes(spelled)));
  const changed = new Map<string, string>();
  const of = (key: 'name' | 'company') => kin.flatMap((card) => card.expected[key]?.split(/[\s-]+/).slice(key === 'name' ? 1 : 0) ?? []); // prettier-ignore
  for (const word of family) changed.set(word.toLowerCase(), madeWord(of('name'), random));
  for (const word of firm) {
    if (!changed.has(word.toLowerCase()) && random.chance(0.6)) changed.set(word.toLowerCase(), madeWord(of('company'), random)); // prettier-ignore
  }
  const given = names[0] ?? '';
  const other = random.pick(kin).expected.name?.split(/\s+/)[0] ?? given;
  if (given.length >= SHORTEST && other.length >= SHORTEST && random.chance(0.6)) changed.set(given.toLowerCase(), other.toLowerCase()); // prettier-ignore
  return changed;
}

/** How a word may stand in an address. */
const spellings = (word: string): string[] => [...new Set([...asciiSpellings(word), fold(word)])];

const ONLINE = /\S+@\S+|(?:www\.)?[\p{L}\d-]+(?:\.[\p{L}\d-]+)*\.\p{Ll}{2,}(?:\/\S*)?/gu;

function changeWords(text: string, words: ReadonlyMap<string, string>): string {
  const online = (address: string) =>
    [...words].reduce(
      (said, [from, to]) => spellings(from).reduce((all, spelled) => all.replaceAll(spelled, fold(to)), said),
      address,
    );
  const plain = (part: string) =>
    part.replace(/[\p{L}\p{M}]+/gu, (word) => inCaseOf(word, words.get(word.toLowerCase()) ?? word));
  let at = 0;
  const parts: string[] = [];
  for (const match of text.matchAll(ONLINE)) {
    parts.push(plain(text.slice(at, match.index)), online(match[0]));
    at = match.index + match[0].length;
  }
  return [...parts, plain(text.slice(at))].join('');
}

function inCaseOf(model: string, word: string): string {
  if (word === model) return word;
  if (model.length > 1 && model === model.toUpperCase()) return word.toUpperCase();
  return /^\p{Lu}/u.test(model) ? word.charAt(0).toUpperCase() + word.slice(1) : word;
}

const withLine = (card: PrintedCard, from: string, to: string): PrintedCard => ({
  ...card,
  lines: card.lines.map((line) => (line === from ? to : line)),
});

function otherTitle(card: PrintedCard, random: Random, kin: readonly PrintedCard[]): PrintedCard {
  const title = random.pick(kin).expected.title;
  const own = card.expected.title;
  if (!title || !own || !card.lines.includes(own) || !random.chance(0.35)) return card;
  return { ...withLine(card, own, title), expected: { ...card.expected, title } };
}

/** The last three digits of each number are other ones, wherever it stands. */
function otherNumbers(card: PrintedCard, random: Random): PrintedCard {
  let { lines } = card;
  const phones = (card.expected.phones ?? '').split(', ').map((phone) => {
    const digits = [0, 1, 2].map(() => String(random.below(10)));
    for (const length of MATCHED) {
      const changed = lines.map((line) => withLastDigits(line, phone.slice(-length), digits));
      if (phone.length <= length || changed.filter((line, i) => line !== lines[i]).length !== 1) continue;
      lines = changed;
      return phone.slice(0, -3) + digits.join('');
    }
    return phone;
  });
  return card.expected.phones ? { ...card, lines, expected: { ...card.expected, phones: phones.join(', ') } } : card;
}

/** So many of its last digits tell where a number stands: national numbers have other ones in front. */
const MATCHED = [9, 8, 7, 6];

function withLastDigits(line: string, last: string, digits: readonly string[]): string {
  const places = [...line.matchAll(/\d/g)].map(({ index }) => index);
  const from = places.map((place) => line[place]).join('').indexOf(last); // prettier-ignore
  if (from < 0) return line;
  const letters = line.split('');
  digits.forEach((digit, i) => (letters[places[from + last.length - 3 + i]!] = digit));
  return letters.join('');
}

function otherMailbox(card: PrintedCard, random: Random): PrintedCard {
  const email = card.expected.emails ?? '';
  const [given, ...more] = (card.expected.name ?? '').split(/\s+/).map((word) => fold(word).replace(/[^a-z]/g, ''));
  const family = more[more.length - 1];
  const line = card.lines.find((text) => text.includes(email));
  if (!line || email.includes(',') || !email.includes('@') || !given || !family || !random.chance(0.5)) return card;
  const made = `${random.pick(MAILBOXES)(given, family)}@${email.split('@')[1]!}`;
  return { ...withLine(card, line, line.replace(email, made)), expected: { ...card.expected, emails: made } };
}

/** A label before the mailbox, or a web address beside or under it. */
function otherOnline(card: PrintedCard, random: Random): PrintedCard {
  const email = card.expected.emails ?? '';
  const domain = email.split('@')[1] ?? '';
  if (!card.lines.includes(email) || email.includes(',')) return card;
  const web = card.lines.find((line) => /^(?:www\.)?[\w-]+(?:\.[\w-]+)+$/.test(line));
  if (web && random.chance(0.3)) {
    const both = [email, web].sort(() => (random.chance(0.5) ? 1 : -1)).join(random.pick(BETWEEN));
    const { lines, ...rest } = withLine(card, email, both);
    return { ...rest, lines: lines.filter((line) => line !== web) };
  }
  if (random.chance(0.3)) return withLine(card, email, random.pick(LABELS) + email);
  if (web || !domain.endsWith('.example') || !random.chance(0.3)) return card;
  return { ...card, lines: card.lines.flatMap((line) => (line === email ? [line, `www.${domain}`] : [line])) };
}

/** Something beside, which no printer puts between a street and its town. */
function withAside(card: PrintedCard, random: Random): PrintedCard {
  if (!random.chance(0.25)) return card;
  const firm = card.lines.indexOf(card.lines.find((line) => line.toLowerCase() === card.expected.company?.toLowerCase()) ?? '');
  const at = firm >= 0 && random.chance(0.5) ? firm + 1 : card.lines.length;
  return { ...card, lines: [...card.lines.slice(0, at), random.pick(ASIDES), ...card.lines.slice(at)] };
} // prettier-ignore
