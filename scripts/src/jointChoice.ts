import { FITTED, type Case, type Role, type Sparse } from './roleCases';

const dot = (w: Float64Array, features: Sparse): number => {
  let sum = 0;
  for (const [place, value] of features) sum += w[place]! * value;
  return sum;
};

/** Goes through every joint choice that shares no line. */
function eachChoice(one: Case, w: Float64Array, visit: (n: number, c: number, t: number, score: number, isRight: boolean) => void): void {
  const { name, company, title } = one.options;
  const [ns, cs, ts] = [name, company, title].map((options) => options.map(({ features }) => dot(w, features))) as [number[], number[], number[]];
  const scoresOf = (table: (Sparse | undefined)[][]) => table.map((row) => row.map((cell) => cell && dot(w, cell)));
  const [nt, nc, ct] = [one.nameTitle, one.nameCompany, one.companyTitle].map(scoresOf) as (number | undefined)[][][];
  for (let n = 0; n < ns.length; n++)
    for (let c = 0; c < cs.length; c++) {
      const beside = nc![n]![c];
      if (beside === undefined) continue;
      for (let t = 0; t < ts.length; t++) {
        const [under, at] = [nt![n]![t], ct![c]![t]];
        if (under === undefined || at === undefined) continue;
        visit(n, c, t, ns[n]! + cs[c]! + ts[t]! + beside + under + at, name[n]!.isRight && company[c]!.isRight && title[t]!.isRight);
      }
    }
} // prettier-ignore

/** Adds what one card tells of the weights: where the log-likelihood of its right choices rises. @returns that log-likelihood */
function gradientOf(one: Case, w: Float64Array, gradient: Float64Array): number {
  const all: [number, number, number, number, boolean][] = [];
  eachChoice(one, w, (...choice) => all.push(choice));
  const most = Math.max(...all.map((choice) => choice[3]));
  const weightOf = (choice: (typeof all)[number]) => Math.exp(choice[3] - most);
  const [sum, right] = [all.reduce((s, c) => s + weightOf(c), 0), all.reduce((s, c) => s + (c[4] ? weightOf(c) : 0), 0)];
  if (right === 0) return 0;
  const marginals = { name: new Float64Array(one.options.name.length), company: new Float64Array(one.options.company.length), title: new Float64Array(one.options.title.length) };
  for (const choice of all) {
    const [n, c, t, , isRight] = choice;
    const p = one.share * weightOf(choice) * ((isRight ? 1 / right : 0) - 1 / sum);
    if (Math.abs(p) < 1e-9) continue;
    marginals.name[n]! += p;
    marginals.company[c]! += p;
    marginals.title[t]! += p;
    for (const cell of [one.nameTitle[n]![t]!, one.nameCompany[n]![c]!, one.companyTitle[c]![t]!])
      for (const [place, value] of cell) gradient[place]! += p * value;
  }
  for (const role of FITTED)
    one.options[role].forEach(({ features }, i) => {
      for (const [place, value] of features) gradient[place]! += marginals[role][i]! * value;
    });
  return one.share * Math.log(right / sum);
} // prettier-ignore

/** Cards of which each role is chosen rightly, and all three. */
export function rightOf(cases: readonly Case[], w: Float64Array): Record<Role | 'all', number> {
  const right = { name: 0, company: 0, title: 0, all: 0 };
  for (const one of cases) {
    let [best, chosen] = [-Infinity, [0, 0, 0] as [number, number, number]];
    eachChoice(one, w, (n, c, t, score) => {
      if (score > best) [best, chosen] = [score, [n, c, t]];
    });
    const verdicts = FITTED.map((role, i) => one.options[role][chosen[i]!]!.isRight);
    FITTED.forEach((role, i) => (right[role] += Number(verdicts[i])));
    right.all += Number(verdicts.every(Boolean));
  }
  return right;
}

const RATE = 0.03;
const ROUNDS = 400;
/** Moments of the gradient are forgotten so fast (Adam, D. Kingma and J. Ba 2015). */
const [FIRST, SECOND] = [0.9, 0.999];

/**
 * Weights under which the right choices are likeliest, drawn towards those there were: a log-linear model of the joint choice (J. Lafferty et
 * al. 2001), the same each time. @param penalty so much a squared distance from the weights before costs, in log-likelihood
 */
export function fitChoice(cases: readonly Case[], before: Float64Array, penalty: number, rounds = ROUNDS): Float64Array {
  const w = Float64Array.from(before);
  const [m, v] = [new Float64Array(w.length), new Float64Array(w.length)];
  for (let round = 1; round <= rounds; round++) {
    const gradient = w.map((value, j) => -2 * penalty * (value - before[j]!));
    for (const one of cases) gradientOf(one, w, gradient);
    for (let j = 0; j < w.length; j++) {
      const g = gradient[j]! / cases.length;
      m[j] = FIRST * m[j]! + (1 - FIRST) * g;
      v[j] = SECOND * v[j]! + (1 - SECOND) * g * g;
      w[j]! += (RATE * (m[j]! / (1 - FIRST ** round))) / (Math.sqrt(v[j]! / (1 - SECOND ** round)) + 1e-8);
    }
  }
  return w;
} // prettier-ignore
