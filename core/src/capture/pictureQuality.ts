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
  /** Brightness of what is lightest in a line of text, its paper or its print, 0–1, of the middle one of the lines. Not in older readings. */
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

/**
 * Beyond these reading suffers: on photographs with truth ordinary ones stay within all of them, and
 * those taken out of focus or with shake do not.
 */
const POOR = {
  smallestText: 11,
  blur: 0.19,
  glare: 0.25,
  exposure: 0.18,
  textContrast: 0.12,
} as const;

/** Whether a picture is so bad that what was read from it is trusted less. */
export const isPoorPicture = ({ smallestText, blur, glare, exposure, textContrast }: PictureQuality): boolean =>
  glare > POOR.glare ||
  (smallestText > 0 && smallestText < POOR.smallestText) ||
  blur > POOR.blur ||
  (exposure < POOR.exposure && textContrast < 2 * POOR.textContrast);

/** What a person can do for a better picture. */
export interface Advice {
  code: 'closer' | 'still' | 'dark';
  text: string;
}

/**
 * From here on something would help, as measured on photographs whose truth says what is wrong with them (`npm run bench`, advice):
 * print less than ten pixels high without its ascenders, edges as wide as a seventh of the letters, and nothing on a line that is at
 * least half as light as white. Whether light is reflected, or card and table look alike, could not be told well enough.
 */
export const ADVICE_LIMITS = { smallestText: 15, softness: 0.14, highlight: 0.48 } as const;

/** What to do, most useful first; empty for a good picture, and for one that was read before this was measured. */
export function adviceFor({ smallestText, softness = 0, highlight = 1 }: PictureQuality): Advice[] {
  const advice: Advice[] = [];
  if (highlight > 0 && highlight < ADVICE_LIMITS.highlight)
    advice.push({ code: 'dark', text: 'The picture is too dark. Find more light.' });
  if (softness > ADVICE_LIMITS.softness)
    advice.push({ code: 'still', text: 'The print is blurred. Hold still and let the camera focus.' });
  if (smallestText > 0 && smallestText < ADVICE_LIMITS.smallestText)
    advice.push({ code: 'closer', text: 'The smallest print is small in the picture. Move closer.' });
  return advice;
}
