import { step, type Graph } from './graph';

/**
 * x + x · w as x · (1 + w), where w is one number a channel (squeeze and excitation, Hu et al. 2018): one pass over the
 * picture in place of two.
 */
export function squeezeResiduals(graph: Graph): void {
  for (const sum of graph.steps('Add')) {
    for (const [x, y] of [sum.input, [...sum.input].reverse()]) {
      const product = graph.producerOf(y!);
      const [of, weight] = product?.opType === 'Mul' ? product.input : [];
      if (of !== x || graph.onlyUserOf(product) !== sum) continue;
      if (graph.producerOf(weight!)?.opType !== 'HardSigmoid') continue;
      const one = graph.addConstant([], Float32Array.of(1));
      graph.replace(
        [product!, sum],
        [step('Add', [weight!, one], `${weight}/plus`), step('Mul', [of!, `${weight}/plus`], sum.output[0]!)],
      );
      break;
    }
  }
}
