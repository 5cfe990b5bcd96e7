import { because } from '../reasons';
import { fold } from '../../text';
import { inCaseOf } from '../../text/naturalCase';
import type { ReadLine } from '../types';
import type { UnscoredProposal } from '../unscoredProposal';

/** Offers what was read where a repair of the line has changed the letters of a value. */
export function withReading(draft: UnscoredProposal, read: readonly ReadLine[], repaired: readonly ReadLine[]): UnscoredProposal {
  const [source, ...more] = draft.sources;
  if (!source || more.length > 0 || source.side) return draft;
  const [was, is] = [read, repaired].map((lines) => lines[source.line]!.text.slice(source.from, source.to)) as [string, string];
  const { value } = draft;
  if (was === is || is.length !== value.length || fold(is) !== fold(value) || fold(value).length !== value.length) return draft;
  const asRead = [...value].map((letter, i) => (was[i]!.toLowerCase() === is[i]!.toLowerCase() ? letter : inCaseOf(letter, was[i]!))).join('');
  const runnersUp = draft.runnersUp ?? [];
  if (asRead === value || runnersUp.some((other) => other.value === asRead)) return draft;
  return { ...draft, runnersUp: [...runnersUp, { value: asRead, reason: because('asRead') }] };
} // prettier-ignore
