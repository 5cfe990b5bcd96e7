import type { ReadCharacter } from '@dossier/core/reading';

const ALTERNATIVES = 3;
const LEAST_ALTERNATIVE = 0.002;

/**
 * Best-path decoding of connectionist temporal classification (Graves et al. 2006): runs of one
 * class become one character, blanks (class 0) separate. A character's probability is the peak of
 * its run, its place the mean of the run's steps.
 * @param probabilities steps × classes
 */
export function decodeCtc(
  probabilities: Float32Array,
  steps: number,
  classes: number,
  charset: readonly string[],
): ReadCharacter[] {
  const characters: ReadCharacter[] = [];
  let run: { best: number; from: number; peak: number; peakStep: number } | undefined;
  const close = (end: number) => {
    if (!run || run.best === 0) return;
    const row = probabilities.subarray(run.peakStep * classes, (run.peakStep + 1) * classes);
    characters.push({
      text: charset[run.best - 1]!,
      probability: run.peak,
      alternatives: alternativesOf(row, run.best, charset),
      at: (run.from + end) / 2 / steps,
    });
  };
  for (let step = 0; step < steps; step++) {
    let best = 0;
    let peak = -1;
    for (let c = 0; c < classes; c++) {
      const p = probabilities[step * classes + c]!;
      if (p > peak) {
        peak = p;
        best = c;
      }
    }
    if (run?.best === best) {
      if (peak > run.peak) Object.assign(run, { peak, peakStep: step });
      continue;
    }
    close(step);
    run = { best, from: step, peak, peakStep: step };
  }
  close(steps);
  return characters;
}

function alternativesOf(row: Float32Array, best: number, charset: readonly string[]) {
  const found: { text: string; probability: number }[] = [];
  row.forEach((probability, c) => {
    if (c !== 0 && c !== best && probability >= LEAST_ALTERNATIVE) found.push({ text: charset[c - 1]!, probability });
  });
  return found.sort((a, b) => b.probability - a.probability).slice(0, ALTERNATIVES);
}

/** Mean of the characters' probabilities, 0–1; 0 for none. */
export const meanProbability = (characters: readonly ReadCharacter[]): number =>
  characters.length === 0 ? 0 : characters.reduce((sum, c) => sum + c.probability, 0) / characters.length;

/** Without spaces at the ends, and with one at a time between. */
export function trimSpaces(characters: ReadCharacter[]): ReadCharacter[] {
  const isSpace = (c: ReadCharacter) => c.text === ' ';
  let from = 0;
  let to = characters.length;
  while (from < to && isSpace(characters[from]!)) from++;
  while (to > from && isSpace(characters[to - 1]!)) to--;
  return characters.slice(from, to).filter((c, i, all) => !(isSpace(c) && i > 0 && isSpace(all[i - 1]!)));
}
