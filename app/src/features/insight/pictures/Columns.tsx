import { scaleBand, scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useRouter, type Href } from 'expo-router';
import Svg, { G, Line, Path, Rect, Text } from 'react-native-svg';
import { FONT, INK, PAPER, PictureFrame, RULE, SOFT } from './frame';
import { usePoints } from './usePoints';

export interface Column {
  label: string;
  /** One on the other; the first stands below. */
  values: readonly number[];
  /** What is wanted, as a line over them. */
  wanted?: number | null;
  href?: Href;
}

interface Props {
  label: string;
  series: readonly string[];
  columns: readonly Column[];
  wantedName?: string;
  say?: (value: number) => string;
}

const HEIGHT = 220;
const FOOT = 26;
const LEFT = 56;
/** A letter under a column needs so many pixels. */
const LETTER = 8;

/** What there was at one time after the other, the parts of each on each other, and what was wanted as a line of dashes. */
export function Columns({ label, series, columns, wantedName, say = (value) => value.toLocaleString('en') }: Props) {
  const router = useRouter();
  const points = columns.map((column) => ({
    words: [
      `${column.label}: ${column.values.map((value, nth) => `${series.length > 1 ? `${series[nth]} ` : ''}${say(value)}`).join(', ')}`,
      column.wanted === null || column.wanted === undefined ? '' : `${wantedName} ${say(column.wanted)}`,
    ]
      .filter(Boolean)
      .join(', '),
    href: column.href,
  }));
  const state = usePoints(points);
  const sum = ({ values }: Column) => values.reduce((all, value) => all + value, 0);
  const most = Math.max(1, ...columns.map((column) => Math.max(sum(column), column.wanted ?? 0)));
  return (
    <PictureFrame label={label} points={points} state={state}>
      {(width) => {
        const y = scaleLinear([0, most], [HEIGHT - FOOT, 10]).nice(4);
        const x = scaleBand(columns.map((_, place) => String(place)), [LEFT, width]).paddingInner(0.25).paddingOuter(0.1); // prettier-ignore
        const word = LETTER * (2 + Math.max(0, ...columns.map((column) => column.label.length)));
        const every = Math.max(1, Math.ceil((columns.length * word) / (width - LEFT)));
        const wanted = line<{ x: number; value: number }>((d) => d.x, (d) => y(d.value)); // prettier-ignore
        const aims = columns.flatMap((column, place) => {
          const left = x(String(place))!;
          return column.wanted === null || column.wanted === undefined ? [] : [{ x: left - 3, value: column.wanted }, { x: left + x.bandwidth() + 3, value: column.wanted }]; // prettier-ignore
        });
        return (
          <Svg width={width} height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`}>
            {y.ticks(4).map((tick) => (
              <G key={tick}>
                <Line x1={LEFT} x2={width} y1={y(tick)} y2={y(tick)} stroke={RULE} />
                <Text x={LEFT - 8} y={y(tick) + 5} textAnchor="end" fill={SOFT} {...FONT}>
                  {short(tick)}
                </Text>
              </G>
            ))}
            {columns.map((column, place) => {
              const left = x(String(place))!;
              let below = 0;
              const press = () => {
                if (state.at === place && column.href) router.push(column.href);
                else state.choose(place);
              };
              return (
                <G key={`${column.label} ${place}`} onPress={press}>
                  <Rect x={left - x.step() * 0.12} y={0} width={x.step()} height={HEIGHT} fill="transparent" />
                  {column.values.map((value, nth) => {
                    const from = below;
                    below += value;
                    return (
                      <Rect
                        key={series[nth]}
                        x={left}
                        y={y(below)}
                        width={x.bandwidth()}
                        height={Math.max(0, y(from) - y(below))}
                        fill={nth === 0 ? INK : PAPER}
                        stroke={INK}
                        strokeWidth={state.at === place ? 3 : nth === 0 ? 0 : 1}
                      />
                    );
                  })}
                  {place % every === 0 ? (
                    <Text x={left + x.bandwidth() / 2} y={HEIGHT - 8} textAnchor="middle" fill={SOFT} {...FONT}>
                      {column.label}
                    </Text>
                  ) : null}
                </G>
              );
            })}
            {aims.length > 0 ? (
              <Path d={wanted(aims) ?? ''} stroke={INK} strokeWidth={2} strokeDasharray="5 4" fill="none" />
            ) : null}
          </Svg>
        );
      }}
    </PictureFrame>
  );
}

/** "12k": where there is little room. */
const short = (value: number): string =>
  value >= 10_000 ? `${(value / 1000).toLocaleString('en')}k` : value.toLocaleString('en');
