import type { Point } from '@dossier/core/capture';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { type Border, type BorderAct, type Borders, selectedBorder } from './borders';

const CORNERS = ['Top left', 'Top right', 'Bottom right', 'Bottom left'] as const;
/** Radius in pixels of the screen within which a corner is taken hold of. */
const GRIP = 26;
const LENS = 132;
/** How much larger than on the screen the magnifier shows the photograph. */
const LENS_SCALE = 3;
const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface Props {
  src: string;
  borders: Borders;
  complaints: ReadonlyMap<string, string>;
  dispatch: (act: BorderAct) => void;
}

interface Drag {
  /** Corner that is held; none when the whole border is. */
  corner?: number;
  last: Point;
}

/** The photograph with its borders: corners are dragged by finger or mouse, or moved with the arrow keys. */
export function BorderDrawing({ src, borders, complaints, dispatch }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Drag>();
  const [width, height] = borders.size;
  const selected = selectedBorder(borders);
  const scale = svg.current?.getScreenCTM()?.a ?? 0.3;
  const unit = 1 / scale;

  const placeOf = (event: PointerEvent): Point => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return [point.x, point.y];
  };
  const begin = (event: PointerEvent, corner?: number) => {
    event.stopPropagation();
    event.preventDefault();
    (event.target as Element).setPointerCapture(event.pointerId);
    dispatch({ kind: 'begin' });
    setDrag({ corner, last: placeOf(event) });
  };
  const move = (event: PointerEvent) => {
    if (!drag) return;
    const at = placeOf(event);
    if (drag.corner !== undefined) dispatch({ kind: 'corner', corner: drag.corner, to: at });
    else dispatch({ kind: 'move', by: [at[0] - drag.last[0], at[1] - drag.last[1]] });
    setDrag({ ...drag, last: at });
  };
  const end = () => setDrag(undefined);

  const step = (event: KeyboardEvent, act: (by: Point) => BorderAct) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    const by = unit * (event.shiftKey ? 12 : 2);
    if (!event.repeat) dispatch({ kind: 'begin' });
    dispatch(act([arrow[0] * by, arrow[1] * by]));
  };

  return (
    <div style={{ position: 'relative', width: '100%', height: '100%' }}>
      <svg
        ref={svg}
        viewBox={`0 0 ${width} ${height}`}
        preserveAspectRatio="xMidYMid meet"
        style={{ width: '100%', height: '100%', touchAction: 'none', display: 'block' }}
        onPointerDown={() => dispatch({ kind: 'select', key: null })}
        onPointerMove={move}
        onPointerUp={end}
        onPointerCancel={end}
      >
        <image href={src} width={width} height={height} preserveAspectRatio="none" />
        {borders.list.flatMap((border, i) => [
          <g
            key={border.key}
            role="button"
            tabIndex={0}
            aria-pressed={border.key === borders.selected}
            aria-label={labelOf(border, i)}
            onFocus={() => dispatch({ kind: 'select', key: border.key })}
            onPointerDown={(event) => {
              if (border.key === borders.selected && !border.fixed) return begin(event);
              event.stopPropagation();
              dispatch({ kind: 'select', key: border.key });
            }}
            onKeyDown={(event) => step(event, (by) => ({ kind: 'move', by }))}
            style={{ cursor: border.fixed ? 'default' : 'move', outline: 'none' }}
          >
            <polygon
              data-border={border.key}
              points={border.quad.map((p) => p.join(',')).join(' ')}
              fill={border.key === borders.selected ? 'rgb(255 254 249 / 0.12)' : 'rgb(30 36 43 / 0.001)'}
              stroke="#1e242b"
              strokeWidth={5 * unit}
              strokeLinejoin="round"
            />
            <polygon
              points={border.quad.map((p) => p.join(',')).join(' ')}
              fill="none"
              stroke="#fffef9"
              strokeWidth={2.4 * unit}
              strokeLinejoin="round"
              strokeDasharray={border.fixed || complaints.has(border.key) ? `${6 * unit} ${5 * unit}` : undefined}
            />
          </g>,
          // Right behind their border: the next key press reaches them, and not the next border.
          ...(border.key === borders.selected && !border.fixed
            ? border.quad.map(([x, y], corner) => (
                <g
                  key={`${border.key} ${corner}`}
                  role="button"
                  tabIndex={0}
                  aria-label={`${CORNERS[corner]} corner`}
                  data-corner={corner}
                  onPointerDown={(event) => begin(event, corner)}
                  onKeyDown={(event) => step(event, (by) => ({ kind: 'corner', corner, to: [x + by[0], y + by[1]] }))}
                  style={{ cursor: 'grab' }}
                >
                  <circle cx={x} cy={y} r={GRIP * unit} fill="rgb(255 254 249 / 0.001)" />
                  <circle cx={x} cy={y} r={9 * unit} fill="#fffef9" stroke="#1e242b" strokeWidth={2 * unit} />
                </g>
              ))
            : []),
        ])}
      </svg>
      {drag?.corner !== undefined && selected ? (
        <Magnifier src={src} size={borders.size} border={selected} corner={drag.corner} unit={unit} />
      ) : null}
    </div>
  );
}

const labelOf = ({ name, fixed }: Border, index: number): string =>
  `${name ?? `Card ${index + 1}`}${fixed ? ', filed' : ''}`;

interface MagnifierProps {
  src: string;
  size: Point;
  border: Border;
  corner: number;
  /** Pixels of the photograph in one of the screen. */
  unit: number;
}

/** What lies under the finger that holds a corner, on the side of the screen where the finger is not. */
function Magnifier({ src, size: [width, height], border, corner, unit }: MagnifierProps) {
  const [x, y] = border.quad[corner]!;
  const reach = (LENS * unit) / LENS_SCALE;
  const left = x > width / 2;
  return (
    <div
      aria-hidden
      data-magnifier
      style={{
        position: 'absolute',
        top: 12,
        [left ? 'left' : 'right']: 12,
        width: LENS,
        height: LENS,
        borderRadius: LENS,
        overflow: 'hidden',
        border: '2px solid #fffef9',
        boxShadow: '0 2px 12px rgb(0 0 0 / 0.35)',
        background: '#1e242b',
      }}
    >
      <svg viewBox={`${x - reach / 2} ${y - reach / 2} ${reach} ${reach}`} width={LENS} height={LENS}>
        <image href={src} width={width} height={height} preserveAspectRatio="none" />
        <polygon
          points={border.quad.map((p) => p.join(',')).join(' ')}
          fill="none"
          stroke="#fffef9"
          strokeWidth={(unit * 1.6) / LENS_SCALE}
        />
        <circle
          cx={x}
          cy={y}
          r={(unit * 7) / LENS_SCALE}
          fill="none"
          stroke="#1e242b"
          strokeWidth={(unit * 1.6) / LENS_SCALE}
        />
      </svg>
    </div>
  );
}
