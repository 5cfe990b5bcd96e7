import type { Import } from '@dossier/contract';
import { counted } from '@/lib/counted';

type Counts = Import['counts'];
const people = (number: number) => counted(number, 'person', 'people');

/** What became of the rows, or would; the largest first, nothing that is not there. */
export function countWords({ created, updated, unchanged, perhaps, refused, conflicts }: Counts): string[] {
  return [
    created > 0 && `${people(created)} new`,
    updated > 0 && `${people(updated)} changed`,
    unchanged > 0 && `${people(unchanged)} as they are`,
    perhaps > 0 && `${people(perhaps)} perhaps known`,
    conflicts > 0 && `${counted(conflicts, 'row')} changed here as well`,
    refused > 0 && `${counted(refused, 'row')} of nobody`,
  ].filter((words) => words !== false);
}

/** How far a file is. */
export function stateWords({
  state,
  dry,
  done,
  rows,
  kept,
}: Pick<Import, 'state' | 'dry' | 'done' | 'rows' | 'kept'>): string {
  // prettier-ignore
  const far = `${done.toLocaleString('en')} of ${counted(rows, 'row')}`;
  switch (state) {
    case 'mapping':
      return 'Not brought in yet';
    case 'running':
      return dry ? `Looking: ${far}` : `Bringing in: ${far}`;
    case 'done':
      return 'Brought in';
    case 'cancelled':
      return `Stopped after ${far}`;
    case 'failed':
      return `Broken off after ${far}`;
    case 'undoing':
      return `Taking back: ${far}`;
    case 'undone':
      return kept > 0 ? `Taken back, but ${people(kept)} changed since` : 'Taken back';
  }
}
