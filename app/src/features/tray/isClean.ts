import type { TrayItem } from '@dossier/contract';

/** Nothing on it asks for a person so far; it may once it was read a second time. */
export const isWithoutDoubt = (item: TrayItem): boolean =>
  item.kind === 'card' && item.state === 'toProve' && item.doubts === 0 && item.name !== null && !item.secondLook;

/** Read twice, and nothing on it asks for a person: it can be filed at a glance. */
export const isClean = (item: TrayItem): boolean => isWithoutDoubt(item) && !item.rereading;
