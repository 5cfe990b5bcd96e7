import {
  DndContext,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  pointerWithin,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import type { DraftField } from '@dossier/core/proof';
import type { Reading } from '@dossier/core/reading/fields';
import { useState, type ReactNode } from 'react';
import { useDispatch } from 'react-redux';
import { Raw } from '@/ui';
import { proofActions } from './slice';

interface Props {
  cardId: string;
  reading: Reading;
  fields: readonly DraftField[];
  children: ReactNode;
}

/** A finger that rests so long on a line takes it along; one that moves before scrolls. */
const HELD_MS = 220;
const MOVED = 8;

/** Lets loose lines be dragged onto fields, with the mouse or a resting finger. */
export function LineDrag({ cardId, reading, fields, children }: Props) {
  const dispatch = useDispatch();
  const [line, setLine] = useState<number>();
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: MOVED } }),
    useSensor(TouchSensor, { activationConstraint: { delay: HELD_MS, tolerance: MOVED } }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    setLine(undefined);
    const dropped = lineOf(active.id);
    const field = fields.find(({ id }) => id === over?.id);
    const read = reading.lines[dropped];
    if (!field || !read) return;
    const sources = [{ line: dropped, from: 0, to: read.text.length }];
    const behind = field.value !== '';
    dispatch(proofActions.textPicked({ cardId, id: field.id, text: read.text, sources, behind }));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setLine(lineOf(active.id))}
      onDragCancel={() => setLine(undefined)}
      onDragEnd={drop}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {line === undefined ? null : (
          <div className="border border-ink bg-sheet px-3 py-2">
            <Raw>{reading.lines[line]?.text}</Raw>
          </div>
        )}
      </DragOverlay>
    </DndContext>
  );
}

export const draggedId = (line: number): string => `line-${line}`;
const lineOf = (id: string | number): number => Number(String(id).slice('line-'.length));
