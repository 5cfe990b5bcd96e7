import { spanQuad, wordAt, wordsWithin, type Area, type CardWord } from '@dossier/core/proof';
import type { Point } from '@dossier/core/capture';
import type { SourceSpan } from '@dossier/core/reading/fields';
import { useGesture } from '@use-gesture/react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { cardPicture } from '@/ui';
import type { CardSide } from './sides';
import { areaOfSpans, clampView, fitView, focusView, type StageView, zoomedAt } from './stageView';
import { TextSheet } from './TextSheet';

interface Props extends CardSide {
  /** Places to point at; the picture glides to them. */
  spans: readonly SourceSpan[];
  words: readonly CardWord[];
  /** A finger draws a rectangle instead of moving the picture. */
  picking: boolean;
  onWord: (word: CardWord) => void;
  /** Words that were swept over, and the rectangle in pixels of the card. */
  onPick: (words: CardWord[], from: Point, to: Point) => void;
}

/** Room between the text and the outline around it, as a share of the line's height. */
const OUTLINE_MARGIN = 0.3;
/** A finger that moves less than this many pixels taps. */
const TAP = 7;
const GLIDE = 'transform 240ms cubic-bezier(0.3, 0.1, 0.2, 1)';

/** The next card has the same room: it is placed before it can be measured. */
let lastRoom: { width: number; height: number } | undefined;

/**
 * The card as photographed, flat and upright: it glides to the field in focus, is moved with a finger and zoomed with two
 * or the wheel; a word touched leads to its field, words swept over are picked.
 */
export function CardStage(props: Props) {
  const { cardId, reading, picture, pictureId, spans, words, picking, onWord, onPick } = props;
  const [room, setRoom] = useState(lastRoom);
  const card = useMemo(() => ({ width: reading.width, height: reading.height }), [reading.width, reading.height]);
  const area = useMemo(() => areaOfSpans(reading, spans), [reading, spans]);
  if (!picture) return <TextSheet reading={reading} spans={spans} maxHeight="100%" />;
  const outlines = spans.map((span) => spanQuad(reading, span, OUTLINE_MARGIN)).filter((quad) => quad !== undefined);
  const stroke = Math.max(reading.width, reading.height) / 260;
  return (
    <View
      className="h-full w-full overflow-hidden"
      onLayout={({ nativeEvent: { layout } }) => {
        // None once the desk is taken down.
        if (layout.width === 0) return;
        const { width, height } = layout;
        if (lastRoom?.width !== width || lastRoom.height !== height) lastRoom = { width, height };
        setRoom(lastRoom);
      }}
    >
      {room ? (
        <Movable
          key={cardId}
          card={card}
          room={room}
          area={area}
          picking={picking}
          onTap={(point) => {
            const word = wordAt(words, point);
            if (word) onWord(word);
          }}
          onSweep={(from, to) => onPick(wordsWithin(words, from, to), from, to)}
        >
          <img
            src={cardPicture(cardId, 'full', pictureId)}
            alt="The card"
            decoding="async"
            draggable={false}
            style={{ width: '100%', height: '100%', display: 'block', borderRadius: 4 }}
          />
          <svg
            viewBox={`0 0 ${reading.width} ${reading.height}`}
            aria-hidden
            style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
          >
            {outlines.map((quad, i) => (
              <g key={i} fill="none" strokeLinejoin="round">
                <polygon points={quad.map((p) => p.join(',')).join(' ')} stroke="#fffef9" strokeWidth={stroke * 2.4} />
                <polygon
                  data-outline
                  points={quad.map((p) => p.join(',')).join(' ')}
                  stroke="#1e242b"
                  strokeWidth={stroke}
                />
              </g>
            ))}
          </svg>
        </Movable>
      ) : null}
    </View>
  );
}

interface MovableProps {
  card: { width: number; height: number };
  room: { width: number; height: number };
  area: Area | undefined;
  picking: boolean;
  onTap: (point: Point) => void;
  onSweep: (from: Point, to: Point) => void;
  children: React.ReactNode;
}

/** Fingers and wheel move what it holds without React: a drag costs one style a frame. */
function Movable({ card, room, area, picking, onTap, onSweep, children }: MovableProps) {
  const holder = useRef<HTMLDivElement>(null);
  const content = useRef<HTMLDivElement>(null);
  const sweep = useRef<HTMLDivElement>(null);
  const view = useRef<StageView>(fitView(card, room));
  const { left, top, width, height } = area ?? {};

  const place = (next: StageView, glide: boolean) => {
    view.current = clampView(next, card, room);
    const { style } = content.current!;
    style.transition = glide ? GLIDE : 'none';
    style.transform = `translate(${view.current.x}px, ${view.current.y}px) scale(${view.current.scale})`;
  };
  useEffect(() => {
    const target =
      width === undefined ? fitView(card, room) : focusView({ left, top, width, height } as Area, card, room);
    place(target, true);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- glides when the place or the room changes, not when a finger moved it
  }, [left, top, width, height, card, room.width, room.height]);

  const inside = ([x, y]: readonly [number, number]): Point => {
    const box = holder.current!.getBoundingClientRect();
    return [x - box.left, y - box.top];
  };
  const onCard = ([x, y]: Point): Point => [
    (x - view.current.x) / view.current.scale,
    (y - view.current.y) / view.current.scale,
  ];
  const showSweep = (from: Point, to: Point | undefined) => {
    const { style } = sweep.current!;
    style.display = to ? 'block' : 'none';
    if (!to) return;
    style.left = `${Math.min(from[0], to[0])}px`;
    style.top = `${Math.min(from[1], to[1])}px`;
    style.width = `${Math.abs(to[0] - from[0])}px`;
    style.height = `${Math.abs(to[1] - from[1])}px`;
  };

  useGesture(
    {
      onDrag: ({ first, last, tap, canceled, pinching, initial, xy, delta, memo = picking && first, cancel }) => {
        const [from, to] = [inside(initial), inside(xy)];
        if (pinching || canceled) {
          showSweep(from, undefined);
          cancel();
        } else if (tap) onTap(onCard(to));
        else if (memo) {
          showSweep(from, last ? undefined : to);
          if (last) onSweep(onCard(from), onCard(to));
        } else place({ ...view.current, x: view.current.x + delta[0], y: view.current.y + delta[1] }, false);
        return memo;
      },
      // The mouse event that follows a touch would take the focus away from the field that the touch gave it to.
      onMouseDown: ({ event }) => event.preventDefault(),
      onPinch: ({ origin, movement: [larger], memo = 1 }) => {
        place(zoomedAt(view.current, larger / memo, inside(origin)), false);
        return larger;
      },
      onWheel: ({ event, delta: [, turned] }) => {
        // With the control key it is a pinch on a pad.
        if (event.ctrlKey) return;
        event.preventDefault();
        place(zoomedAt(view.current, Math.exp(-turned / 400), inside([event.clientX, event.clientY])), false);
      },
    },
    { target: holder, eventOptions: { passive: false }, drag: { filterTaps: true, tapsThreshold: TAP } },
  );
  return (
    <div
      ref={holder}
      data-stage
      style={{
        position: 'relative',
        width: '100%',
        height: '100%',
        overflow: 'hidden',
        touchAction: 'none',
        userSelect: 'none',
        cursor: picking ? 'crosshair' : 'grab',
      }}
    >
      <div
        ref={content}
        style={{
          position: 'absolute',
          width: card.width,
          height: card.height,
          transformOrigin: '0 0',
          willChange: 'transform',
          boxShadow: '0 1px 3px rgb(0 0 0 / 0.16), 0 10px 30px rgb(0 0 0 / 0.18)',
        }}
      >
        {children}
      </div>
      <div
        ref={sweep}
        data-sweep
        style={{
          display: 'none',
          position: 'absolute',
          pointerEvents: 'none',
          background: 'rgb(var(--marigold) / 0.35)',
          boxShadow: '0 0 0 1.5px rgb(var(--ink))',
        }}
      />
    </div>
  );
}
