import type { Quad } from '@dossier/core/capture';
import type { ReadCharacter } from '@dossier/core/reading';
import { decodeCtc, meanProbability, trimSpaces } from './decodeCtc';
import { lineCrop } from './lineCrop';
import { loadHanRecogniser } from './models';
import type { Pixels } from './pixels';
import { toBgrTensor, UNIT_RANGE } from './tensor';

/** The model is sure of what it reads; where it is not, there is something else. */
const SURE = 0.9;
const LEAST_CHARACTERS = 2;

/**
 * Reads a line that is written mostly in Chinese characters, also as used in Japanese, with the recognition model as it
 * came: the Latin head reads none. Japan's own syllables are among the 6,623 characters only in part.
 * @returns undefined when the line is something else
 */
export async function recogniseHan(card: Pixels, quad: Quad): Promise<ReadCharacter[] | undefined> {
  const characters = await readBaseLetters(card, quad);
  const han = characters.filter((c) => /\p{Script=Han}/u.test(c.text)).length;
  const isHan = han >= LEAST_CHARACTERS && han >= characters.length / 2;
  return isHan && meanProbability(characters) >= SURE ? characters : undefined;
}

/** Reads a line with the recognition model's own head: besides Chinese characters it knows Latin letters without accents, digits and signs. */
export async function readBaseLetters(card: Pixels, quad: Quad): Promise<ReadCharacter[]> {
  const { session, charset } = await loadHanRecogniser();
  const input = toBgrTensor(lineCrop(card, quad), UNIT_RANGE, UNIT_RANGE);
  const output = (await session.run({ [session.inputNames[0]!]: input }))[session.outputNames[0]!]!;
  const [, steps, classes] = output.dims as [number, number, number];
  return trimSpaces(decodeCtc(output.data as Float32Array, steps, classes, charset));
}
