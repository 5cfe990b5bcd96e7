import { useEffect, useRef } from 'react';
import { deskActOf, type DeskAct } from './deskKeys';

/** Listens for the desk's keys for as long as it is open; an act without a meaning now does nothing. */
export function useDeskKeys(acts: Readonly<Partial<Record<DeskAct, () => void>>>): void {
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const act = deskActOf(event);
      if (!act || event.isComposing) return;
      event.preventDefault();
      latest.current[act]?.();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
}
