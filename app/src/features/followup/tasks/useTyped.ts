import type { TypedTask } from '@dossier/core/followup/typedTask';
import { useEffect, useState } from 'react';

type Reader = (words: string, now: Date, language?: string) => TypedTask;
let reader: Reader | undefined;

/** What is read of typed words; the words alone until the code that reads days has come. */
export function useTyped(words: string): TypedTask {
  const [read, setRead] = useState<Reader | undefined>(() => reader);
  useEffect(() => {
    if (reader || !words) return;
    void import('@dossier/core/followup/typedTask').then(
      ({ typedTask }) => {
        reader = typedTask;
        setRead(() => typedTask);
      },
      // Without a network the words stay as they are.
      () => undefined,
    );
  }, [words]);
  const language = globalThis.navigator?.language.slice(0, 2);
  return read ? read(words, new Date(), language) : { text: words.trim(), dueOn: null, dueTime: null };
}
