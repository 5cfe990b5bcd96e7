import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { createWorker, PSM } from 'tesseract.js';
import { photoId } from './photoFiles';

/** The engine is given whole photographs at this long side: larger ones take longer and read no better. */
const LONG_SIDE = 1800;
const LANES = 2;

interface PlainPrediction {
  ms: number;
  cards: { quad: null; fields: Record<string, unknown> }[];
}

/**
 * The plain way to read cards, for comparison: a general OCR engine over the whole photograph, a few
 * regular expressions, the first match wins. One card a photograph.
 */
export async function readPlainly(
  files: readonly string[],
  onFile: (done: number) => void,
): Promise<Record<string, PlainPrediction>> {
  const data = dirname(createRequire(import.meta.url).resolve('@tesseract.js-data/eng/package.json'));
  const found: Record<string, PlainPrediction> = {};
  let next = 0;
  let done = 0;
  const lane = async () => {
    const engine = await createWorker('eng', 1, { langPath: join(data, '4.0.0'), cacheMethod: 'none', gzip: true });
    await engine.setParameters({ tessedit_pageseg_mode: PSM.SPARSE_TEXT });
    for (let i = next++; i < files.length; i = next++) {
      const started = performance.now();
      const picture = await sharp(files[i]!)
        .autoOrient()
        .resize(LONG_SIDE, LONG_SIDE, { fit: 'inside', withoutEnlargement: true })
        .png()
        .toBuffer();
      const { data: page } = await engine.recognize(picture);
      found[photoId(files[i]!)] = {
        ms: Math.round(performance.now() - started),
        cards: [{ quad: null, fields: firstMatches(page.text) }],
      };
      onFile(++done);
    }
    await engine.terminate();
  };
  await Promise.all(Array.from({ length: LANES }, lane));
  return found;
}

const first = (text: string, pattern: RegExp): string | null => pattern.exec(text)?.[0]?.trim() ?? null;

function firstMatches(text: string): Record<string, unknown> {
  const email = first(text, /[\w.+-]+@[\w-]+\.[\w.-]+/);
  const name = first(text, /^[A-ZÀ-Þ][a-zà-ÿ]+ (?:[A-Z]\. )?[A-ZÀ-Þ][a-zà-ÿ]+(?:-[A-ZÀ-Þ][a-zà-ÿ]+)?$/m);
  const web = first(text, /(?:www\.|https?:\/\/)[\w.-]+\.[a-z]{2,}/);
  const phones = text.match(/\+?\d[\d ()./-]{7,}\d/g) ?? [];
  return {
    fullName: name,
    givenName: name?.split(' ')[0] ?? null,
    familyName: name?.split(' ').slice(-1)[0] ?? null,
    title: first(text, /^.*\b(?:Manager|Director|Engineer|Head|Officer|Leiter|Directeur|Partner|Owner)\b.*$/m),
    company: first(text, /^.*\b(?:Ltd|Limited|Inc|LLC|GmbH|AG|S\.?A|SARL|B\.?V|AB|Oy)\b.*$/m),
    emails: email ? [email] : [],
    phones: phones.map((p) => ({ e164: p.replace(/[^\d+]/g, '') })),
    websites: web ? [web] : [],
    address: { postalCode: first(text, /\b(?:[A-Z]{1,2}\d[A-Z\d]? \d[A-Z]{2}|\d{5}|\d{4} [A-Z]{2})\b/) },
  };
}
