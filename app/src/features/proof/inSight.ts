import { useEffect, type RefObject } from 'react';

/** False for what is on a desk that waits behind the one in sight. */
export const isInSight = (element: Element | null): boolean => element?.checkVisibility() ?? false;

/** Has a desk that waits out of sight laid out now, so that showing it takes no more than painting. */
export function useLaidOut(desk: RefObject<Element | null>): void {
  useEffect(() => {
    // A browser leaves what is out of sight as it is until somebody asks where it lies.
    if (!isInSight(desk.current)) desk.current?.getBoundingClientRect();
  });
}
