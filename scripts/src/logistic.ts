/** One thing that was judged: its features by name, and whether it was right. */
export interface Sample {
  features: Readonly<Record<string, number>>;
  right: boolean;
}

export interface Logistic {
  bias: number;
  weights: Record<string, number>;
}

const ROUNDS = 60;

/** Which way a feature can only count: for a value (1) or against it (-1). */
export type Directions = Readonly<Record<string, 1 | -1>>;

/** As `fitLogistic`, with features that would count the other way than they can left out one after another, the worst first. */
export function fitDirected(samples: readonly Sample[], penalty: number, directions: Directions): Logistic {
  const model = fitLogistic(samples, penalty);
  const [worst] = Object.entries(model.weights)
    .filter(([name, weight]) => (directions[name] ?? 0) * weight < 0)
    .toSorted((a, b) => Math.abs(b[1]) - Math.abs(a[1]));
  if (!worst) return model;
  const without = samples.map(({ features, right }) => ({ features: Object.fromEntries(Object.entries(features).filter(([name]) => name !== worst[0])), right }));
  return fitDirected(without, penalty, directions);
} // prettier-ignore

/**
 * Logistic regression with a penalty on the squares of the weights, by Newton's method (iteratively reweighted least squares).
 * @param penalty so much a squared weight costs, in log-likelihood
 */
export function fitLogistic(samples: readonly Sample[], penalty: number): Logistic {
  const names = [...new Set(samples.flatMap(({ features }) => Object.keys(features)))].sort();
  const size = names.length + 1;
  const rows = samples.map(({ features }) => [1, ...names.map((name) => features[name] ?? 0)]);
  const w = new Array<number>(size).fill(0);
  for (let round = 0; round < ROUNDS; round++) {
    const gradient = w.map((value, j) => (j === 0 ? 0 : -penalty * value));
    const hessian = w.map((_, j) => w.map((__, k) => (j === k ? (j === 0 ? 1e-6 : penalty) : 0)));
    for (const [i, row] of rows.entries()) {
      const p = 1 / (1 + Math.exp(-row.reduce((sum, x, j) => sum + x * w[j]!, 0)));
      const off = (samples[i]!.right ? 1 : 0) - p;
      const spread = Math.max(1e-6, p * (1 - p));
      for (let j = 0; j < size; j++) {
        if (row[j] === 0) continue;
        gradient[j]! += row[j]! * off;
        for (let k = 0; k <= j; k++) hessian[j]![k]! += row[j]! * row[k]! * spread;
      }
    }
    for (let j = 0; j < size; j++) for (let k = j + 1; k < size; k++) hessian[j]![k] = hessian[k]![j]!;
    const step = solve(hessian, gradient);
    step.forEach((by, j) => (w[j]! += by));
    if (Math.max(...step.map(Math.abs)) < 1e-6) break;
  }
  return { bias: w[0]!, weights: Object.fromEntries(names.map((name, j) => [name, w[j + 1]!])) };
}

/** Solves a symmetric positive system by elimination. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  const size = right.length;
  for (let i = 0; i < size; i++) {
    const pivot = rows.slice(i).reduce((best, row, k) => (Math.abs(row[i]!) > Math.abs(rows[best]![i]!) ? i + k : best), i); // prettier-ignore
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    for (let k = i + 1; k < size; k++) {
      const by = rows[k]![i]! / rows[i]![i]!;
      if (by !== 0) for (let j = i; j <= size; j++) rows[k]![j]! -= by * rows[i]![j]!;
    }
  }
  const solved = new Array<number>(size).fill(0);
  for (let i = size - 1; i >= 0; i--) {
    const rest = rows[i]!.slice(i + 1, size).reduce((sum, x, k) => sum + x * solved[i + 1 + k]!, 0);
    solved[i] = (rows[i]![size]! - rest) / rows[i]![i]!;
  }
  return solved;
}

/** So few of a kind say little: that many right and wrong ones are thought to have been there before. */
const BEFORE = { right: 2, wrong: 0.5 };
/** Nothing is surer than that. */
const MOST = 0.998;

/**
 * How often what had a score was right, as a curve that only rises (pool adjacent violators; M. Ayer and others 1955).
 * @param least so many samples a step stands for at least
 */
export function risingCurve(scored: readonly { score: number; right: boolean }[], least: number): [score: number, right: number][] {
  const sorted = scored.toSorted((a, b) => a.score - b.score);
  const steps: { score: number; right: number; count: number }[] = [];
  const parts = Math.max(1, Math.floor(sorted.length / least));
  for (let i = 0; i < parts; i++) {
    const part = sorted.slice(Math.floor((i * sorted.length) / parts), Math.floor(((i + 1) * sorted.length) / parts));
    steps.push({ score: part.reduce((sum, { score }) => sum + score, 0) / part.length, right: part.filter(({ right }) => right).length, count: part.length });
    for (;;) {
      const [before, last] = steps.slice(-2);
      if (!last || before!.right / before!.count < last.right / last.count) break;
      steps.splice(-2, 2, { score: (before!.score * before!.count + last.score * last.count) / (before!.count + last.count), right: before!.right + last.right, count: before!.count + last.count });
    }
  }
  let before = 0;
  return steps.map(({ score, right, count }) => {
    before = Math.max(before, Math.min(MOST, (right + BEFORE.right) / (count + BEFORE.right + BEFORE.wrong)));
    return [score, before];
  });
} // prettier-ignore
