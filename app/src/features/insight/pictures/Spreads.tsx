import type { Spread } from '@dossier/contract';
import { scaleSqrt } from 'd3-scale';
import Svg, { Circle, G, Line, Rect, Text } from 'react-native-svg';
import { spreadWords, tookWords } from '../words';
import { FONT, INK, PAPER, PictureFrame, RULE, SOFT } from './frame';
import { usePoints } from './usePoints';

interface Props {
  label: string;
  rows: readonly { label: string; spread: Spread }[];
}

const HIGH = 52;
const FOOT = 24;
const DAY = 86_400;

/** What is usual as a dot, and between which times half of them lie as a bar; long times are drawn together. */
export function Spreads({ label, rows }: Props) {
  const points = rows.map((row) => ({ words: `${row.label}: ${spreadWords(row.spread)}` }));
  const state = usePoints(points);
  const most = Math.max(DAY, ...rows.map(({ spread }) => spread?.high ?? 0));
  const height = rows.length * HIGH + FOOT;
  return (
    <PictureFrame label={label} points={points} state={state}>
      {(width) => {
        const x = scaleSqrt([0, most], [6, width - 14]);
        const days = [0, 1, 3, 7, 14, 30, 60, 120].filter((day) => day * DAY <= most);
        const apart = days.filter((day, place) => place === 0 || x(day * DAY) - x(days[place - 1]! * DAY) > 34);
        return (
          <Svg width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
            {apart.map((day) => (
              <G key={day}>
                <Line x1={x(day * DAY)} x2={x(day * DAY)} y1={0} y2={height - FOOT} stroke={RULE} />
                <Text x={x(day * DAY)} y={height - 6} textAnchor={day === 0 ? 'start' : 'middle'} fill={SOFT} {...FONT}>
                  {day === 0 ? '0' : `${day} d`}
                </Text>
              </G>
            ))}
            {rows.map(({ label: name, spread }, place) => (
              <G key={`${name} ${place}`} onPress={() => state.choose(place)}>
                <Rect x={0} y={place * HIGH} width={width} height={HIGH} fill="transparent" />
                <Text x={6} y={place * HIGH + 16} fill={SOFT} {...FONT}>
                  {`${name}${spread ? `: ${tookWords(spread.middle)}, of ${spread.number.toLocaleString('en')}` : ': nothing yet'}`}
                </Text>
                {spread ? (
                  <>
                    <Rect
                      x={x(spread.low)}
                      y={place * HIGH + 26}
                      width={Math.max(2, x(spread.high) - x(spread.low))}
                      height={12}
                      fill={PAPER}
                      stroke={INK}
                      strokeWidth={state.at === place ? 3 : 1}
                    />
                    <Circle cx={x(spread.middle)} cy={place * HIGH + 32} r={7} fill={INK} />
                  </>
                ) : null}
              </G>
            ))}
          </Svg>
        );
      }}
    </PictureFrame>
  );
}
