import { affineOf, channelsOf, scaleConvolution } from './convolutions';
import type { Graph } from './graph';

/** What scales and shifts the result of a convolution becomes part of its weights. */
export function foldScales(graph: Graph): void {
  for (const convolution of graph.steps('Conv')) {
    for (let next = graph.onlyUserOf(convolution); next; next = graph.onlyUserOf(convolution)) {
      const then = affineOf(graph, next, channelsOf(graph, convolution));
      if (!then) break;
      scaleConvolution(graph, convolution, then);
      graph.replace([next], []);
      convolution.output = next.output;
    }
  }
}
