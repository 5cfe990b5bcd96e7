import { scaleLinear } from 'd3-scale';
import { useRouter, type Href } from 'expo-router';
import Svg, { G, Line, Rect, Text } from 'react-native-svg';
import { FONT, INK, PAPER, PictureFrame, RULE, SOFT } from './frame';
import { usePoints } from './usePoints';

export interface Bar {
  label: string;
  /** One for each series; nothing where there is nothing. */
  values: readonly (number | null)[];
  hrefs?: readonly (Href | undefined)[];
}

interface Props {
  label: string;
  series: readonly string[];
  bars: readonly Bar[];
  /** How a value is said. */
  say?: (value: number) => string;
}

const LABEL = 20;
const THICK = 14;
const GAP = 12;
const ROOM = 74;

/** Lengths beside each other, each with its words above it; a second series is drawn in outline. */
export function Bars({ label, series, bars, say = (value) => value.toLocaleString('en') }: Props) {
  const router = useRouter();
  const points = bars.flatMap((bar) =>
    series.map((name, nth) => ({
      words: `${bar.label}${series.length > 1 ? `, ${name}` : ''}: ${bar.values[nth] === null ? 'nothing' : say(bar.values[nth]!)}`,
      href: bar.hrefs?.[nth],
    })),
  );
  const state = usePoints(points);
  const high = LABEL + series.length * (THICK + 3) + GAP;
  const most = Math.max(1, ...bars.flatMap(({ values }) => values.map((value) => value ?? 0)));
  return (
    <PictureFrame label={label} points={points} state={state}>
      {(width) => {
        const x = scaleLinear([0, most], [0, Math.max(40, width - ROOM)]);
        return (
          <Svg width={width} height={bars.length * high} viewBox={`0 0 ${width} ${bars.length * high}`}>
            <Line x1={0.5} x2={0.5} y1={0} y2={bars.length * high - GAP} stroke={RULE} />
            {bars.map((bar, place) => (
              <G key={`${bar.label} ${place}`}>
                <Text x={6} y={place * high + 15} fill={SOFT} {...FONT}>
                  {bar.label}
                </Text>
                {bar.values.map((value, nth) => {
                  const point = place * series.length + nth;
                  const top = place * high + LABEL + nth * (THICK + 3);
                  const press = () => {
                    const { href } = points[point]!;
                    if (state.at === point && href) router.push(href);
                    else state.choose(point);
                  };
                  return (
                    <G key={series[nth]} onPress={press}>
                      <Rect x={0} y={top - 4} width={width} height={THICK + 8} fill="transparent" />
                      <Rect
                        x={1}
                        y={top}
                        width={Math.max(value ? 2 : 0, x(value ?? 0))}
                        height={THICK}
                        fill={nth === 0 ? INK : PAPER}
                        stroke={INK}
                        strokeWidth={state.at === point ? 3 : nth === 0 ? 0 : 1}
                      />
                      <Text x={x(value ?? 0) + 8} y={top + 12} fill={INK} {...FONT}>
                        {value === null ? '–' : say(value)}
                      </Text>
                    </G>
                  );
                })}
              </G>
            ))}
          </Svg>
        );
      }}
    </PictureFrame>
  );
}
