/** A frame of the live picture as its preview shows it: red, green, blue and opacity of each pixel. */
export interface Frame {
  data: Uint8ClampedArray;
  width: number;
  height: number;
}

/** Change of brightness or colour at each pixel of a frame. */
export interface FrameEdges {
  width: number;
  height: number;
  /** Strength of the change, in grey levels. */
  strength: Float32Array;
  /** Direction across the edge, 0…π. */
  direction: Float32Array;
  /** Weaker changes than this are the grain of paper and table, and noise. */
  faintest: number;
}

/** Brightness of a frame, 0–255. */
export function brightnessOf({ data, width, height }: Frame): Uint8Array {
  const out = new Uint8Array(width * height);
  for (let i = 0, from = 0; i < out.length; i++, from += 4) {
    out[i] = (data[from]! * 77 + data[from + 1]! * 151 + data[from + 2]! * 28) >> 8;
  }
  return out;
}

/** Red against blue: paper and wood of one brightness differ in it. */
function warmthOf({ data, width, height }: Frame): Uint8Array {
  const out = new Uint8Array(width * height);
  for (let i = 0, from = 0; i < out.length; i++, from += 4) out[i] = 128 + ((data[from]! - data[from + 2]!) >> 1);
  return out;
}

/** Mean of each pixel and its eight neighbours, the border left as it is. */
function smooth(plane: Uint8Array, width: number, height: number): Uint8Array {
  const out = Uint8Array.from(plane);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      const sum =
        plane[i - width - 1]! + plane[i - width]! + plane[i - width + 1]! + plane[i - 1]! + plane[i]! +
        plane[i + 1]! + plane[i + width - 1]! + plane[i + width]! + plane[i + width + 1]!; // prettier-ignore
      out[i] = (sum * 7282) >> 16;
    }
  }
  return out;
}

const FAINTEST = 5;
/** An edge stands out of the grain by this factor. */
const GRAIN = 1.8;

/** Median of every seventh value. */
function middleOf(values: Float32Array): number {
  const some = values.filter((_, i) => i % 7 === 0).sort();
  return some[some.length >> 1] ?? 0;
}

/** Edges by Sobel's operator on brightness and on warmth, whichever changes more. */
export function frameEdges(frame: Frame): FrameEdges {
  const { width, height } = frame;
  const strength = new Float32Array(width * height);
  const direction = new Float32Array(width * height);
  for (const plane of [brightnessOf(frame), warmthOf(frame)]) {
    const p = smooth(plane, width, height);
    for (let y = 1; y < height - 1; y++) {
      for (let x = 1; x < width - 1; x++) {
        const i = y * width + x;
        const [nw, ne, sw, se] = [p[i - width - 1]!, p[i - width + 1]!, p[i + width - 1]!, p[i + width + 1]!];
        const dx = ne + 2 * p[i + 1]! + se - nw - 2 * p[i - 1]! - sw;
        const dy = sw + 2 * p[i + width]! + se - nw - 2 * p[i - width]! - ne;
        const found = Math.sqrt(dx * dx + dy * dy) / 4;
        if (found <= strength[i]!) continue;
        strength[i] = found;
        const angle = Math.atan2(dy, dx);
        direction[i] = angle < 0 ? angle + Math.PI : angle;
      }
    }
  }
  return { width, height, strength, direction, faintest: Math.max(FAINTEST, GRAIN * middleOf(strength)) };
}
