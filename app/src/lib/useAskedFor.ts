import { useGlobalSearchParams } from 'expo-router';
import { useCallback } from 'react';

/** What an address asks to see (`?see=…`) comes into view as soon as it is there. @param what as it stands in the address */
export function useAskedFor(what: string): { isAsked: boolean; ref: (element: HTMLElement | null) => void } {
  const { see } = useGlobalSearchParams<{ see?: string }>();
  const isAsked = see === what;
  const ref = useCallback((element: HTMLElement | null) => isAsked && element?.scrollIntoView({ block: 'start' }), [isAsked]); // prettier-ignore
  return { isAsked, ref };
}
