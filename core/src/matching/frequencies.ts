import type { Features } from './features';
import { isClose } from './likeness';
import type { NameForm } from './nameForm';
import { soundKey } from './soundKey';

/** What is counted: how many people have a value, so that a rare one says more than a common one. */
export type Counted =
  'given' | 'initial' | 'family' | 'sound' | 'firm' | 'address' | 'postalCode' | 'locality' | 'title' | 'occasion';

/** How often values occur among the people of a workspace or register. */
export interface Frequencies {
  people: number;
  /** How many people have a value. */
  count(what: Counted, value: string): number;
  /** Under how many different family names a mailbox or number is known: 1 for one's own, more for an office's. */
  sharers(key: string): number;
}

type Counts = Readonly<Record<Counted, ReadonlyMap<string, number>>>;

/** Frequencies as they are kept: values that several people have; a number of sharers where there are several. */
export interface FrequencyTable {
  people: number;
  counts: Record<Counted, Record<string, number>>;
  sharers: Record<string, number>;
}

const COUNTED: readonly Counted[] = [
  'given',
  'initial',
  'family',
  'sound',
  'firm',
  'address',
  'postalCode',
  'locality',
  'title',
  'occasion',
];

/** Gathers frequencies person by person. */
export class FrequencyCounter implements Frequencies {
  people = 0;
  readonly #counts = Object.fromEntries(COUNTED.map((what) => [what, new Map<string, number>()])) as Record<
    Counted,
    Map<string, number>
  >;
  /** Somebody of each family that has a mailbox or number. */
  readonly #sharers = new Map<string, NameForm | NameForm[]>();

  add(features: Features): void {
    const { name } = features;
    this.people++;
    for (const given of new Set([...name.given, ...name.givenParts])) {
      if (given.length > 1) this.#up('given', given);
    }
    if (name.given[0]) this.#up('initial', name.given[0][0]!);
    for (const family of new Set(name.family)) this.#up('family', family);
    if (name.family.length > 0) this.#up('sound', soundKey(name.familyWhole));
    for (const firm of features.firms) this.#up('firm', firm);
    for (const what of ['address', 'postalCode', 'locality', 'title'] as const) {
      if (features[what]) this.#up(what, features[what]);
    }
    for (const occasion of features.occasions) this.#up('occasion', occasion);
    for (const key of features.mailboxes) this.#share(key, name);
    for (const key of features.phones) this.#share(key, name);
  }

  count(what: Counted, value: string): number {
    return this.#counts[what].get(value) ?? 0;
  }

  sharers(key: string): number {
    const names = this.#sharers.get(key);
    return Array.isArray(names) ? names.length : 1;
  }

  /** What is worth keeping: rare values are alike, and a value that is missing counts as one. */
  toTable(atLeast = 3): FrequencyTable {
    const counts = Object.fromEntries(
      COUNTED.map((what) => [what, Object.fromEntries([...this.#counts[what]].filter(([, n]) => n >= atLeast))]),
    ) as FrequencyTable['counts'];
    const sharers: Record<string, number> = {};
    for (const [key, names] of this.#sharers) if (Array.isArray(names)) sharers[key] = names.length;
    return { people: this.people, counts, sharers };
  }

  #up(what: Counted, value: string): void {
    const counts = this.#counts[what];
    counts.set(value, (counts.get(value) ?? 0) + 1);
  }

  #share(key: string, name: NameForm): void {
    const names = this.#sharers.get(key);
    if (names === undefined) this.#sharers.set(key, name);
    else if (!Array.isArray(names)) {
      if (!mayBeOneFamily(names, name)) this.#sharers.set(key, [names, name]);
    } else if (names.length < MOST_SHARERS && !names.some((other) => mayBeOneFamily(other, name))) names.push(name);
  }
}

/** With so many it is an office; how many more makes no difference. */
const MOST_SHARERS = 60;

/** Whether two names can be one family's: alike, misspelled, or in the wrong columns. */
function mayBeOneFamily(a: NameForm, b: NameForm): boolean {
  if (!a.familyWhole || !b.familyWhole) return false;
  const alike = (x = '', y = '') =>
    x === y || (x.length > 2 && y.length > 2 && (isClose(x, y) || soundKey(x) === soundKey(y)));
  return (
    alike(a.familyWhole, b.familyWhole) ||
    a.family.some((word) => word.length > 2 && b.family.includes(word)) ||
    (alike(a.familyWhole, b.given[0]) && alike(a.given[0], b.familyWhole))
  );
}

/** Frequencies out of a kept table. */
export function frequenciesOf(table: FrequencyTable): Frequencies {
  const counts = Object.fromEntries(
    COUNTED.map((what) => [what, new Map(Object.entries(table.counts[what] ?? {}))]),
  ) as unknown as Counts;
  const sharers = new Map(Object.entries(table.sharers));
  return {
    people: table.people,
    count: (what, value) => counts[what].get(value) ?? 1,
    sharers: (key) => sharers.get(key) ?? 1,
  };
}

/** What is assumed of values before they are counted: shares of people, and as how many people that assumption counts. */
const BEFORE: Readonly<Record<Counted, readonly [share: number, people: number]>> = {
  given: [0.003, 300],
  initial: [0.05, 100],
  family: [0.0004, 300],
  sound: [0.0012, 300],
  firm: [0.002, 100],
  address: [0.001, 100],
  postalCode: [0.002, 100],
  locality: [0.01, 100],
  title: [0.01, 100],
  occasion: [0.1, 100],
};

/** The share of people that have a value, 0–1. */
export function shareOf(frequencies: Frequencies, what: Counted, value: string): number {
  const [share, people] = BEFORE[what];
  return (frequencies.count(what, value) + share * people) / (frequencies.people + people);
}

/** A kept table after somebody is forgotten: what is counted of them is counted once less, and rare values are not kept. */
export function withoutPerson(table: FrequencyTable, features: Features, atLeast = 3): FrequencyTable {
  const counted = new FrequencyCounter();
  counted.add(features);
  const own = counted.toTable(1).counts;
  const counts = Object.fromEntries(
    COUNTED.map((what) => [
      what,
      Object.fromEntries(
        Object.entries(table.counts[what] ?? {})
          .map(([value, n]) => [value, n - (own[what][value] ?? 0)] as const)
          .filter(([, n]) => n >= atLeast),
      ),
    ]),
  ) as FrequencyTable['counts'];
  const gone = new Set([...features.mailboxes, ...features.phones]);
  const sharers = Object.fromEntries(Object.entries(table.sharers).filter(([key]) => !gone.has(key)));
  return { people: Math.max(0, table.people - 1), counts, sharers };
}
