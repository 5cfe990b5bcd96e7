import { useEffect, useRef } from 'react';
import type { TextInput } from 'react-native';

const isWriting = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** `/` leads to the search, arrows through the list, from the search into it and back; Enter opens, as links do. */
export function useListKeys() {
  const field = useRef<TextInput>(null);
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const input = () => field.current as unknown as HTMLInputElement | null;
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.metaKey || event.ctrlKey || event.altKey) return;
      if (event.key === '/' && !isWriting(event.target)) {
        event.preventDefault();
        input()?.focus();
        input()?.select();
        return;
      }
      const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
      if (step === 0 || !list.current) return;
      const here = document.activeElement;
      const links = [...list.current.querySelectorAll<HTMLElement>('[role="listitem"] :is(a, [role="checkbox"])')];
      const at = links.findIndex((link) => link === here);
      if (at < 0 && here !== input()) return;
      if (at < 0 && step < 0) return;
      event.preventDefault();
      if (at + step < 0) input()?.focus();
      else links[at + step]?.focus();
    };
    // On the way in: fields keep their keys from going on.
    document.addEventListener('keydown', onKey, true);
    return () => document.removeEventListener('keydown', onKey, true);
  }, []);
  return { field, list };
}
