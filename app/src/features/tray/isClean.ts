import type { TrayItem } from '@dossier/contract';

/** Nothing on it asks for a person: it can be filed at a glance. */
export const isClean = (item: TrayItem): boolean =>
  item.kind === 'card' && item.state === 'toProve' && item.doubts === 0 && item.name !== null && !item.secondLook;
