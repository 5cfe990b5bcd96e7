export type PhotoKind = 'jpeg' | 'png' | 'webp' | 'heic';

/**
 * Tells a picture's kind from its first bytes (JPEG/JFIF, PNG, RIFF WebP, ISO BMFF with a HEIF
 * brand), whatever its name or declared type says.
 */
export function sniffPhoto(bytes: Uint8Array): PhotoKind | undefined {
  const ascii = (from: number, to: number) => String.fromCharCode(...bytes.subarray(from, to));
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'jpeg';
  if (bytes[0] === 0x89 && ascii(1, 4) === 'PNG') return 'png';
  if (ascii(0, 4) === 'RIFF' && ascii(8, 12) === 'WEBP') return 'webp';
  const heifBrands = ['heic', 'heix', 'heim', 'heis', 'hevc', 'mif1', 'msf1'];
  if (ascii(4, 8) === 'ftyp' && heifBrands.includes(ascii(8, 12))) return 'heic';
  return undefined;
}
