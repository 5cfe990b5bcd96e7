import { useEffect, useRef } from 'react';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

/**
 * Rows are gone through with the arrows; `d` does the row's one act, `l` puts it off, Enter opens whom it is about. Each presses what
 * the row itself offers.
 */
export function useRowKeys() {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const rows = [...(list.current?.querySelectorAll<HTMLElement>('[role="listitem"]') ?? [])];
      const at = rows.findIndex((row) => row.contains(document.activeElement));
      const focus = (place: number) =>
        rows[Math.max(0, Math.min(rows.length - 1, place))]?.querySelector<HTMLElement>('a, [role="button"]')?.focus();
      const act = (name: string) =>
        rows[at]?.querySelector<HTMLElement>(`[data-act="${name}"] [role="button"], [data-act="${name}"] a`)?.click();
      if (event.key === 'ArrowDown') focus(at + 1);
      else if (event.key === 'ArrowUp') focus(at < 0 ? 0 : at - 1);
      else if (event.key === 'd' && at >= 0) act('done');
      else if (event.key === 'l' && at >= 0) act('later');
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  }, []);
  return list;
}
