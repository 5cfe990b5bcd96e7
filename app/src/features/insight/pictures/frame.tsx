/* eslint-disable jsx-a11y/no-noninteractive-tabindex, jsx-a11y/no-noninteractive-element-interactions -- arrows go through the values of a picture */
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { Soft } from '@/ui';
import type { Point, usePoints } from './usePoints';

export const INK = 'rgb(var(--ink))';
export const SOFT = 'rgb(var(--soft))';
export const RULE = 'rgb(var(--rule))';
export const PAPER = 'rgb(var(--table))';
export const FONT = { fontFamily: 'Instrument Sans, sans-serif', fontSize: 14 } as const;

interface Props {
  label: string;
  points: readonly Point[];
  state: ReturnType<typeof usePoints>;
  /** Drawn into so many pixels of width. */
  children: (width: number) => ReactNode;
}

/** A picture as wide as there is room, gone through with the arrows, with what is said exactly of one point under it. */
export function PictureFrame({ label, points, state: { chosen, onKeyDown }, children }: Props) {
  const [width, setWidth] = useState(0);
  return (
    <View onLayout={({ nativeEvent }) => setWidth(Math.floor(nativeEvent.layout.width))} className="w-full">
      <div
        role="group"
        tabIndex={0}
        aria-label={`${label}. Arrows go through ${points.length} values.`}
        onKeyDown={onKeyDown}
        data-picture
      >
        {width > 0 ? children(width) : null}
      </div>
      <View role="status" className="min-h-[24px]">
        <Soft className="tabular">
          {chosen ? `${chosen.words}${chosen.href ? ' · Enter, or touch it again, opens them' : ''}` : ''}
        </Soft>
      </View>
    </View>
  );
}
