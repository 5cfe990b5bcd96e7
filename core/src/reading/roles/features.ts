import type { Features } from './models';

/** Gathers what speaks for a role or against it; what is told twice counts twice, and what is nothing is left out. */
export class FeatureList {
  readonly features: Record<string, number> = {};
  add(name: string, value: number | boolean = 1): void {
    if (value) this.features[name] = (this.features[name] ?? 0) + Number(value);
  }
}

export const together = (...all: readonly Features[]): Features => {
  const sum = new FeatureList();
  for (const features of all) for (const [name, value] of Object.entries(features)) sum.add(name, value);
  return sum.features;
};

/** One that is there or is not. */
export const feature = (name: string, isThere: boolean): Features => (isThere ? { [name]: 1 } : {});
