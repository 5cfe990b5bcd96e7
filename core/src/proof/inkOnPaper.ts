/** Columns on which the ground is measured together, as a multiple of the strip's height. */
const WINDOW = 2;
/** So much darker than the ground is still ground: grain of the paper and noise of the camera. */
const GRAIN = 0.07;
const CHANNELS = 3;

/**
 * Takes the ground out of a piece of a picture and leaves the ink: what is as light as the ground becomes transparent, so that the
 * print stands on whatever is behind it. The ground is measured along the strip (its shade changes with the light); light print on
 * a dark ground becomes dark ink, as on paper.
 * @param pixels RGBA, 8 bits a channel, `width`·`height`·4 values; changed in place
 */
export function inkOnPaper(pixels: Uint8ClampedArray, width: number, height: number): void {
  if (width < 1 || height < 1) return;
  if (isDarkGround(pixels)) turnLightness(pixels);
  const grounds = groundsAlong(pixels, width, height);
  for (let x = 0; x < width; x++) {
    const ground = groundAt(grounds, (x + 0.5) / width);
    for (let y = 0; y < height; y++) setInk(pixels, 4 * (y * width + x), ground);
  }
}

/** What was light is dark and the other way about; gold stays gold. */
function turnLightness(pixels: Uint8ClampedArray): void {
  for (let i = 0; i < pixels.length; i += 4) {
    const [r, g, b] = [pixels[i]!, pixels[i + 1]!, pixels[i + 2]!];
    const by = 255 - Math.max(r, g, b) - Math.min(r, g, b);
    pixels[i] = r + by;
    pixels[i + 1] = g + by;
    pixels[i + 2] = b + by;
  }
}

type Colour = readonly [number, number, number];

/** The colour that, laid over white with that much opacity, looks as the pixel does before its ground. */
function setInk(pixels: Uint8ClampedArray, at: number, ground: Colour): void {
  const lightOf = (c: number) => Math.min(1, pixels[at + c]! / ((1 - GRAIN) * Math.max(1, ground[c]!)));
  const [r, g, b] = [lightOf(0), lightOf(1), lightOf(2)];
  const opacity = 1 - Math.min(r, g, b);
  const inkOf = (light: number) => (opacity > 0 ? (255 * (light - (1 - opacity))) / opacity : 0);
  pixels[at] = inkOf(r);
  pixels[at + 1] = inkOf(g);
  pixels[at + 2] = inkOf(b);
  pixels[at + 3] = 255 * opacity;
}

/** Most of a strip is ground: where that is nearer to the darkest than to the lightest, the print is light. */
function isDarkGround(pixels: Uint8ClampedArray): boolean {
  const counts = new Uint32Array(256);
  for (let i = 0; i < pixels.length; i += 4) counts[Math.round((pixels[i]! + pixels[i + 1]! + pixels[i + 2]!) / 3)]!++;
  const [dark, middle, light] = [0.02, 0.5, 0.98].map((share) => valueAt(counts, share)) as [number, number, number];
  return light - middle > middle - dark;
}

/** The ground of windows along the strip: what three quarters of each are no lighter than. */
function groundsAlong(pixels: Uint8ClampedArray, width: number, height: number): Colour[] {
  const windows = Math.max(1, Math.round(width / (WINDOW * height)));
  return Array.from({ length: windows }, (_, i) => {
    const counts = [new Uint32Array(256), new Uint32Array(256), new Uint32Array(256)];
    const [from, to] = [Math.floor((i * width) / windows), Math.floor(((i + 1) * width) / windows)];
    for (let y = 0; y < height; y++)
      for (let x = from; x < to; x++)
        for (let c = 0; c < CHANNELS; c++) counts[c]![pixels[4 * (y * width + x) + c]!]!++;
    return counts.map((one) => valueAt(one, 0.75)) as unknown as Colour;
  });
}

/** The value that this share of what was counted does not exceed. */
function valueAt(counts: Uint32Array, share: number): number {
  const wanted = share * counts.reduce((sum, count) => sum + count, 0);
  for (let value = 0, seen = 0; value < 256; value++) if ((seen += counts[value]!) >= wanted) return value;
  return 255;
}

/** Between the middles of two windows the ground goes evenly from one to the other. @param place 0–1 along the strip */
function groundAt(grounds: readonly Colour[], place: number): Colour {
  const at = Math.min(grounds.length - 1, Math.max(0, place * grounds.length - 0.5));
  const [before, after] = [grounds[Math.floor(at)]!, grounds[Math.ceil(at)]!];
  const share = at - Math.floor(at);
  return [0, 1, 2].map((c) => before[c]! * (1 - share) + after[c]! * share) as unknown as Colour;
}
