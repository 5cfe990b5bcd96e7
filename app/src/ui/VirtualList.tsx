import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react';

/** The row at the upper edge, and how many pixels of it are above: rows of other heights before it change nothing about that. */
export interface ListPosition {
  index: number;
  above: number;
}

interface Props<T> {
  /** What the list holds, for screen readers. */
  label: string;
  items: readonly T[];
  keyOf: (item: T) => string;
  render: (item: T) => ReactNode;
  /** How high a row is likely to be, in pixels; each is measured once it is there. */
  likelyHeight: number;
  /** How many rows are there before they are in sight; fewer where each costs much. */
  ahead?: number;
  /** Above the rows, scrolled with them. */
  header?: ReactNode;
  /** Instead of rows, where there are none. */
  empty?: ReactNode;
  /** Where it begins, and word of where it is. */
  position?: ListPosition;
  onPosition?: (position: ListPosition) => void;
  /** The end is near: more can be fetched. */
  onEnd?: () => void;
}

/**
 * Rows that are there before they are in sight, above and below: enough to be scrolled to without a gap, and for keyboards and screen
 * readers to go on.
 */
const AHEAD = 20;
/** The end is near when so many rows are left. */
const NEAR_END = 12;
const FOOT = 32;

/** A long list of rows of any height, of which only those about to be seen are there. */
export function VirtualList<T>({
  label,
  items,
  keyOf,
  render,
  likelyHeight,
  ahead = AHEAD,
  header,
  empty,
  position,
  onPosition,
  onEnd,
}: Props<T>) {
  const scroller = useRef<HTMLDivElement>(null);
  const head = useRef<HTMLDivElement>(null);
  const [headHeight, setHeadHeight] = useState(0);
  useLayoutEffect(() => {
    const element = head.current!;
    const measure = () => setHeadHeight(element.offsetHeight);
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    measure();
    return () => observer.disconnect();
  }, []);
  const rows = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => likelyHeight,
    getItemKey: (i) => keyOf(items[i]!),
    overscan: ahead,
    scrollMargin: headHeight,
    initialOffset: position ? position.index * likelyHeight + position.above : 0,
    paddingEnd: FOOT,
  });
  const scrolled = useKeptPosition(onPosition);
  const shown = rows.getVirtualItems();
  const isNearEnd = items.length > 0 && (shown.at(-1)?.index ?? -1) >= items.length - NEAR_END;
  useEffect(() => {
    if (isNearEnd) onEnd?.();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- asked once for each length the list has
  }, [isNearEnd, items.length]);
  return (
    <div
      ref={scroller}
      onScroll={({ currentTarget: { scrollTop } }) => {
        const top = rows.getVirtualItemForOffset(scrollTop);
        if (top) scrolled({ index: top.index, above: scrollTop - top.start + headHeight });
      }}
      style={{ flex: 1, minHeight: 0, overflowY: 'auto', overflowAnchor: 'none' }}
    >
      <div ref={head}>{header}</div>
      {items.length === 0 ? (
        empty
      ) : (
        <div role="list" aria-label={label} style={{ position: 'relative', height: rows.getTotalSize() }}>
          {shown.map(({ key, index, start }) => (
            <div
              key={key}
              ref={rows.measureElement}
              data-index={index}
              role="listitem"
              aria-setsize={items.length}
              aria-posinset={index + 1}
              style={{
                position: 'absolute',
                top: 0,
                left: 0,
                width: '100%',
                transform: `translateY(${start - headHeight}px)`,
              }}
            >
              {render(items[index]!)}
            </div>
          ))}
        </div>
      )}
    </div>
  );
}

/** How often it is told where a list is while it is scrolled. */
const POSITION_EVERY_MS = 250;

/** Tells now and then, and when the list goes, where it is. */
function useKeptPosition(onPosition: ((position: ListPosition) => void) | undefined) {
  const last = useRef<ListPosition>(undefined);
  const later = useRef<ReturnType<typeof setTimeout>>(undefined);
  const listener = useRef(onPosition);
  useEffect(() => {
    listener.current = onPosition;
  });
  const [tell] = useState(() => () => {
    later.current = undefined;
    if (last.current) listener.current?.(last.current);
  });
  useEffect(
    () => () => {
      clearTimeout(later.current);
      tell();
    },
    [tell],
  );
  return (position: ListPosition) => {
    last.current = position;
    later.current ??= setTimeout(tell, POSITION_EVERY_MS);
  };
}
