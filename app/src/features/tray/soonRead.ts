import type { TrayItem } from '@dossier/contract';

/** Most photographs are read this soon after they were taken. */
const SOON_READ_MS = 1500;

/** How much longer a photograph is likely to be read before anything else that is asked for is of use, in milliseconds. */
export const leftToRead = ({ kind, state, takenAt }: Pick<TrayItem, 'kind' | 'state' | 'takenAt'>): number =>
  kind === 'card' || state === 'unreadable' ? 0 : Math.max(0, Date.parse(takenAt) + SOON_READ_MS - Date.now());
