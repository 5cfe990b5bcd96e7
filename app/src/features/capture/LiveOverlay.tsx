import type { LiveAdvice } from '@dossier/core/capture';
import { View } from 'react-native';
import { Text } from '@/ui';
import type { LiveSight } from './useLive';

const WORDS: Record<LiveAdvice, string> = {
  tooDark: 'Too dark. Turn on a light, or the torch.',
  holdStill: 'Hold still.',
  noCard: 'No whole card seen yet. Move closer, or press the button anyway.',
  nextCard: 'Taken. Lay down the next card.',
};

/** The card's border as it is found, and one word of advice. */
export function LiveOverlay({ sight, size }: { sight: LiveSight; size: { width: number; height: number } }) {
  const { outline, advice } = sight;
  const points = outline?.map(([x, y]) => `${x * size.width},${y * size.height}`).join(' ');
  const stroke = Math.max(size.width, size.height) / 220;
  return (
    <>
      <svg
        viewBox={`0 0 ${size.width} ${size.height}`}
        preserveAspectRatio="xMidYMid meet"
        aria-hidden
        data-live-outline={points ? 'seen' : 'none'}
        style={{ position: 'absolute', inset: 0, width: '100%', height: '100%', pointerEvents: 'none' }}
      >
        {points ? (
          <g fill="none" strokeLinejoin="round">
            <polygon points={points} stroke="#1e242b" strokeWidth={stroke * 2.2} opacity={0.55} />
            <polygon points={points} stroke="#fffef9" strokeWidth={stroke} />
          </g>
        ) : null}
      </svg>
      <View
        role="status"
        aria-live="polite"
        pointerEvents="none"
        className="absolute bottom-3 left-0 right-0 items-center px-4"
      >
        {advice ? (
          <View className="max-w-full rounded-[4px] bg-paper px-3 py-2">
            <Text className="text-center">{WORDS[advice]}</Text>
          </View>
        ) : null}
      </View>
    </>
  );
}
