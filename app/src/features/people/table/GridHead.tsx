import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { ReactNode } from 'react';
import { NAME_COLUMN, type PeopleColumn } from './columns';
import { cellStyle, ONE_LINE } from './gridStyles';

/** A column's head: a press puts the list in its order, dragging moves it, and so do Alt and the arrows. */
export function GridHead({
  column,
  sort,
  onSort,
  onStep,
  children,
}: {
  column: PeopleColumn;
  sort: string;
  onSort: (sort: string) => void;
  onStep: (by: -1 | 1) => void;
  children: ReactNode;
}) {
  const isName = column.id === NAME_COLUMN.id;
  const drag = useDraggable({ id: column.id, disabled: isName });
  const drop = useDroppable({ id: column.id });
  const isBy = sort.replace(/^-/, '') === (column.sort ?? ' ') || (sort === '' && isName);
  const isBack = sort.startsWith('-');
  const press = () => column.sort && onSort(isBy && !isBack ? `-${column.sort}` : column.sort === 'name' ? '' : column.sort); // prettier-ignore
  return (
    <div
      ref={drop.setNodeRef}
      role="columnheader"
      aria-sort={isBy ? (isBack ? 'descending' : 'ascending') : undefined}
      className={`font-sans text-[14px] text-soft ${isName ? 'bg-paper' : ''} ${drop.isOver ? 'bg-table' : ''}`}
      style={{ ...cellStyle(column), padding: 0, opacity: drag.isDragging ? 0.5 : 1 }}
    >
      <button
        ref={drag.setNodeRef}
        type="button"
        {...drag.listeners}
        aria-label={column.sort ? `Order by ${column.label}` : column.label}
        onClick={press}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : undefined;
          if (!by || !event.altKey || isName) return;
          event.preventDefault();
          onStep(by);
        }}
        className={isBy ? 'font-semibold text-ink' : ''}
        style={{
          ...ONE_LINE,
          flex: 1,
          height: '100%',
          padding: '0 10px',
          border: 0,
          background: 'none',
          textAlign: 'left',
          font: 'inherit',
          color: 'inherit',
          fontWeight: isBy ? 600 : 400,
          cursor: column.sort ? 'pointer' : 'grab',
        }}
      >
        {column.label}
        {isBy ? (isBack ? ' ↓' : ' ↑') : ''}
      </button>
      {children}
    </div>
  );
}

/** The edge of a column: dragged, or moved by the arrows. */
export const GridHandle = ({
  label,
  width,
  onBegin,
  onStep,
}: {
  label: string;
  width: number;
  onBegin: (event: unknown) => void;
  onStep: (by: -1 | 1) => void;
}) => (
  // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- a separator that can be moved has the focus
  <div
    role="separator"
    aria-orientation="vertical"
    aria-label={label}
    aria-valuenow={width}
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- see above
    tabIndex={0}
    onMouseDown={onBegin}
    onTouchStart={onBegin}
    onKeyDown={(event) => {
      const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : undefined;
      if (!by) return;
      event.preventDefault();
      event.stopPropagation();
      onStep(by);
    }}
    className="border-r border-rule hover:border-ink"
    style={{ width: 9, height: '60%', cursor: 'col-resize', touchAction: 'none' }}
  />
);
