import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

/** A screen whose code is fetched when it is first shown, so that the first one is there sooner. */
export const lazyScreen = <K extends string, P>(
  load: () => Promise<Record<K, ComponentType<P>>>,
  name: K,
): LazyExoticComponent<ComponentType<P>> => lazy(async () => ({ default: (await load())[name] }));
