/** Bytes as they come in a file, told by their marks or by what they can be. */
export interface DecodedText {
  text: string;
  encoding: TextEncoding;
}

/** Of which encodings files are read; ISO 8859-1 is a part of Windows-1252. */
export const TEXT_ENCODINGS = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252', 'iso-8859-2'] as const;
export type TextEncoding = (typeof TEXT_ENCODINGS)[number];

/** Letters of central Europe in ISO 8859-2 whose bytes are signs, or letters no language has beside others, in Windows-1252. */
const CENTRAL = 'ąłľśšşťźžżęěčćďđńňőřůűţĄŁĽŚŠŞŤŹŽŻĘĚČĆĎĐŃŇŐŘŮŰŢ';
const SIGNS_AMONG_LETTERS =
  /(?<=\p{L})[¡-¿×÷ðþ](?=\p{L})|(?<=\p{L})[¡-¿×÷](?![\p{L}\d])|(?<![\p{L}\d])[¡-¿×÷](?=\p{Ll})/gu;

/**
 * @param given the encoding somebody chose; told from the bytes without. Bytes that are none in the encoding become U+FFFD.
 * @throws RangeError never: whatever bytes these are, they become a text
 */
export function decodeText(bytes: Uint8Array, given?: TextEncoding): DecodedText {
  const encoding = given ?? encodingOf(bytes);
  return { text: new TextDecoder(encoding).decode(bytes), encoding };
}

function encodingOf(bytes: Uint8Array): TextEncoding {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const head = bytes.subarray(0, 4096);
  const zeros = [0, 1].map((odd) => head.filter((byte, i) => i % 2 === odd && byte === 0).length);
  if (zeros[1]! > head.length / 4) return 'utf-16le';
  if (zeros[0]! > head.length / 4) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return isCentral(bytes) ? 'iso-8859-2' : 'windows-1252';
  }
}

/** Whether Windows-1252 makes signs in the middle of words where ISO 8859-2 makes letters. */
function isCentral(bytes: Uint8Array): boolean {
  const western = new TextDecoder('windows-1252').decode(bytes);
  const odd = western.match(SIGNS_AMONG_LETTERS)?.length ?? 0;
  if (odd === 0) return false;
  const central = [...new TextDecoder('iso-8859-2').decode(bytes)].filter((letter) => CENTRAL.includes(letter)).length;
  return central >= odd;
}
