import {
  DndContext, DragOverlay, KeyboardSensor, MouseSensor, TouchSensor, pointerWithin, rectIntersection, useSensor, useSensors,
  type Announcements, type CollisionDetection, type KeyboardCoordinateGetter,
} from '@dnd-kit/core'; // prettier-ignore
import type { ListedOpportunity, StageFields } from '@dossier/contract';
import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { CardWords } from './BoardCard';

/** A finger that rests so long on something takes it along; one that moves before scrolls. */
const HELD_MS = 240;
const MOVED = 8;

/** With the keyboard one goes from stage to stage. */
const toNextStage: KeyboardCoordinateGetter = (event, { context: { droppableRects, collisionRect } }) => {
  const way = event.code === 'ArrowRight' ? 1 : event.code === 'ArrowLeft' ? -1 : 0;
  if (way === 0 || !collisionRect) return undefined;
  event.preventDefault();
  const middle = collisionRect.left + collisionRect.width / 2;
  const rects = [...droppableRects.values()].sort((a, b) => a.left - b.left);
  const here = rects.findIndex(({ left, right }) => middle >= left && middle < right);
  const to = rects[Math.max(0, Math.min(rects.length - 1, here + way))];
  return to && { x: to.left + (to.width - collisionRect.width) / 2, y: Math.max(to.top, collisionRect.top) };
};

/** Where the pointer is; where there is none, where most of it lies. */
const overStage: CollisionDetection = (args) => {
  const within = pointerWithin(args);
  return within.length > 0 ? within : rectIntersection(args);
};

interface Props {
  stages: readonly StageFields[];
  onMove: (one: ListedOpportunity, stageId: string) => void;
  children: ReactNode;
}

/** Lets pieces of business be carried from stage to stage, by mouse, a resting finger, or the keyboard. */
export function BoardDrag({ stages, onMove, children }: Props) {
  const [carried, setCarried] = useState<ListedOpportunity>();
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: MOVED } }),
    useSensor(TouchSensor, { activationConstraint: { delay: HELD_MS, tolerance: MOVED } }),
    useSensor(KeyboardSensor, { coordinateGetter: toNextStage }),
  );
  const said = useMemo((): Announcements => {
    const stage = (id: unknown) => stages.find((one) => one.id === id)?.name ?? 'no stage';
    const title = (active: { data: { current?: { one?: ListedOpportunity } } }) =>
      active.data.current?.one?.title ?? '';
    return {
      onDragStart: ({ active }) => `${title(active as never)} taken along. Arrows go from stage to stage, space lays it down, escape leaves it.`, // prettier-ignore
      onDragOver: ({ over }) => (over ? `Over ${stage(over.id)}` : ''),
      onDragEnd: ({ active, over }) => (over ? `${title(active as never)} laid down in ${stage(over.id)}` : 'Left where it was'), // prettier-ignore
      onDragCancel: () => 'Left where it was',
    };
  }, [stages]);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={overStage}
      accessibility={{ announcements: said, screenReaderInstructions: { draggable: 'Press space to take it along.' } }}
      onDragStart={({ active }) => setCarried((active.data.current as { one: ListedOpportunity }).one)}
      onDragCancel={() => setCarried(undefined)}
      onDragEnd={({ over }) => {
        setCarried(undefined);
        if (carried && over) onMove(carried, String(over.id));
      }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {carried ? (
          <View className="rounded-card border border-ink bg-sheet px-3 py-2">
            <CardWords one={carried} />
          </View>
        ) : null}
      </DragOverlay>
    </DndContext>
  );
}
