import { useRouter, type Href } from 'expo-router';
import { useState, type KeyboardEvent } from 'react';

/** A point of a picture: what is said of it exactly, and the list behind it. */
export interface Point {
  words: string;
  href?: Href;
}

/** Which point of a picture is told of: by touch, or with the arrows; Enter opens what is behind it. */
export function usePoints(points: readonly Point[]) {
  const router = useRouter();
  const [at, setAt] = useState<number>();
  const chosen = at === undefined ? undefined : points[Math.min(at, points.length - 1)];
  const onKeyDown = (event: KeyboardEvent) => {
    const way = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (way) setAt(Math.max(0, Math.min(points.length - 1, at === undefined ? 0 : at + way)));
    else if (event.key === 'Home') setAt(0);
    else if (event.key === 'End') setAt(points.length - 1);
    else if (event.key === 'Enter' && chosen?.href) router.push(chosen.href);
    else return;
    event.preventDefault();
  };
  return { at, choose: setAt, chosen, onKeyDown };
}
