import { CELL_COLUMNS, type CellColumn } from '../../people/cells';
import type { HandOverRule } from './mapping';

interface Mapping {
  lead: readonly HandOverRule[];
  contact: readonly HandOverRule[];
  occasions: readonly { occasionId: string; lead: readonly HandOverRule[]; contact: readonly HandOverRule[] }[];
}

/** The rules for somebody. @param occasionIds where they were met, the latest first: the first that has rules of its own decides */
export function rulesFor(
  mapping: Mapping,
  kind: 'lead' | 'contact',
  occasionIds: readonly string[],
): readonly HandOverRule[] {
  for (const id of occasionIds) {
    const own = mapping.occasions.find(({ occasionId }) => occasionId === id);
    if (own) return own[kind];
  }
  return mapping[kind];
}

const CELLS: ReadonlyMap<string, CellColumn> = new Map([
  ...CELL_COLUMNS.filter((column) => !['kind', 'rating', 'owner', 'tags'].includes(column)).map((column) => [column, column] as const), // prettier-ignore
  ['emails', 'email'],
  ['phones', 'phone'],
]);

/** Which cell here holds what stands in a field there, if what stands there can be written into it as it is. */
export function cellOf(rules: readonly HandOverRule[], to: string): CellColumn | null {
  const rule = rules.find((one) => one.to === to);
  if (!rule || rule.fixed !== null || rule.from.length !== 1) return null;
  if (!rule.steps.every((step) => step.do === 'first' || step.do === 'cut')) return null;
  return CELLS.get(rule.from[0]!) ?? null;
}
