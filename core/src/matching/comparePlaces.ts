import { companyLikeness } from './companyForm';
import type { Finding } from './evidence';
import type { Features } from './features';
import { shareOf, type Frequencies } from './frequencies';
import { CHANCE, type MatchProbabilities } from './weights';

export interface PlaceComparison {
  firm: 'same' | 'close' | 'different' | 'unknown';
  /** Agreements that follow from one another: people of one firm share its address. */
  shared: Finding[];
  against: Finding[];
}

/** Firm, address and town of two records. */
export function comparePlaces(
  a: Features,
  b: Features,
  frequencies: Frequencies,
  { firm: m }: MatchProbabilities,
): PlaceComparison {
  const shared: Finding[] = [];
  const against: Finding[] = [];
  let firm: PlaceComparison['firm'] = 'unknown';
  const common = a.firms.filter((key) => b.firms.includes(key));
  if (common.length > 0) {
    firm = 'same';
    // Names and domains of both stand for one firm: the most frequent of them tells how large it is.
    const size = Math.max(...[...a.firms, ...b.firms].map((key) => shareOf(frequencies, 'firm', key)));
    const [key = ''] = common;
    shared.push({
      about: 'firm',
      weight: Math.max(0.5, Math.log2(m.same / size)),
      words: () => (key.startsWith('@') ? `same firm by its address, ${key.slice(1)}` : 'same firm'),
    });
  } else if (a.company && b.company && companyLikeness(a.company, b.company) === 'close') {
    firm = 'close';
    const chance =
      shareOf(frequencies, 'firm', a.company.key) + shareOf(frequencies, 'firm', b.company.key) + CHANCE.firmClose;
    shared.push({
      about: 'firm',
      weight: Math.max(0.5, Math.log2(m.close / chance)),
      words: 'firm written otherwise',
    });
  } else if (comparable(a, b)) {
    firm = 'different';
    against.push({ about: 'firm', weight: Math.log2(m.different), words: 'another firm' });
  }
  const place = samePlace(a, b, frequencies);
  if (place) shared.push(place);
  else if (a.country && b.country && a.country !== b.country)
    against.push({ about: 'country', weight: -2.5, words: 'another country' });
  else if (a.locality && b.locality)
    against.push({ about: 'town', weight: firm === 'same' ? -0.7 : -1.5, words: 'another town' });
  return { firm, shared, against };
}

/** How often a person's two records have the same one of each. */
const SAME_PLACE = [
  { about: 'address', of: 'address', share: 0.7, words: 'same address' },
  { about: 'postalCode', of: 'postalCode', share: 0.7, words: 'same postal code' },
  { about: 'town', of: 'locality', share: 0.75, words: 'same town' },
] as const;

/**
 * The narrowest place that both have in common. One lies in the other: it tells no less than the wider one, even where a
 * small register has more people with that postal code than of that town.
 */
function samePlace(a: Features, b: Features, frequencies: Frequencies): Finding | undefined {
  const same = SAME_PLACE.filter(({ of }) => a[of] && a[of] === b[of]);
  const [narrowest] = same;
  if (!narrowest) return undefined;
  const weights = same.map(({ of, share }) => Math.log2(share / shareOf(frequencies, of, a[of])));
  return { about: narrowest.about, weight: Math.max(...weights), words: narrowest.words };
}

/** Whether the firms of both are known in the same way: a name and a domain cannot be held against each other. */
const comparable = (a: Features, b: Features): boolean =>
  Boolean(a.company && b.company) ||
  (a.firms.length > 0 && b.firms.length > 0 && a.firms.some(isDomain) === b.firms.some(isDomain));

const isDomain = (key: string): boolean => key.startsWith('@');
