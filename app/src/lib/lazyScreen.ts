import { createElement, lazy, useState, type ComponentType, type FunctionComponent } from 'react';
import { NotFetched } from './NotFetched';

/** A screen whose code is fetched when it is first shown, so that the first one is there sooner, or earlier by `preload`. */
export type LazyScreen<P> = FunctionComponent<P> & { preload: () => Promise<unknown> };

const preloads: (() => Promise<unknown>)[] = [];

/**
 * A screen of another part of the code. Where that is there already the screen shows at once; a lazy component of React's
 * would first show what stands in for it, and then for at least 0.3 seconds.
 */
export function lazyScreen<K extends string, P extends object>(
  load: () => Promise<Record<K, ComponentType<P>>>,
  name: K,
): LazyScreen<P> {
  let loaded: ComponentType<P> | undefined;
  const preload = async () => {
    loaded = (await load())[name];
    return { default: loaded };
  };
  // Whatever is around it stays.
  const Later = lazy(() => preload().catch(() => ({ default: NotFetched }))) as unknown as ComponentType<P>;
  function Screen(props: P) {
    // The same one for as long as it is shown, so that it keeps its state.
    const [Shown] = useState<ComponentType<P>>(() => loaded ?? Later);
    return createElement(Shown, props);
  }
  preloads.push(preload);
  return Object.assign(Screen, { preload });
}

// Not in every browser.
const idle: (then: () => void) => unknown = globalThis.requestIdleCallback ?? setTimeout;

/** Fetches the code of all screens, one after the other and whenever there is nothing else to do. */
export async function preloadScreens(gone: AbortSignal): Promise<void> {
  for (const preload of preloads) {
    await new Promise<void>((resolve) => idle(resolve));
    if (gone.aborted) return;
    // Without a network the screen says so itself when it is opened.
    await preload().catch(() => undefined);
  }
}
