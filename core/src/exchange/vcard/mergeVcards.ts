import { propertiesOf, type Property } from './propertiesOf';

/** What a card has once, whoever writes it. */
const FRAME = new Set(['BEGIN', 'END', 'VERSION', 'UID', 'REV', 'PRODID']);
/** What somebody has one of. */
const ONE = new Set(['FN', 'N', 'TITLE', 'ROLE', 'ORG', 'KIND']);
/** Of which theirs is enough. */
const THEIRS_IS_ENOUGH = new Set(['PHOTO', 'LOGO']);
/** What is told of, in the order in which it stands. */
const TOLD = ['FN', 'TITLE', 'ORG'] as const;
/** Of which theirs and ours stand beside each other; what ours said before goes when it says something else. */
const BESIDE = ['NOTE', 'CATEGORIES'] as const;
/** What only we write. */
const isOwn = (name: string): boolean => name.startsWith('X-DOSSIER-');

export interface MergedVcard {
  card: string;
  theirs: { to: string; there: string; here: string }[];
  /** What of ours stands there. */
  kept: Record<string, string>;
  /** Whether anything is another one than in theirs. */
  isChanged: boolean;
}

/** Of a firm its name alone: what stands behind it is the department. */
const inWords = ({ name, value }: Property): string => (name === 'ORG' ? value.split(';')[0]! : value).trim();
const keyOf = (name: string, value: string): string =>
  `${name} ${name === 'TEL' ? value.replace(/^tel:/i, '').replace(/[^\d+]/g, '') : value.toLowerCase()}`;

/**
 * Their card of somebody with what ours says: what they have once is ours, unless only they have changed it since; of what they have several
 * of, numbers and addresses, ours comes to theirs; all else that they wrote stays. Nothing is ever emptied.
 * @param ours of the same version @param sent what of ours stood there last
 */
export function mergeVcards(
  theirCard: string,
  ours: string,
  sent: Readonly<Record<string, unknown>> = {},
): MergedVcard {
  const [there, here] = [propertiesOf(theirCard), propertiesOf(ours)];
  const told: MergedVcard['theirs'] = [];
  const kept: Record<string, string> = {};
  const staysTheirs = new Set<string>();
  for (const name of TOLD) {
    const [own, other] = [here.find((one) => one.name === name), there.find((one) => one.name === name)];
    if (!own) continue;
    kept[name] = inWords(own);
    if (!other || inWords(other) === kept[name] || inWords(other) === sent[name]) continue;
    told.push({ to: name, there: inWords(other), here: kept[name] });
    if (sent[name] === kept[name]) staysTheirs.add(name);
  }
  if (staysTheirs.has('FN')) staysTheirs.add('N');
  const former = new Set<string>();
  for (const name of BESIDE) {
    const own = here.find((one) => one.name === name)?.value;
    if (own) kept[name] = own;
    const before = sent[name];
    if (typeof before === 'string' && before !== own) former.add(keyOf(name, before));
  }
  const known = new Set(there.map(({ name, value }) => keyOf(name, value)));
  const isOurs = ({ name, value }: Property): boolean => {
    if (FRAME.has(name) || staysTheirs.has(name)) return false;
    if (THEIRS_IS_ENOUGH.has(name)) return !there.some((one) => one.name === name);
    return ONE.has(name) || isOwn(name) || !known.has(keyOf(name, value));
  };
  const added = here.filter(isOurs);
  const replaced = new Set(added.map(({ name }) => name).filter((name) => ONE.has(name) || isOwn(name)));
  const isFormer = ({ name, value }: Property) => former.has(keyOf(name, value));
  const isChanged = there.some(isFormer) || added.some(({ name, value }) => !there.some((one) => one.name === name && one.value === value)); // prettier-ignore
  const left = there.filter(
    (one) => !replaced.has(one.name) && !isFormer(one) && one.name !== 'END' && one.name !== 'REV',
  );
  const revision = here.filter(({ name }) => name === 'REV');
  const card = [...left, ...added, ...revision].map(({ lines }) => lines);
  return { card: `${[...card, 'END:VCARD'].join('\r\n')}\r\n`, theirs: told, kept, isChanged };
}
