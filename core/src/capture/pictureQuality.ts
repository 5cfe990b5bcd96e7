/**
 * How well a card can be read in its picture, in terms that the person with the camera can act on.
 * All of it is measured on the rectified card.
 */
export interface PictureQuality {
  /** Height in pixels of the photograph of the smallest line of text; 0 without text. */
  smallestText: number;
  /**
   * Width of the text’s edges as a share of its height: 0.07 is crisp,
   * above 0.2 strokes run together.
   */
  blur: number;
  /** As `blur`, of the direction in which the edges are wider: a shaken hand widens those of one direction. Not in older readings. */
  softness?: number;
  /** Brightness of the lightest part of the card, paper or print, 0–1. Not in older readings. */
  highlight?: number;
  /** Share of the area of text lines that is burnt out to white by glare, 0–1. */
  glare: number;
  /** Mean brightness of the card, 0 (black) to 1 (white). */
  exposure: number;
  /** Difference of brightness between text and ground, 0–1, of the faintest tenth of the lines. */
  textContrast: number;
  /** Difference of brightness between the card and what lies around it, 0–1. */
  groundContrast: number;
}

/** What a person can do for a better picture. */
export interface Advice {
  code: 'closer' | 'still' | 'glare' | 'dark' | 'ground';
  text: string;
}

/**
 * Beyond these reading suffers: on photographs with truth ordinary ones stay within all of them, and
 * those taken out of focus or with shake do not.
 */
export const QUALITY_LIMITS = {
  smallestText: 11,
  blur: 0.19,
  glare: 0.25,
  exposure: 0.18,
  textContrast: 0.12,
  groundContrast: 0.012,
} as const;

/** What to do, most useful first; empty for a good picture. */
export function adviceFor(quality: PictureQuality): Advice[] {
  const advice: Advice[] = [];
  if (quality.glare > QUALITY_LIMITS.glare)
    advice.push({
      code: 'glare',
      text: 'Light is reflected over the text. Tilt the card a little or move away from the lamp.',
    });
  if (quality.smallestText > 0 && quality.smallestText < QUALITY_LIMITS.smallestText)
    advice.push({ code: 'closer', text: 'The smallest print is too small in the picture. Move closer.' });
  if (quality.blur > QUALITY_LIMITS.blur)
    advice.push({ code: 'still', text: 'The print is blurred. Hold still and let the camera focus.' });
  if (quality.exposure < QUALITY_LIMITS.exposure && quality.textContrast < 2 * QUALITY_LIMITS.textContrast)
    advice.push({ code: 'dark', text: 'The picture is too dark. Find more light.' });
  if (quality.groundContrast < QUALITY_LIMITS.groundContrast)
    advice.push({ code: 'ground', text: 'Card and table look alike. Use a lighter or darker ground.' });
  return advice;
}
