import type { ListedPerson } from '@dossier/contract';
import { DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { pastedCells, type CellColumn } from '@dossier/core/people/cells';
import {
  columnOrderingFeature,
  columnResizingFeature,
  columnSizingFeature,
  columnVisibilityFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Link, type Href } from 'expo-router';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { Serif } from '@/ui';
import { CellEditor } from './CellEditor';
import { COLUMNS, columnOf, NAME_COLUMN, type TableWords } from './columns';
import { GridHandle, GridHead } from './GridHead';
import { cellStyle, headStyle, ONE_LINE, ROW_HEIGHT, rowStyle } from './gridStyles';
import type { TableLayout } from './useTableLayout';

const features = tableFeatures({
  columnOrderingFeature,
  columnResizingFeature,
  columnSizingFeature,
  columnVisibilityFeature,
});
const definitions: ColumnDef<typeof features, ListedPerson>[] = COLUMNS.map(({ id, size }) => ({
  id,
  size,
  minSize: 60,
  maxSize: 640,
  accessorFn: (person) => person.id,
}));

const AHEAD = 12;
const NEAR_END = 15;
const PAGE = 12;
const STEP = 16;

interface Place {
  personId: string;
  column: string;
}

interface Props {
  people: readonly ListedPerson[];
  words: TableWords;
  layout: TableLayout;
  /** The order of the list as it stands in its address. */
  sort: string;
  onSort: (sort: string) => void;
  personAt: (id: string) => Href;
  /** @returns words about what is wrong, where it was not taken */
  onWrite: (person: ListedPerson, column: CellColumn, text: string) => Promise<string | undefined>;
  /** Cells on the clipboard, to go into these rows and columns from here on. */
  onPaste: (rows: string[][], from: Place) => void;
  onEnd: () => void;
  empty: ReactNode;
}

/**
 * People as rows of cells. Arrows, Home, End and the page keys move from cell to cell; Enter, F2 or writing opens one, Enter takes
 * what is written and goes down, Tab goes on, Escape leaves it as it was; copying and pasting are the browser's.
 */
export function PeopleGrid(props: Props) {
  const { people, words, layout, sort, onSort, personAt, onWrite, onPaste, onEnd, empty } = props;
  const table = useTable({
    features,
    columns: definitions,
    data: people as ListedPerson[],
    getRowId: ({ id }) => id,
    columnResizeMode: 'onEnd',
    state: {
      columnOrder: layout.order,
      columnVisibility: Object.fromEntries(layout.order.map((id) => [id, layout.shown.includes(id)])),
      columnSizing: layout.sizes,
    },
    onColumnSizingChange: (change) => layout.resized(typeof change === 'function' ? change(layout.sizes) : change),
  });
  const headers = table.getHeaderGroups()[0]!.headers;
  const shown = headers.map((header) => columnOf(header.column.id));
  const template = headers.map((header) => `${header.getSize()}px`).join(' ');

  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: people.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    getItemKey: (i) => people[i]!.id,
    overscan: AHEAD,
    scrollMargin: ROW_HEIGHT,
    scrollPaddingStart: ROW_HEIGHT,
  });
  const items = rows.getVirtualItems();
  const isNearEnd = people.length > 0 && (items.at(-1)?.index ?? -1) >= people.length - NEAR_END;
  useEffect(() => {
    if (isNearEnd) onEnd();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- asked once for each length the list has
  }, [isNearEnd, people.length]);

  const [active, setActive] = useState<Place>();
  const [editing, setEditing] = useState<string>();
  const [complaint, setComplaint] = useState<string>();
  const here = active ?? (people[0] ? { personId: people[0].id, column: NAME_COLUMN.id } : undefined);
  /** The cell that is to have the focus as soon as it is there. */
  const wanted = useRef(false);
  useEffect(() => {
    if (!wanted.current || editing !== undefined || !here) return;
    const cell = scroller.current?.querySelector<HTMLElement>(`[data-cell="${here.personId} ${here.column}"]`);
    if (!cell) return;
    wanted.current = false;
    cell.focus({ preventScroll: true });
    cell.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  });
  const goTo = (row: number, column: number) => {
    const person = people[Math.min(people.length - 1, Math.max(0, row))];
    const to = shown[Math.min(shown.length - 1, Math.max(0, column))];
    if (!person || !to) return;
    wanted.current = true;
    setEditing(undefined);
    setComplaint(undefined);
    setActive({ personId: person.id, column: to.id });
    rows.scrollToIndex(people.indexOf(person));
  };
  const rowOf = (place: Place) => people.findIndex(({ id }) => id === place.personId);
  const columnAt = (place: Place) => shown.findIndex(({ id }) => id === place.column);
  const move = (down: number, right: number) => here && goTo(rowOf(here) + down, columnAt(here) + right);

  const begin = (text?: string) => {
    const person = here && people[rowOf(here)];
    const column = here && columnOf(here.column);
    if (!person || !column?.cell) return;
    setActive(here);
    setComplaint(undefined);
    setEditing(text ?? column.text(person, words));
  };
  const take = async (text: string, then: 'down' | 'right' | 'left' | 'stay') => {
    const person = here && people[rowOf(here)];
    const cell = here && columnOf(here.column).cell;
    if (!person || !cell) return;
    const isSame = text === columnOf(here.column).text(person, words);
    const fault = isSame ? undefined : await onWrite(person, cell, text);
    if (fault) return setComplaint(fault);
    if (then === 'stay') {
      setEditing(undefined);
      setComplaint(undefined);
    } else move(then === 'down' ? 1 : 0, then === 'right' ? 1 : then === 'left' ? -1 : 0);
  };

  const onKey = (event: KeyboardEvent<HTMLDivElement>) => {
    if (editing !== undefined || !here || !(event.target as HTMLElement).closest('[data-cell]')) return;
    const ctrl = event.ctrlKey || event.metaKey;
    const moves: Record<string, () => void> = {
      ArrowDown: () => move(1, 0),
      ArrowUp: () => move(-1, 0),
      ArrowRight: () => move(0, 1),
      ArrowLeft: () => move(0, -1),
      PageDown: () => move(PAGE, 0),
      PageUp: () => move(-PAGE, 0),
      Home: () => goTo(ctrl ? 0 : rowOf(here), 0),
      End: () => goTo(ctrl ? people.length - 1 : rowOf(here), shown.length - 1),
      F2: () => begin(),
      Delete: () => begin(''),
    };
    const act = event.altKey ? undefined : moves[event.key];
    if (act) {
      event.preventDefault();
      act();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      // The name opens the dossier.
      if (here.column === NAME_COLUMN.id) (event.target as HTMLElement).querySelector('a')?.click();
      else begin();
    } else if (event.key.length === 1 && !ctrl && !event.altKey && event.key !== ' ') {
      if (!columnOf(here.column).cell) return;
      event.preventDefault();
      begin(event.key);
    }
  };

  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active: from, over }) => over && layout.moveTo(String(from.id), String(over.id))}
    >
      <div
        ref={scroller}
        role="grid"
        tabIndex={-1}
        aria-label="People as a table"
        aria-rowcount={people.length + 1}
        aria-colcount={shown.length}
        style={{ flex: 1, minHeight: 0, overflow: 'auto', position: 'relative' }}
        onKeyDown={onKey}
        onCopy={(event) => {
          const person = here && people[rowOf(here)];
          if (editing !== undefined || !person || !active) return;
          event.preventDefault();
          event.clipboardData.setData('text/plain', columnOf(active.column).text(person, words));
        }}
        onPaste={(event) => {
          if (editing !== undefined || !active) return;
          event.preventDefault();
          onPaste(pastedCells(event.clipboardData.getData('text/plain')), active);
        }}
      >
        <div role="row" aria-rowindex={1} className="border-b border-ink bg-paper" style={headStyle(template)}>
          {headers.map((header) => (
            <GridHead
              key={header.id}
              column={columnOf(header.column.id)}
              sort={sort}
              onSort={onSort}
              onStep={(by) => layout.step(header.column.id, by)}
            >
              <GridHandle
                label={`Width of ${columnOf(header.column.id).label}`}
                width={header.getSize()}
                onBegin={header.getResizeHandler()}
                onStep={(by) => layout.resize(header.column.id, header.getSize() + by * STEP)}
              />
            </GridHead>
          ))}
        </div>
        {people.length === 0 ? (
          empty
        ) : (
          <div
            role="rowgroup"
            style={{ position: 'relative', height: rows.getTotalSize(), width: table.getTotalSize() }}
          >
            {items.map(({ index, key, start }) => {
              const person = people[index]!;
              return (
                <div
                  key={key}
                  role="row"
                  aria-rowindex={index + 2}
                  className="border-b border-rule"
                  style={{ ...rowStyle(template), transform: `translateY(${start - ROW_HEIGHT}px)` }}
                >
                  {shown.map((column) => {
                    const isHere = here?.personId === person.id && here.column === column.id;
                    const text = column.text(person, words);
                    return (
                      <div
                        key={column.id}
                        role="gridcell"
                        data-cell={`${person.id} ${column.id}`}
                        tabIndex={isHere ? 0 : -1}
                        aria-readonly={!column.cell}
                        title={text}
                        className={`tabular font-sans text-[15px] text-ink ${column.id === NAME_COLUMN.id ? 'border-r border-rule bg-paper' : ''}`}
                        style={cellStyle(column)}
                        onFocus={() => {
                          if (!isHere || !active) setActive({ personId: person.id, column: column.id });
                        }}
                        onDoubleClick={() => begin()}
                      >
                        {isHere && editing !== undefined && column.cell ? (
                          <CellEditor
                            column={column}
                            words={words}
                            text={editing}
                            complaint={complaint}
                            onTake={(written, then) => void take(written, then)}
                            onLeave={() => {
                              wanted.current = true;
                              setEditing(undefined);
                              setComplaint(undefined);
                            }}
                          />
                        ) : column.id === NAME_COLUMN.id ? (
                          <Link href={personAt(person.id)} tabIndex={-1}>
                            <Serif numberOfLines={1} className="text-[17px] leading-[22px]">
                              {text}
                            </Serif>
                          </Link>
                        ) : (
                          <span style={ONE_LINE}>{text}</span>
                        )}
                      </div>
                    );
                  })}
                </div>
              );
            })}
          </div>
        )}
      </div>
    </DndContext>
  );
}
