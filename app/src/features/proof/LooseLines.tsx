import { useDraggable } from '@dnd-kit/core';
import type { FieldName } from '@dossier/core/reading/fields';
import { useEffect, useRef, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { Raw, Soft, Subheading } from '@/ui';
import { FieldChips } from './FieldChips';
import { draggedId } from './LineDrag';
import type { CardSide } from './sides';
import { proofActions } from './slice';
import { Strip } from './Strip';

interface Props extends CardSide {
  /** Indices of the lines that no field claims. */
  lines: readonly number[];
  /** The line that is being given to a field. */
  open: number | undefined;
  onOpen: (line: number | undefined) => void;
}

/** Lines that no field claims; a tap opens where they can be given to, a second one gives them. */
export function LooseLines({ cardId, reading, picture, pictureId, lines, open, onOpen }: Props) {
  const dispatch = useDispatch();
  const opened = useRef<View>(null);
  useEffect(() => {
    if (open !== undefined) opened.current?.focus();
  }, [open]);
  if (lines.length === 0) return null;
  const give = (line: number, field: FieldName) => {
    const { text } = reading.lines[line]!;
    dispatch(proofActions.fieldAdded({ cardId, field, value: text, sources: [{ line, from: 0, to: text.length }] }));
    onOpen(undefined);
  };
  return (
    <View className="gap-2 px-4 pt-6">
      <Subheading>Not in any field yet</Subheading>
      <Soft>Nothing claims these. Tap one to give it to a field, or drag it there.</Soft>
      {lines.map((line) => {
        const { text } = reading.lines[line]!;
        return (
          <Draggable key={line} line={line}>
            <Pressable
              ref={open === line ? opened : undefined}
              role="button"
              aria-expanded={open === line}
              aria-label={`Give “${text}” to a field`}
              onPress={() => onOpen(open === line ? undefined : line)}
              className="min-h-touch gap-1 px-3 py-2"
            >
              {picture ? (
                <Strip
                  cardId={cardId}
                  reading={reading}
                  picture
                  pictureId={pictureId}
                  span={{ line, from: 0, to: text.length }}
                />
              ) : null}
              <Raw>{text}</Raw>
            </Pressable>
            {open === line ? (
              <View className="px-3 pb-3">
                <FieldChips label={`Give “${text}” to`} without={['more']} onChoose={(field) => give(line, field)} />
              </View>
            ) : null}
          </Draggable>
        );
      })}
    </View>
  );
}

/** Only the listeners: for the keyboard there is the button inside, which opens the same choice. */
function Draggable({ line, children }: { line: number; children: ReactNode }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: draggedId(line) });
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      className={`border border-dashed border-rule bg-sheet ${isDragging ? 'opacity-50' : ''}`}
    >
      {children}
    </div>
  );
}
