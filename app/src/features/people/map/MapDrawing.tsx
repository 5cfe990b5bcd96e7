import { dotsOf, type At, type Dot } from '@dossier/core/people/map';
import { useGesture } from '@use-gesture/react';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { View as Box } from 'react-native';
import { counted } from '@/lib/counted';
import { Button, Notice } from '@/ui';
import { landsInSight, loadOutlines, type Land } from './outlines';
import { isInSight, moved, placeAt, pointOf, zoomed, type Size, type View } from './view';

export interface MapPlace extends At {
  label: string;
  people: number;
}

interface Props {
  places: readonly MapPlace[];
  view: View;
  size: Size;
  onView: (view: View) => void;
  /** Those whose places are shown as chosen. */
  chosen: readonly number[];
  /** Stops of a round in their order, and the whole way, which may begin and end elsewhere. */
  round: readonly At[];
  way: readonly At[];
  /** Where the distances are counted from. */
  from: At | undefined;
  /** Places under one dot. */
  onPlaces: (indexes: readonly number[]) => void;
  /** The next touch says where something is. */
  onPoint: ((at: At) => void) | undefined;
}

/** So much more than what is in sight is drawn on each side, to be moved into it. */
const AROUND = 0.6;
/** Dots nearer to each other than a finger is wide are one. */
const CELL = 40;
const STEP = 80;
const TAP = 6;
const ZOOM_STEP = 1.8;

/**
 * Outlines and dots. While it is moved the picture that is there moves as a whole. When it comes to rest outlines are only moved and enlarged,
 * and dots are put together anew, so that a slow device keeps up.
 */
export function MapDrawing({ places, view, size, onView, chosen, round, way: along, from, onPlaces, onPoint }: Props) {
  const { lands, failed, again } = useOutlines();
  const around = { width: size.width * AROUND, height: size.height * AROUND };
  const seen = lands ? landsInSight(lands, view, size, around) : [];
  // Where they lie does not depend on where the view is: only what comes into sight is drawn anew.
  const dots = useMemo(() => {
    const points = places.map((place) => pointOf({ x: 0, y: 0, scale: view.scale }, place));
    return dotsOf(places, points, CELL);
  }, [places, view.scale]);
  const dotsSeen = dots.filter(({ x, y }) => isInSight([x + view.x, y + view.y], size, CELL));
  const choose = useStable(onPlaces);
  const { layer, bind } = useMoving(view, onView, (point) => onPoint?.(placeAt(view, point)));
  const marked = new Set(chosen);
  const way = along.map((at) => pointOf(view, at));
  const stops = round.map((at) => pointOf(view, at));
  const key = (event: React.KeyboardEvent) => {
    const pan: Record<string, [number, number]> = { ArrowLeft: [STEP, 0], ArrowRight: [-STEP, 0], ArrowUp: [0, STEP], ArrowDown: [0, -STEP] }; // prettier-ignore
    const middle: [number, number] = [size.width / 2, size.height / 2];
    const next = pan[event.key]
      ? moved(view, ...pan[event.key]!)
      : event.key === '+' || event.key === '='
        ? zoomed(view, ZOOM_STEP, middle)
        : event.key === '-'
          ? zoomed(view, 1 / ZOOM_STEP, middle)
          : undefined;
    if (!next) return;
    event.preventDefault();
    onView(next);
  };
  return (
    <>
      {/* eslint-disable jsx-a11y/no-noninteractive-element-interactions, jsx-a11y/no-noninteractive-tabindex -- what is moved by keys takes them */}
      <div
        {...bind()}
        // Moved with the arrow keys, as an application within the page (WAI-ARIA 1.2).
        role="application"
        aria-label="Map. Arrow keys move it, plus and minus bring it nearer and further."
        tabIndex={0}
        onKeyDown={key}
        style={{ position: 'absolute', inset: 0, overflow: 'hidden', touchAction: 'none', cursor: onPoint ? 'crosshair' : 'grab' }} // prettier-ignore
      >
        <div ref={layer} style={{ position: 'absolute', inset: 0, transformOrigin: '0 0' }}>
          <svg
            width={size.width + 2 * around.width}
            height={size.height + 2 * around.height}
            style={{ position: 'absolute', left: -around.width, top: -around.height }}
          >
            <g
              transform={`translate(${around.width + view.x} ${around.height + view.y}) scale(${view.scale})`}
              fill="rgb(var(--sheet))"
              stroke="rgb(var(--soft))"
              strokeWidth={0.7}
            >
              {seen.map((land) => (
                <Outline key={land.box.join()} land={land} />
              ))}
            </g>
          </svg>
          <svg width={size.width} height={size.height} style={{ position: 'absolute', overflow: 'visible' }}>
            {way.length > 1 ? (
              <polyline
                points={way.map((point) => point.join(',')).join(' ')}
                fill="none"
                stroke="rgb(var(--ink))"
                strokeWidth={1.6}
                strokeDasharray="5 4"
              />
            ) : null}
            {from ? <Here point={pointOf(view, from)} /> : null}
          </svg>
          <div style={{ position: 'absolute', transform: `translate(${view.x}px, ${view.y}px)` }}>
            {dotsSeen.map((dot) => (
              <DotButton
                key={dot.spots[0]}
                dot={dot}
                label={dot.spots.length === 1 ? places[dot.spots[0]!]!.label : `${counted(dot.spots.length, 'place')} near ${places[dot.spots[0]!]!.label}`} // prettier-ignore
                isChosen={dot.spots.some((spot) => marked.has(spot))}
                quiet={onPoint !== undefined}
                onPlaces={choose}
              />
            ))}
          </div>
          {numbersAt(stops).map(({ x, y, numbers }) => (
            <div key={numbers} aria-hidden style={{ ...STOP, left: x, top: y - 34 }}>
              {numbers}
            </div>
          ))}
        </div>
      </div>
      {/* eslint-enable jsx-a11y/no-noninteractive-element-interactions, jsx-a11y/no-noninteractive-tabindex */}
      {failed ? (
        <Box className="absolute left-2 right-2 top-2 bg-paper">
          <Notice fault action={<Button onPress={again}>Try again</Button>}>
            The outlines could not be loaded. The dots are where they should be.
          </Notice>
        </Box>
      ) : null}
      <Box className="absolute bottom-2 right-2 gap-2">
        <Button
          label="Nearer"
          className="bg-paper"
          onPress={() => onView(zoomed(view, ZOOM_STEP, [size.width / 2, size.height / 2]))}
        >
          +
        </Button>
        <Button
          label="Further"
          className="bg-paper"
          onPress={() => onView(zoomed(view, 1 / ZOOM_STEP, [size.width / 2, size.height / 2]))}
        >
          −
        </Button>
      </Box>
    </>
  );
}

/** Never drawn anew: the view is a transformation around it. */
const Outline = memo(({ land }: { land: Land }) => <path d={land.path()} vectorEffect="non-scaling-stroke" />);
Outline.displayName = 'Outline';

const STOP = {
  position: 'absolute',
  padding: '0 6px',
  transform: 'translateX(-50%)',
  whiteSpace: 'nowrap',
  height: 22,
  lineHeight: '22px',
  textAlign: 'center',
  font: '600 13px/22px "Instrument Sans", sans-serif',
  color: 'rgb(var(--paper))',
  background: 'rgb(var(--ink))',
  borderRadius: 4,
  pointerEvents: 'none',
} as const;

/** The numbers of the stops at each point: several at one place stand side by side. */
function numbersAt(stops: readonly (readonly [number, number])[]): { x: number; y: number; numbers: string }[] {
  const at: { x: number; y: number; numbers: string }[] = [];
  for (const [i, [x, y]] of stops.entries()) {
    const same = at.find((one) => Math.hypot(one.x - x, one.y - y) < 4);
    if (same) same.numbers += `, ${i + 1}`;
    else at.push({ x, y, numbers: String(i + 1) });
  }
  return at;
}

const Here = ({ point: [x, y] }: { point: readonly [number, number] }) => (
  <g stroke="rgb(var(--ink))" strokeWidth={2} fill="none">
    <circle cx={x} cy={y} r={9} />
    <path d={`M${x - 14} ${y}h8M${x + 6} ${y}h8M${x} ${y - 14}v8M${x} ${y + 6}v8`} />
  </g>
);

/** The same function for as long as this is there, whatever it does today. */
function useStable<Given>(work: (given: Given) => void): (given: Given) => void {
  const latest = useRef(work);
  useEffect(() => {
    latest.current = work;
  });
  return useCallback((given) => latest.current(given), []);
}

interface DotProps {
  dot: Dot;
  label: string;
  isChosen: boolean;
  /** Somebody says where something is: dots are not in the way. */
  quiet: boolean;
  onPlaces: (indexes: readonly number[]) => void;
}

/** As large as what it stands for, and never smaller than a finger finds. */
const DotButton = memo(({ dot: { x, y, people, spots }, label, isChosen, quiet, onPlaces }: DotProps) => {
  const side = Math.min(44, 14 + 5 * Math.log2(people + 1));
  return (
    <button
      type="button"
      aria-label={`${label}: ${counted(people, 'person', 'people')}`}
      aria-pressed={isChosen}
      onClick={() => onPlaces(spots)}
      style={{ position: 'absolute', left: x - 22, top: y - 22, width: 44, height: 44, padding: 0, border: 0, background: 'none', cursor: 'pointer', pointerEvents: quiet ? 'none' : 'auto' }} // prettier-ignore
    >
      <span
        style={{
          display: 'block',
          width: side,
          height: side,
          margin: 'auto',
          font: `600 12px/${side}px "Instrument Sans", sans-serif`,
          fontVariantNumeric: 'tabular-nums',
          color: isChosen ? 'rgb(var(--ink))' : 'rgb(var(--paper))',
          background: isChosen ? 'rgb(var(--paper))' : 'rgb(var(--ink))',
          border: '2px solid rgb(var(--ink))',
          boxSizing: 'border-box',
          borderRadius: '50%',
          ...(side > 20 && { lineHeight: `${side - 4}px` }),
        }}
      >
        {people > 1 ? people : ''}
      </span>
    </button>
  );
});
DotButton.displayName = 'DotButton';

function useOutlines() {
  const [lands, setLands] = useState<Awaited<ReturnType<typeof loadOutlines>>>();
  const [failed, setFailed] = useState(false);
  const [attempt, setAttempt] = useState(0);
  useEffect(() => {
    let gone = false;
    loadOutlines().then((loaded) => gone || setLands(loaded), () => gone || setFailed(true)); // prettier-ignore
    return () => {
      gone = true;
    };
  }, [attempt]);
  const again = () => {
    setFailed(false);
    setAttempt((n) => n + 1);
  };
  return { lands, failed, again };
}

/** Fingers, mouse and wheel: what is drawn moves with them, and the view is another one once they have come to rest. */
function useMoving(view: View, onView: (view: View) => void, onTap: (point: [number, number]) => void) {
  const layer = useRef<HTMLDivElement>(null);
  const under = useRef(view);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    under.current = view;
    if (layer.current) layer.current.style.transform = '';
  }, [view]);
  useEffect(() => () => clearTimeout(resting.current), []);
  const show = (next: View) => {
    under.current = next;
    const by = next.scale / view.scale;
    if (layer.current) layer.current.style.transform = `translate(${next.x - view.x * by}px, ${next.y - view.y * by}px) scale(${by})`; // prettier-ignore
  };
  const rest = () => under.current !== view && onView(under.current);
  const within = (event: Event, x: number, y: number): [number, number] => {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    return [x - box.left, y - box.top];
  };
  const bind = useGesture(
    {
      onDrag: ({ delta: [dx, dy], movement: [mx, my], pinching, tap, xy: [x, y], event, last, cancel }) => {
        if (pinching) return cancel();
        if (tap) return onTap(within(event, x, y));
        if (Math.hypot(mx, my) > TAP) show(moved(under.current, dx, dy));
        if (last) rest();
      },
      onPinch: ({ delta: [factor], offset: [now], origin: [x, y], event, last, memo }) => {
        const before = (memo as number | undefined) ?? now - factor;
        if (before > 0) show(zoomed(under.current, now / before, within(event, x, y)));
        if (last) rest();
        return now;
      },
      onWheel: ({ delta: [, dy], event }) => {
        event.preventDefault();
        show(zoomed(under.current, Math.exp(-dy / 400), within(event, event.clientX, event.clientY)));
        clearTimeout(resting.current);
        resting.current = setTimeout(rest, 120);
      },
    },
    { drag: { filterTaps: true, pointer: { keys: false } }, eventOptions: { passive: false } },
  );
  return { layer, bind };
}
