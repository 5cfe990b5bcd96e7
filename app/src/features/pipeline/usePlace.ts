import { useGlobalSearchParams, useRouter, type Href } from 'expo-router';
import { useCallback } from 'react';
import type { Narrowing } from './api';

const NAMES = ['owner', 'occasion', 'tag', 'status', 'rating', 'state', 'stage', 'sort', 'q', 'from', 'to'] as const;

/** What a list is narrowed by stands in the address: a link, back and reload give the same. */
export function usePlace() {
  const params = useGlobalSearchParams<Record<string, string>>();
  const router = useRouter();
  const place: Narrowing = Object.fromEntries(NAMES.flatMap((name) => (params[name] ? [[name, params[name]]] : [])));
  const set = useCallback(
    (change: Narrowing) =>
      router.setParams(Object.fromEntries(Object.entries(change).map(([name, value]) => [name, value || undefined]))),
    [router],
  );
  const address = new URLSearchParams(place as Record<string, string>).toString();
  /** A path that keeps the narrowing. */
  const at = (path: string): Href => `${path}${address && `?${address}`}` as Href;
  return { place, set, at };
}
