import { useEffect, useState } from 'react';

/** Warned from this share of the room on: about a hundred photographs before the end on a small phone. */
const NEARLY_FULL = 0.85;

/** What to say when this device's room for photographs is nearly used up. @param changed looked at again when it changes */
export function useStorageLeft(changed: number): string | undefined {
  const [words, setWords] = useState<string>();
  useEffect(() => {
    let gone = false;
    void navigator.storage?.estimate?.().then(({ usage = 0, quota = 0 }) => {
      if (gone) return;
      const full = quota > 0 && usage / quota > NEARLY_FULL;
      setWords(
        full
          ? 'This device has little room left for photographs. Let those that are waiting be sent before you take many more.'
          : undefined,
      );
    });
    return () => {
      gone = true;
    };
  }, [changed]);
  return words;
}
