import { useEffect, useRef, type RefObject } from 'react';
import { type DeskAct, deskActOf } from './deskKeys';
import { isInSight } from './inSight';

/** Listens for the desk's keys while it is in sight; an act without a meaning now does nothing. */
export function useDeskKeys(
  desk: RefObject<Element | null>,
  acts: Readonly<Partial<Record<DeskAct, () => void>>>,
): void {
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // A question mark asks for the keys, unless it is being typed.
      const asks = event.key === '?' && !isText(event.target);
      const act = asks ? 'palette' : deskActOf(event);
      if (!act || event.isComposing || !isInSight(desk.current)) return;
      event.preventDefault();
      latest.current[act]?.();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [desk]);
}

const isText = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
