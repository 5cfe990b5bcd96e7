import type { PrintedCard } from '@dossier/core/fixtures/printed-cards';
import type { Reading } from '@dossier/core/reading';
import {
  candidatesOf,
  firmBesideName,
  firmBesideTitle,
  kindsOfWord,
  likeWords,
  nameParts,
  scoreOf,
  share,
  titleBesideName,
  wordsOf,
  type Candidate,
  type Features,
  type RoleCandidates,
  type WordKindModel,
} from '@dossier/core/reading/roles';
import { editDistance, fold, foldTight } from '@dossier/core/text';
import { cardAt } from './doubts';
import type { ReadPart } from './drawnParts';
import { foldOfWord } from './fitWords';
import { ROLES_BY_HAND } from './rolesByHand';
import { wantedOfPrinted } from './shown';

export const FITTED = ['name', 'company', 'title'] as const;
export type Role = (typeof FITTED)[number];

/** One way to leave a role empty, or to fill it. */
interface Option {
  candidate?: Candidate;
  features: Sparse;
  isRight: boolean;
}
/** Places in the vector of weights, and what stands there. */
export type Sparse = readonly (readonly [place: number, value: number])[];

/** One card: what may have each role, what stands together, and which choices are right. */
export interface Case {
  /** How often cards like this one are, beside the others. */
  share: number;
  options: Record<Role, Option[]>;
  /** What a pair of options says together, by the places of both in their lists; undefined where they share a line. */
  nameTitle: (Sparse | undefined)[][];
  nameCompany: (Sparse | undefined)[][];
  companyTitle: (Sparse | undefined)[][];
}

/** So many of a role are looked at, the likeliest by the weights so far. */
const MOST_OPTIONS = 16;
/** A candidate is the one that is meant when it differs in less than this share of its letters. */
const ALIKE = 0.2;

/** Numbers the features of all roles as they come. */
export class Places {
  readonly names: string[] = [];
  private readonly places = new Map<string, number>();
  of(group: string, features: Features): Sparse {
    return Object.entries(features).map(([name, value]) => {
      const key = `${group}.${name}`;
      let place = this.places.get(key);
      if (place === undefined) {
        place = this.names.push(key) - 1;
        this.places.set(key, place);
      }
      return [place, value] as const;
    });
  }
}

/** Which candidates are meant by what the truth tells: those most like it; undefined where the truth tells nothing or nothing is like it. */
function meant(role: Role, candidates: readonly Candidate[], wanted: readonly string[] | null | undefined): ReadonlySet<Candidate> | undefined {
  if (!wanted) return undefined;
  if (wanted.length === 0 || wanted[0] === '') return new Set();
  const keys = wanted.map(foldTight);
  const off = candidates.map(({ text }) => {
    const key = foldTight(role === 'name' ? nameParts(text).core.join('') : text);
    return Math.min(...keys.map((want) => editDistance(key, want) / want.length));
  });
  const least = Math.min(...off);
  return least <= ALIKE ? new Set(candidates.filter((_, i) => off[i]! <= least)) : undefined;
} // prettier-ignore

const pairs = (a: readonly Option[], b: readonly Option[], tell: (a: Candidate, b: Candidate) => Sparse): (Sparse | undefined)[][] =>
  a.map((one) => b.map((other) => {
    if (!one.candidate || !other.candidate) return [];
    return share({ candidate: one.candidate }, { candidate: other.candidate }) ? undefined : tell(one.candidate, other.candidate);
  })); // prettier-ignore

function caseOf(found: RoleCandidates, wanted: ReturnType<typeof wantedOfPrinted>, places: Places): Case {
  const options = Object.fromEntries(FITTED.map((role) => {
    const own = found[role].filter((one, i, all) => all.findIndex((other) => other.candidate.text === one.candidate.text && other.candidate.lines.every((line, k) => line.index === one.candidate.lines[k]?.index)) === i);
    const right = meant(role, own.map(({ candidate }) => candidate), role === 'name' ? [wanted.name] : wanted[role]);
    const ranked = own.map((one) => ({ ...one, score: scoreOf(role, one.features, ROLES_BY_HAND).score })).toSorted((a, b) => b.score - a.score);
    const kept = ranked.filter(({ candidate }, i) => i < MOST_OPTIONS || right?.has(candidate));
    const empty: Option = { features: places.of(role, { empty: 1 }), isRight: right === undefined || right.size === 0 };
    return [role, [empty, ...kept.map(({ candidate, features }): Option => ({ candidate, features: places.of(role, features), isRight: right === undefined || right.has(candidate) }))]];
  })) as Record<Role, Option[]>;
  return {
    share: 1,
    options,
    nameTitle: pairs(options.name, options.title, (a, b) => places.of('together', titleBesideName(a, b))),
    nameCompany: pairs(options.name, options.company, (a, b) => places.of('together', firmBesideName(a, b, found.evidence))),
    companyTitle: pairs(options.company, options.title, (a, b) => places.of('together', firmBesideTitle(a, b))),
  };
} // prettier-ignore

/** Cards as they were read, of which the candidates can be told again. */
export interface Told {
  reading: Reading;
  wanted: ReturnType<typeof wantedOfPrinted>;
  /** As they are printed. */
  lines: readonly string[];
}

export const toldOf = ({ drawn, desk }: ReadPart): Told[] =>
  drawn.flatMap(({ card, quad }, i) => {
    const found = cardAt(desk, String(i), quad);
    if (!found) return [];
    const { again: _, ...reading } = found.reading;
    return [{ reading, wanted: wantedOfPrinted(card), lines: card.lines }];
  });

export const casesOf = (told: readonly Told[], places: Places): Case[] => told.map(({ reading, wanted }) => caseOf(candidatesOf(reading), wanted, places)); // prettier-ignore

/** Words that no table may know: what only they say, by what is called so. */
const SAID_BY_WORDS: Readonly<Record<Role, readonly string[]>> = {
  title: ['title.holdsTitleWord', 'title.moreTitleWords', 'title.modifiers', 'name.titleWords', 'name.wordsOfFirm', 'name.overPosition', 'company.titleWord', 'company.lineOfTitle', 'company.departmentWords', 'company.overPosition'],
  name: ['name.holdsGivenName', 'company.givenName', 'company.somebody', 'company.lineOfSomebody', 'title.givenName'],
  company: ['company.saysTrade', 'company.linesOfTrade', 'title.tradeWords', 'name.tradeWords'],
}; // prettier-ignore

const linesOf = (one: Case, role: Role): Set<number> =>
  new Set(one.options[role].filter(({ isRight, candidate }) => isRight && candidate).flatMap(({ candidate }) => candidate!.lines.map(({ index }) => index))); // prettier-ignore

/** Which kind's letters speak for a role. */
const LETTERS_OF = { name: 'name', company: 'trade', title: 'title' } as const;

/**
 * The same card as if no table knew the words of its name, its firm or its title: their letters are all that is left, as those models see them
 * that have not seen the word either.
 */
export function unknownWords(one: Case, roles: readonly Role[], places: Places, models: readonly WordKindModel[]): Case {
  const gone = new Set([...roles.flatMap((role) => SAID_BY_WORDS[role]), ...FITTED.map((role) => `${role}.letters`)]);
  const lines = new Set(roles.flatMap((role) => [...linesOf(one, role)]));
  const told = (role: Role) => (option: Option): Option => {
    if (!option.candidate?.lines.some(({ index }) => lines.has(index))) return option;
    const letters = likeWords(wordsOf(option.candidate.text), (word) => kindsOfWord(word, models[foldOfWord(fold(word))]));
    const kept = option.features.filter(([place]) => !gone.has(places.names[place]!));
    return { ...option, features: letters ? [...kept, ...places.of(role, { letters: letters[LETTERS_OF[role]] })] : kept };
  };
  return { ...one, options: { name: one.options.name.map(told('name')), company: one.options.company.map(told('company')), title: one.options.title.map(told('title')) } };
} // prettier-ignore

/** Lines of cards that say nothing of what is asked: what a firm does, when it is open, a motto. */
export function asidesOf(cards: readonly PrintedCard[]): string[] {
  const lines = cards.flatMap(({ expected, lines: own }) => {
    const told = Object.values(expected).filter((value): value is string => typeof value === 'string').map(foldTight);
    return own.filter((line) => !told.some((value) => value.includes(foldTight(line)) || (value.length > 2 && foldTight(line).includes(value))));
  });
  return [...new Set(lines)].filter((line) => !/[\d@:]/.test(line) && line.length >= SHORTEST_ASIDE);
} // prettier-ignore

const SHORTEST_ASIDE = 6;

/** The same card with an aside in the place of its title. Undefined where other things stand on its lines. */
export function withAside(told: Told, own: Case, aside: string): Told | undefined {
  const title = linesOf(own, 'title');
  const left = lacking(told, 'title', own);
  const first = Math.min(...title);
  if (!left || title.size === 0) return undefined;
  const line = told.reading.lines[first]!;
  const length = Math.max(1, line.text.length);
  const characters = [...aside].map((text, i) => ({ text, probability: 0.999, alternatives: [], at: (i + 0.5) / aside.length }));
  const [[x, y], , , [x4, y4]] = line.quad;
  const [across, down] = [((line.quad[1][0] - x) * aside.length) / length, ((line.quad[1][1] - y) * aside.length) / length];
  const set = { ...line, text: aside, characters, quad: [[x, y], [x + across, y + down], [x4 + across, y4 + down], [x4, y4]] as unknown as typeof line.quad };
  const lines = told.reading.lines.flatMap((other, index) => (index === first ? [set] : title.has(index) ? [] : [other]));
  return { ...told, reading: { ...told.reading, lines }, wanted: left.wanted };
} // prettier-ignore

/** The same card as if it had no title, or named no firm: what stands below moves up. Undefined where other things stand on its lines. */
export function lacking({ reading, wanted, ...rest }: Told, role: 'company' | 'title', own: Case): Told | undefined {
  const gone = linesOf(own, role);
  const others = FITTED.filter((other) => other !== role).flatMap((other) => [...linesOf(own, other)]);
  const isAlone = [...gone].every((index) => foldTight(own.options[role].filter(({ isRight }) => isRight).map(({ candidate }) => candidate?.text ?? '').join(' ')).includes(foldTight(reading.lines[index]!.text)));
  if (gone.size === 0 || gone.size === reading.lines.length || others.some((index) => gone.has(index)) || !isAlone) return undefined;
  const box = ({ quad }: Reading['lines'][number]) => ({ left: Math.min(...quad.map(([x]) => x)), right: Math.max(...quad.map(([x]) => x)), top: Math.min(...quad.map(([, y]) => y)), bottom: Math.max(...quad.map(([, y]) => y)) });
  const taken = [...gone].map((index) => box(reading.lines[index]!));
  const kept = reading.lines.filter((_, index) => !gone.has(index));
  const lines = kept.map((line) => {
    const at = box(line);
    const by = taken.filter((one) => one.bottom < (at.top + at.bottom) / 2 && one.left < at.right && at.left < one.right).reduce((sum, one) => sum + 1.2 * (one.bottom - one.top), 0);
    return { ...line, quad: line.quad.map(([x, y]) => [x, y - by]) as unknown as typeof line.quad };
  });
  return { ...rest, reading: { ...reading, lines }, wanted: { ...wanted, [role]: [] } };
} // prettier-ignore
