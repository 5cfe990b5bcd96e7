import { create } from 'qrcode';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

/** Quiet modules around the code, as ISO/IEC 18004 asks for. */
const QUIET = 4;

/** A text as a QR code, dark on light in either theme: cameras want it so. Not in the index: few screens show one. @returns undefined where it is too long for one */
export function QrCode({ text, label, size }: { text: string; label: string; size: number }) {
  const drawn = useMemo(() => pathOf(text), [text]);
  if (!drawn) return null;
  const { path, modules } = drawn;
  const whole = modules + 2 * QUIET;
  return (
    <View
      role="img"
      aria-label={label}
      style={{ width: size, maxWidth: '100%', aspectRatio: 1, backgroundColor: '#fff' }}
    >
      <Svg width="100%" height="100%" viewBox={`${-QUIET} ${-QUIET} ${whole} ${whole}`}>
        <Path d={path} fill="#000" />
      </Svg>
    </View>
  );
}

function pathOf(text: string): { path: string; modules: number } | undefined {
  try {
    const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
    const squares: string[] = [];
    data.forEach((dark, at) => dark && squares.push(`M${at % size} ${Math.floor(at / size)}h1v1h-1z`));
    return { path: squares.join(''), modules: size };
  } catch {
    return undefined;
  }
}
