import type { Point } from '@dossier/core/capture';
import { textOfWords, type CardWord } from '@dossier/core/proof';
import type { SourceSpan } from '@dossier/core/reading/fields';
import { useState } from 'react';
import { problemText } from '@/lib/api';
import { useReadAreaMutation } from './api';
import type { CardSide } from './sides';

/** Text that was picked on the picture. */
export interface Picked {
  text: string;
  sources: SourceSpan[];
}

/** How far a part is that is read on the spot, or why nothing came of it. */
export type OnTheSpot = { state: 'reading' } | { state: 'nothing' } | { state: 'failed'; problem: string };

/** Text picked from the side of the card that is shown: words touched or swept over, or a part read on the spot. */
export function usePicking({ cardId, reading }: CardSide, words: readonly CardWord[]) {
  const [readArea] = useReadAreaMutation();
  const [picking, setPicking] = useState(false);
  const [picked, setPicked] = useState<Picked>();
  const [onTheSpot, setOnTheSpot] = useState<OnTheSpot>();
  // The lines read on the spot come with the card itself a moment after their numbers.
  const [awaited, setAwaited] = useState<readonly number[]>([]);
  if (awaited.length > 0 && reading.lines.length > Math.max(...awaited)) {
    setPicked(textOfWords(words.filter((word) => awaited.includes(word.span.line))));
    setAwaited([]);
  }
  const pick = (chosen: readonly CardWord[]) => setPicked(textOfWords(chosen));
  const sweep = async (swept: readonly CardWord[], from: Point, to: Point) => {
    if (swept.length > 0) return pick(swept);
    setOnTheSpot({ state: 'reading' });
    const { data, error } = await readArea({ cardId, from: [...from], to: [...to] });
    if (error) return setOnTheSpot({ state: 'failed', problem: problemText(error) });
    setOnTheSpot(data!.lines.length > 0 ? undefined : { state: 'nothing' });
    setAwaited(data!.lines);
  };
  return { picking, setPicking, picked, onTheSpot, pick, sweep, drop: () => setPicked(undefined) };
}
