import type { ComponentType, ReactNode } from 'react';
import { Text as NativeText } from 'react-native';

interface Props {
  text: string;
  /** Letters, from and to, in order; those that overlap are one. */
  ranges: readonly (readonly [from: number, to: number])[];
  as: ComponentType<{ children?: ReactNode; numberOfLines?: number; className?: string }>;
  className?: string;
  lines?: number;
}

/** A text in which what was looked for is underlined: the highlighter is for what needs somebody. */
export function Marked({ text, ranges, as: Words, className, lines }: Props) {
  const pieces: ReactNode[] = [];
  let at = 0;
  for (const [from, to] of ranges) {
    if (to <= at) continue;
    const start = Math.max(at, from);
    if (start > at) pieces.push(text.slice(at, start));
    pieces.push(
      <NativeText key={start} className="font-semibold text-ink underline decoration-2 underline-offset-4">
        {text.slice(start, to)}
      </NativeText>,
    );
    at = to;
  }
  pieces.push(text.slice(at));
  return (
    <Words numberOfLines={lines} className={className}>
      {pieces}
    </Words>
  );
}
