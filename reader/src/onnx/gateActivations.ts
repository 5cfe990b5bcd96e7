import { affine, channelsOf, channelwise, isPadded, shiftInput } from './convolutions';
import { attributeOf, floatAttribute, step, type Graph } from './graph';
import type { OnnxNode } from './onnxFile';

/** scale · hardSwish(x) + shift, written out in single steps: x · clip(x + 3, 0, 6) / 6 (Howard et al. 2019). */
interface HardSwish {
  input: string;
  convolution: OnnxNode;
  clip: OnnxNode;
  scale: number;
  shift: number;
  steps: OnnxNode[];
  output: string;
}

/**
 * Hard swish as x · clip(scale · (x + 3) / 6, 0, scale) + shift. The engine makes one step of the scaling and the
 * clipping, and keeps the whole in the layout of its convolutions; five single steps wait for memory and copy from one
 * layout to the other. The shift goes into the convolutions that follow, where they add nothing around their input.
 */
export function gateActivations(graph: Graph): void {
  for (const clip of graph.steps('Clip')) {
    const found = hardSwishAt(graph, clip);
    if (found) gate(graph, found);
  }
}

function hardSwishAt(graph: Graph, clip: OnnxNode): HardSwish | undefined {
  const [low, high] = boundsOf(graph, clip);
  const plus = graph.producerOf(clip.input[0]!);
  if (low !== 0 || high !== 6 || plus?.opType !== 'Add' || graph.scalar(plus.input[1]) !== 3) return undefined;
  const input = plus.input[0]!;
  const convolution = graph.producerOf(input);
  const product = graph.onlyUserOf(clip);
  const quotient = graph.onlyUserOf(product);
  if (convolution?.opType !== 'Conv' || !product?.input.includes(input) || quotient?.opType !== 'Div') return undefined;
  const steps = [plus, clip, product, quotient];
  let scale = 1;
  let shift = 0;
  const times = graph.onlyUserOf(quotient);
  if (times?.opType === 'Mul' && graph.scalarOf(times) !== undefined) {
    scale = graph.scalarOf(times)!;
    steps.push(times);
    const add = graph.onlyUserOf(times);
    if (add?.opType === 'Add' && graph.scalarOf(add) !== undefined) {
      shift = graph.scalarOf(add)!;
      steps.push(add);
    }
  }
  return { input, convolution, clip, scale, shift, steps, output: steps.at(-1)!.output[0]! };
}

function gate(graph: Graph, { input, convolution, clip, scale, shift, steps, output }: HardSwish): void {
  const channels = channelsOf(graph, convolution);
  const users = graph.usersOf(output);
  const foldsOn =
    !graph.isOutput(output) && users.every((user) => user.opType === 'Conv' && !isPadded(user)) && users.length > 0;
  const product = foldsOn || shift === 0 ? output : `${output}/product`;
  if (foldsOn) for (const user of users) shiftInput(graph, user, shift);
  graph.replace(steps, [
    channelwise(graph, input, `${output}/scaled`, affine(channels, scale / 6, scale / 2)),
    clipped(graph, clip, `${output}/scaled`, `${output}/gate`, [Math.min(0, scale), Math.max(0, scale)]),
    step('Mul', [input, `${output}/gate`], product),
    ...(product === output ? [] : [channelwise(graph, product, output, affine(channels, 1, shift))]),
  ]);
}

/** Bounds are attributes before operator set 11, inputs from then on. */
function boundsOf(graph: Graph, clip: OnnxNode): [number | undefined, number | undefined] {
  if (clip.input.length > 1) return [graph.scalar(clip.input[1]), graph.scalar(clip.input[2])];
  return [attributeOf(clip, 'min')?.f, attributeOf(clip, 'max')?.f];
}

function clipped(graph: Graph, like: OnnxNode, input: string, output: string, [min, max]: [number, number]): OnnxNode {
  if (like.input.length > 1) {
    const bound = (value: number) => graph.addConstant([], Float32Array.of(value));
    return step('Clip', [input, bound(min), bound(max)], output);
  }
  return step('Clip', [input], output, [floatAttribute('min', min), floatAttribute('max', max)]);
}
