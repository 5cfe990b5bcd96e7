import { useEffect, useState } from 'react';

/** A value once it has not changed for so many milliseconds: nobody is asked about every letter. */
export function useSettled<T>(value: T, ms: number): T {
  const key = JSON.stringify(value);
  const [settled, setSettled] = useState({ key, value });
  useEffect(() => {
    if (key === settled.key) return undefined;
    const timer = setTimeout(() => setSettled({ key, value }), ms);
    return () => clearTimeout(timer);
  }, [key, value, ms, settled.key]);
  return settled.value;
}
