import { rectangle } from '../capture';
import type { Reading, ReadLine } from './types';

/** Size of the sheet on which text without a picture is laid out, in its own units. */
const LINE_HEIGHT = 30;
const LINE_STEP = 42;
const LETTER_WIDTH = 16;
const MARGIN = 60;

export interface TypedLine {
  text: string;
  /** On which row of the sheet it stands, from 1; empty rows part what stands apart. */
  row: number;
}

/** Text that nobody had to read, laid out as if it had been: one line under the other, every character certain. */
export function typedReading(typed: readonly TypedLine[], rows = typed.at(-1)?.row ?? 0): Reading {
  const lines = typed.map(certainLine);
  const right = Math.max(0, ...lines.map((line) => line.quad[1][0]));
  return { width: right + MARGIN, height: (rows + 1) * LINE_STEP + MARGIN, lines };
}

function certainLine({ text, row }: TypedLine): ReadLine {
  // A place in a line counts UTF-16 units: a character of two stands at the first, and nothing at the second.
  const letters = [...text.replace(/\s+/g, ' ')].flatMap((letter) => (letter.length > 1 ? [letter, ''] : [letter]));
  return {
    text: letters.join(''),
    quad: rectangle(MARGIN, row * LINE_STEP, letters.length * LETTER_WIDTH, LINE_HEIGHT),
    characters: letters.map((letter, i) => ({
      text: letter,
      probability: 1,
      alternatives: [],
      at: (i + 0.5) / letters.length,
    })),
    confidence: 1,
  };
}
