import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);

/** Typefaces that no head of the recogniser was trained with: name and weights for text and for what stands out. */
const TYPEFACES = {
  'archivo-narrow': [400, 700],
  'dm-sans': [400, 600],
  'josefin-sans': [400, 600],
  'libre-baskerville': [400, 700],
  merriweather: [400, 700],
  montserrat: [400, 600],
  mulish: [400, 700],
  nunito: [400, 700],
  oswald: [400, 500],
  'playfair-display': [400, 600],
  poppins: [400, 500],
  raleway: [400, 600],
  'source-serif-4': [400, 600],
  spectral: [400, 600],
} as const;

export type Typeface = keyof typeof TYPEFACES;

export const typefaces = Object.keys(TYPEFACES) as Typeface[];

/** Style rules that bring a typeface onto a page as the family `print`, its light and its heavy weight as 400 and 600. */
export const typefaceRules = (typeface: Typeface): string =>
  TYPEFACES[typeface]
    .flatMap((weight, i) =>
      // The later rule goes first where both have a character: the extension has only what is beyond.
      ['latin-ext', 'latin'].map((subset) => {
        const file = require.resolve(`@fontsource/${typeface}/files/${typeface}-${subset}-${weight}-normal.woff2`);
        const data = readFileSync(file).toString('base64');
        return `@font-face{font-family:print-${subset};font-weight:${i === 0 ? 400 : 600};src:url(data:font/woff2;base64,${data})}`;
      }),
    )
    .join('');

export const FAMILY = `'print-latin','print-latin-ext',sans-serif`;
