import { FLOAT, numberOf, type OnnxAttribute, type OnnxGraph, type OnnxNode, type OnnxTensor } from './onnxFile';

/** Numbers that are part of the model. */
export interface Constant {
  dims: readonly number[];
  values: Float32Array;
}

/** The computation of a model, to be rewritten in place: its steps, and what they take from each other by name. */
export class Graph {
  private readonly constants = new Map<string, Constant>();
  private made = 0;

  constructor(private readonly graph: OnnxGraph) {
    for (const tensor of graph.initializer) this.know(tensor.name, tensor);
    for (const node of graph.node) {
      if (node.opType === 'Constant') this.know(node.output[0]!, node.attribute[0]!.t!);
    }
  }

  /** All steps of a kind, in order. */
  steps(opType: string): OnnxNode[] {
    return this.graph.node.filter((node) => node.opType === opType);
  }

  /** The numbers of that name, unless it is something computed. */
  constant(name: string | undefined): Constant | undefined {
    return name === undefined ? undefined : this.constants.get(name);
  }

  /** The single number of that name. */
  scalar(name: string | undefined): number | undefined {
    const constant = this.constant(name);
    return constant?.values.length === 1 ? constant.values[0] : undefined;
  }

  /** The single number among what a step takes. */
  scalarOf(node: OnnxNode): number | undefined {
    return node.input.map((name) => this.scalar(name)).find((value) => value !== undefined);
  }

  producerOf(name: string): OnnxNode | undefined {
    return this.graph.node.find((node) => node.output.includes(name));
  }

  usersOf(name: string): OnnxNode[] {
    return this.graph.node.filter((node) => node.input.includes(name));
  }

  /** The step that alone takes what another gives. */
  onlyUserOf(node: OnnxNode | undefined): OnnxNode | undefined {
    if (!node || this.isOutput(node.output[0]!)) return undefined;
    const users = this.usersOf(node.output[0]!);
    return users.length === 1 ? users[0] : undefined;
  }

  isOutput(name: string): boolean {
    return this.graph.output.some((output) => output.name === name);
  }

  /** Steps in place of others; they stand where the last of those stood. */
  replace(old: readonly OnnxNode[], by: readonly OnnxNode[]): void {
    const at = Math.max(...old.map((node) => this.graph.node.indexOf(node)));
    this.graph.node.splice(at + 1, 0, ...by);
    this.graph.node = this.graph.node.filter((node) => !old.includes(node));
  }

  /** Leaves out what no output of the model needs. */
  dropUnused(): void {
    const needed = new Set(this.graph.output.map((output) => output.name));
    const kept = this.graph.node.reduceRight<OnnxNode[]>((later, node) => {
      if (!node.output.some((name) => needed.has(name))) return later;
      for (const name of node.input) needed.add(name);
      return [...later, node];
    }, []);
    this.graph.node = kept.reverse();
    this.graph.initializer = this.graph.initializer.filter((tensor) => needed.has(tensor.name));
  }

  /** New numbers for the model, under a name of their own. */
  addConstant(dims: readonly number[], values: Float32Array): string {
    const name = `made_${this.made++}`;
    const rawData = new Uint8Array(values.buffer, values.byteOffset, values.byteLength);
    this.graph.initializer.push({ name, dims: [...dims], dataType: FLOAT, floatData: [], rawData });
    this.constants.set(name, { dims, values });
    return name;
  }

  private know(name: string, tensor: OnnxTensor): void {
    if (tensor.dataType !== FLOAT) return;
    const values = tensor.rawData.length
      ? new Float32Array(new Uint8Array(tensor.rawData).buffer)
      : Float32Array.from(tensor.floatData);
    this.constants.set(name, { dims: tensor.dims.map(numberOf), values });
  }
}

export const attributeOf = (node: OnnxNode, name: string): OnnxAttribute | undefined =>
  node.attribute.find((attribute) => attribute.name === name);

/** AttributeProto.AttributeType. */
const TYPES = { FLOAT: 1, INT: 2, INTS: 7 } as const;

export const floatAttribute = (name: string, f: number) => ({ name, type: TYPES.FLOAT, f }) as OnnxAttribute;
export const intAttribute = (name: string, i: number) => ({ name, type: TYPES.INT, i }) as OnnxAttribute;
export const intsAttribute = (name: string, ints: number[]) => ({ name, type: TYPES.INTS, ints }) as OnnxAttribute;

export const step = (opType: string, input: string[], output: string, attribute: OnnxAttribute[] = []): OnnxNode => ({
  opType,
  name: output,
  input,
  output: [output],
  attribute,
});
