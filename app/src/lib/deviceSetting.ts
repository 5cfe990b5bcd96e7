import { useCallback, useState } from 'react';

const keyOf = (name: string): string => `dossier.${name}`;

/** A choice remembered on this device; `fallback` where nothing is kept, or keeping is not allowed. */
export function readDeviceSetting<T>(name: string, fallback: T): T {
  try {
    const kept = localStorage.getItem(keyOf(name));
    return kept === null ? fallback : (JSON.parse(kept) as T);
  } catch {
    return fallback;
  }
}

export function writeDeviceSetting(name: string, value: unknown): void {
  try {
    localStorage.setItem(keyOf(name), JSON.stringify(value));
  } catch {
    // The choice then lasts as long as this page.
  }
}

/** As `useState`, remembered on this device. */
export function useDeviceSetting<T>(name: string, fallback: T): [T, (value: T) => void] {
  const [value, setValue] = useState<T>(() => readDeviceSetting(name, fallback));
  const change = useCallback(
    (next: T) => {
      setValue(next);
      writeDeviceSetting(name, next);
    },
    [name],
  );
  return [value, change];
}
