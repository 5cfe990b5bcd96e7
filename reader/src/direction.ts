import { distance, type Quad } from '@dossier/core/capture';
import { lineCrop } from './lineCrop';
import type { Models } from './models';
import type { Pixels } from './pixels';
import { resizePixels } from './resizePixels';
import { toBgrTensor, UNIT_RANGE } from './tensor';

const INPUT_WIDTH = 192;
const LINES_ASKED = 7;
/** Three lines that agree decide. */
const DECIDED = 1.4;

/** Probability 0–1 that one line's picture stands on its head. */
async function upsideDownProbability(models: Models, crop: Pixels): Promise<number> {
  const fitted = crop.width > INPUT_WIDTH ? await resizePixels(crop, INPUT_WIDTH, crop.height) : crop;
  const input = toBgrTensor(fitted, UNIT_RANGE, UNIT_RANGE, INPUT_WIDTH);
  const output = await models.direction.run({ [models.direction.inputNames[0]!]: input });
  return (output[models.direction.outputNames[0]!]!.data as Float32Array)[1]!;
}

/** The longest lines of a card vote, weighted by how sure the classifier is, whether the card stands on its head. */
export async function isUpsideDown(models: Models, card: Pixels, lines: readonly Quad[]): Promise<boolean> {
  const asked = [...lines].sort((a, b) => distance(b[0], b[1]) - distance(a[0], a[1])).slice(0, LINES_ASKED);
  let balance = 0;
  for (const quad of asked) {
    balance += (await upsideDownProbability(models, lineCrop(card, quad))) - 0.5;
    if (Math.abs(balance) > DECIDED) break;
  }
  return balance > 0;
}
