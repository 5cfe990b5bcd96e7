import { foldScales } from './foldScales';
import { gateActivations } from './gateActivations';
import { Graph } from './graph';
import { decodeOnnx, encodeOnnx } from './onnxFile';
import { squeezeResiduals } from './squeezeResiduals';

/**
 * A serialised ONNX model in fewer and cheaper steps, with the same results up to rounding (docs/decisions/models-rewritten-as-loaded.md).
 * @param outputs inner tensors to give in place of the model's own outputs; what only those needed falls away
 * @throws Error when the bytes are no ONNX model
 */
export function simplifyModel(model: Uint8Array, outputs?: readonly string[]): Uint8Array {
  const file = decodeOnnx(model);
  if (outputs) file.graph.output = outputs.map((name) => ({ name }));
  const graph = new Graph(file.graph);
  foldScales(graph);
  gateActivations(graph);
  squeezeResiduals(graph);
  graph.dropUnused();
  return encodeOnnx(file);
}
