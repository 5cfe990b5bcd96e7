import { corrupt } from './corrupt';
import { FAMILY_NAMES, FORMS, GIVEN_NAMES, STREETS, TITLES, TOWNS, TRADES } from './names';
import { randomFrom, type Random } from './random';

export const REGISTER_COLUMNS = [
  'id', 'given_name', 'family_name', 'prefix', 'suffix', 'title', 'company', 'emails', 'phones', 'street', 'locality', 'region', 'postal_code', 'country',
] as const; // prettier-ignore
export type RegisterRow = Record<(typeof REGISTER_COLUMNS)[number], string>;

export interface Register {
  rows: RegisterRow[];
  /** Pairs of ids that are records of one person. */
  truth: [string, string][];
}

interface Firm {
  name: string;
  domain: string;
  switchboard: string;
  direct: string;
  street: string;
  locality: string;
  postalCode: string;
  address: (given: string, family: string) => string;
  general: string;
}

/**
 * A register of made-up people, of whom a share is there twice, the second time with something wrong, missing or new. Among them
 * are those that must not be taken for one: namesakes, people who share a switchboard or a general address, fathers and sons.
 * @param size rows in all
 * @param doubles share of the rows that are a second record of somebody, 0–1
 */
export function drawRegister(size: number, doubles: number, seed: number): Register {
  const random = randomFrom(seed);
  const firms = Array.from({ length: Math.max(3, Math.round(size / 9)) }, (_, i) => drawFirm(i, random));
  const rows: RegisterRow[] = [];
  const truth: [string, string][] = [];
  const add = (row: RegisterRow): string => {
    const id = `r${rows.length}`;
    rows.push({ ...row, id });
    return id;
  };
  const addresses = new Set<string>();
  while (rows.length < size * (1 - doubles)) {
    const row = withOwnAddress(drawPerson(random.pickUneven(firms), random), addresses);
    add(row);
    if (random.chance(0.01)) add(relativeOf(row, random));
  }
  const people = rows.length;
  while (rows.length < size) {
    const original = rows[random.below(people)]!;
    const row = random.chance(0.2) ? inNewJob(original, random.pickUneven(firms), random) : { ...original };
    truth.push([original.id, add(corrupt(row, random))]);
  }
  return { rows: shuffled(rows, random), truth: closed(truth) };
}

/** No firm gives two people one address: the second Anna Voss is "anna.voss2". */
function withOwnAddress(row: RegisterRow, taken: Set<string>): RegisterRow {
  if (!row.emails || /^(?:info|office|sales|kontakt)@/.test(row.emails)) return row;
  const [local, domain] = row.emails.split('@');
  let emails = row.emails;
  for (let n = 2; taken.has(emails); n++) emails = `${local}${n}@${domain}`;
  taken.add(emails);
  return { ...row, emails };
}

function drawFirm(index: number, random: Random): Firm {
  const head = random.pick(FAMILY_NAMES.slice(40));
  const trade = random.pick(TRADES);
  const name = `${head} ${trade} ${random.pick(FORMS)}`.trim();
  // Every seventh firm has its bare name for a domain, as another firm may have.
  const domain = `${ascii(head)}-${ascii(trade)}${index % 7 === 0 ? '' : `-${index}`}.example`;
  const exchange = `+44 1632 ${100 + (index % 900)}`;
  const style = random.below(4);
  return {
    name,
    domain,
    switchboard: `${exchange}${100 + Math.floor(index / 900)}`,
    direct: exchange,
    street: `${1 + random.below(180)} ${random.pick(STREETS)}`,
    locality: random.pickUneven(TOWNS),
    postalCode: `PE${1 + random.below(40)} ${1 + random.below(9)}${'ABDEFGHJLN'[random.below(10)]}${'PQRSTUWXYZ'[random.below(10)]}`,
    general: `${random.pick(['info', 'office', 'sales', 'kontakt'])}@${domain}`,
    address: (given, family) =>
      `${[`${given}.${family}`, `${given[0]}.${family}`, given, `${given[0]}${family}`][style]}@${domain}`,
  };
}

function drawPerson(firm: Firm, random: Random): RegisterRow {
  const given = random.pickUneven(GIVEN_NAMES);
  const family = random.chance(0.04)
    ? `${random.pickUneven(FAMILY_NAMES)}-${random.pickUneven(FAMILY_NAMES)}`
    : random.pickUneven(FAMILY_NAMES);
  const middle = random.chance(0.15) ? ` ${random.pick(GIVEN_NAMES)[0]}.` : '';
  return {
    id: '',
    given_name: given + middle,
    family_name: family,
    prefix: random.chance(0.08) ? random.pick(['Dr.', 'Prof.', 'Dipl.-Ing.']) : '',
    suffix: random.chance(0.05) ? random.pick(['MBA', 'PhD', 'CEng']) : '',
    ...atFirm(given, family, firm, random, random.chance(0.7) ? mobile(random) : ''),
  };
}

function atFirm(
  given: string,
  family: string,
  firm: Firm,
  random: Random,
  ownNumber: string,
): Omit<RegisterRow, 'id' | 'given_name' | 'family_name' | 'prefix' | 'suffix'> {
  const emails = random.chance(0.78)
    ? [firm.address(ascii(given), ascii(family))]
    : random.chance(0.5)
      ? [firm.general]
      : [];
  const direct = random.chance(0.4) ? [`${firm.direct}${200 + random.below(800)}`] : [];
  return {
    title: random.pick(TITLES),
    company: firm.name,
    emails: emails.join(';'),
    phones: [...(random.chance(0.6) ? [firm.switchboard] : []), ...direct, ...(ownNumber ? [ownNumber] : [])].join(';'),
    street: firm.street,
    locality: firm.locality,
    region: '',
    postal_code: firm.postalCode,
    country: 'GB',
  };
}

/** Son, daughter, husband or wife in the same firm: name, address and switchboard agree. */
function relativeOf(row: RegisterRow, random: Random): RegisterRow {
  const sameName = random.chance(0.3);
  const given = random.pick(GIVEN_NAMES.filter((name) => !row.given_name.startsWith(name)));
  return {
    ...row,
    given_name: sameName ? row.given_name : given,
    suffix: sameName ? 'Jr.' : '',
    prefix: '',
    title: random.pick(TITLES),
    emails: row.emails && !sameName ? `${ascii(given)}@${row.emails.split('@')[1]!.split(';')[0]}` : '',
    phones: row.phones.split(';').filter((phone) => phone.startsWith('+44 1632')).slice(0, 1).join(';'),
  }; // prettier-ignore
}

/**
 * The same person elsewhere: only the own number stays, as people keep it when they move; without one nobody could know that two
 * namesakes are one.
 */
function inNewJob(row: RegisterRow, firm: Firm, random: Random): RegisterRow {
  const own = row.phones.split(';').find((phone) => phone.startsWith('+44 7700'));
  return own ? { ...row, ...atFirm(row.given_name.split(' ')[0]!, row.family_name, firm, random, own) } : { ...row };
}

const mobile = (random: Random): string => `+44 7700 9${String(random.below(100_000)).padStart(5, '0')}`;

const ascii = (text: string): string =>
  text.replace(/ß/g, 'ss').replace(/[øØ]/g, 'o').replace(/[łŁ]/g, 'l').normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replace(/[^a-z]/g, ''); // prettier-ignore

function shuffled<T>(list: T[], random: Random): T[] {
  for (let i = list.length - 1; i > 0; i--) {
    const j = random.below(i + 1);
    [list[i], list[j]] = [list[j]!, list[i]!];
  }
  return list;
}

/** Three records of one person are three pairs. */
function closed(pairs: readonly [string, string][]): [string, string][] {
  const groups = new Map<string, string[]>();
  for (const [original, copy] of pairs) groups.set(original, [...(groups.get(original) ?? [original]), copy]);
  return [...groups.values()].flatMap((ids) =>
    ids.flatMap((a, i) => ids.slice(i + 1).map((b) => [a, b] as [string, string])),
  );
}
