import { tradeWords } from '../../text/tables/companyWords';
import { departmentHeads, departmentTopics } from '../../text/tables/departmentWords';
import { givenNames } from '../../text/tables/nameWords';
import { sloganWords, titleHeads, titleJoiners, titleModifiers } from '../../text/tables/titleWords';
import type { WordKind } from './wordKinds';
import { accentedNames } from '../tables/accentedNames';
import { counties, streetWords } from '../tables/addressWords';
import { townNames } from '../tables/towns';

const SHORTEST = 3;

/** The words of the tables by what they are part of: what the letters of others are held against. A word may be of several kinds. */
export function wordsByKind(): Record<WordKind, string[]> {
  const of = (...tables: readonly { entries: readonly string[] }[]) => tables.flatMap(({ entries }) => entries);
  const all = {
    title: of(titleHeads),
    name: [...of(givenNames), ...accentedNames()],
    trade: of(tradeWords),
    other: [...of(titleModifiers, departmentTopics, departmentHeads, sloganWords, titleJoiners, streetWords, counties), ...townNames],
  };
  const single = (words: readonly string[]) => [...new Set(words)].filter((word) => word.length >= SHORTEST && !/\s/.test(word));
  return { title: single(all.title), name: single(all.name), trade: single(all.trade), other: single(all.other) };
} // prettier-ignore
