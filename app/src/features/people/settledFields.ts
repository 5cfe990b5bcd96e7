import type { Person } from '@dossier/contract';

/** The fields of a record that somebody last changed by hand; they beat what was only read from a card. */
export function settledFields({ history }: Pick<Person, 'history'>): Set<string> {
  const settled = new Set<string>();
  const seen = new Set<string>();
  for (const { action, changes } of history) {
    for (const { field } of changes) {
      if (action === 'edited' && !seen.has(field)) settled.add(field);
      seen.add(field);
    }
  }
  return settled;
}
