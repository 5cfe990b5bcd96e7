import type { Graph } from './graph';
import { attributeOf, intAttribute, intsAttribute, step } from './graph';
import { numberOf, type OnnxNode } from './onnxFile';

/** y = scale · x + shift, a number of each for every channel. */
export interface Affine {
  scale: Float32Array;
  shift: Float32Array;
}

const BATCH_NORMALIZATION_EPSILON = 1e-5;

export const affine = (channels: number, scale: number, shift: number): Affine => ({
  scale: new Float32Array(channels).fill(scale),
  shift: new Float32Array(channels).fill(shift),
});

/** How many channels a convolution gives. */
export const channelsOf = (graph: Graph, convolution: OnnxNode): number =>
  graph.constant(convolution.input[1])!.dims[0]!;

/** What a step of another kind does to each channel by itself, when that is no more than to scale and to shift it. */
export function affineOf(graph: Graph, node: OnnxNode, channels: number): Affine | undefined {
  if (node.opType === 'BatchNormalization') return normalization(graph, node);
  const number = graph.scalarOf(node);
  if (number === undefined) return undefined;
  if (node.opType === 'Mul') return affine(channels, number, 0);
  return node.opType === 'Add' ? affine(channels, 1, number) : undefined;
}

function normalization(graph: Graph, node: OnnxNode): Affine {
  const [gain, bias, mean, variance] = node.input.slice(1).map((name) => graph.constant(name)!.values);
  const epsilon = attributeOf(node, 'epsilon')?.f ?? BATCH_NORMALIZATION_EPSILON;
  const scale = gain!.map((g, i) => g / Math.sqrt(variance![i]! + epsilon));
  return { scale, shift: bias!.map((b, i) => b - mean![i]! * scale[i]!) };
}

/** The convolution followed by `then`, as one: other weights, the same work. */
export function scaleConvolution(graph: Graph, convolution: OnnxNode, then: Affine): void {
  const [input, weights] = convolution.input as [string, string];
  const bias = biasOf(graph, convolution).map((b, i) => b * then.scale[i]! + then.shift[i]!);
  convolution.input = [
    input,
    then.scale.every((s) => s === 1) ? weights : scaledRows(graph, weights, then.scale),
    graph.addConstant([bias.length], bias),
  ];
}

function scaledRows(graph: Graph, name: string, scale: Float32Array): string {
  const { dims, values } = graph.constant(name)!;
  const each = values.length / scale.length;
  const scaled = values.map((value, i) => value * scale[Math.floor(i / each)]!);
  return graph.addConstant(dims, scaled);
}

/** The convolution of an input that is greater by `more` everywhere; only where nothing is added around the input. */
export function shiftInput(graph: Graph, convolution: OnnxNode, more: number): void {
  const { values } = graph.constant(convolution.input[1])!;
  const bias = biasOf(graph, convolution);
  const each = values.length / bias.length;
  const shifted = bias.map((b, i) => b + more * sum(values.subarray(i * each, (i + 1) * each)));
  convolution.input = [convolution.input[0]!, convolution.input[1]!, graph.addConstant([shifted.length], shifted)];
}

export const isPadded = (convolution: OnnxNode): boolean =>
  (attributeOf(convolution, 'pads')?.ints ?? []).some((pad) => numberOf(pad) > 0);

/** A step that scales and shifts each channel, in the form that engines run fastest between convolutions. */
export function channelwise(graph: Graph, input: string, output: string, { scale, shift }: Affine): OnnxNode {
  const channels = scale.length;
  const weights = graph.addConstant([channels, 1, 1, 1], scale);
  return step('Conv', [input, weights, graph.addConstant([channels], shift)], output, [
    intAttribute('group', channels),
    intsAttribute('kernel_shape', [1, 1]),
  ]);
}

function biasOf(graph: Graph, convolution: OnnxNode): Float32Array {
  return graph.constant(convolution.input[2])?.values ?? new Float32Array(channelsOf(graph, convolution));
}

const sum = (values: Float32Array): number => values.reduce((total, value) => total + value, 0);
