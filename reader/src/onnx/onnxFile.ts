import protobuf from 'protobufjs/light.js';

/** A tensor, as far as models of 32-bit floats need it. */
export interface OnnxTensor {
  name: string;
  dims: Numeric[];
  dataType: number;
  floatData: number[];
  rawData: Uint8Array;
}

export interface OnnxAttribute {
  name: string;
  /** AttributeProto.AttributeType. */
  type: number;
  f?: number;
  i?: Numeric;
  t?: OnnxTensor;
  ints: Numeric[];
}

/** A step of the computation: what it is, by name of its operator, and the names of what it takes and gives. */
export interface OnnxNode {
  opType: string;
  name: string;
  input: string[];
  output: string[];
  attribute: OnnxAttribute[];
}

export interface OnnxGraph {
  node: OnnxNode[];
  initializer: OnnxTensor[];
  output: { name: string }[];
}

export interface OnnxFile {
  graph: OnnxGraph;
}

/** 64-bit integers come as numbers or as objects that convert to them. */
type Numeric = number | { toNumber(): number };

export const numberOf = (value: Numeric): number => (typeof value === 'number' ? value : value.toNumber());

/** TensorProto.DataType.FLOAT. */
export const FLOAT = 1;

const field = (id: number, type: string) => ({ id, type });
const list = (id: number, type: string) => ({ id, type, rule: 'repeated' });

/**
 * What of onnx.proto (ONNX 1.16) is needed to run a model; descriptions and shapes between the steps are left out. Parts
 * that nobody here looks into stay bytes.
 */
const SCHEMA = {
  Model: { irVersion: field(1, 'int64'), graph: field(7, 'Graph'), opsetImport: list(8, 'bytes') },
  Graph: {
    node: list(1, 'Node'),
    name: field(2, 'string'),
    initializer: list(5, 'Tensor'),
    input: list(11, 'bytes'),
    output: list(12, 'Value'),
  },
  Node: {
    input: list(1, 'string'),
    output: list(2, 'string'),
    name: field(3, 'string'),
    opType: field(4, 'string'),
    attribute: list(5, 'Attribute'),
    domain: field(7, 'string'),
  },
  Attribute: {
    name: field(1, 'string'),
    f: field(2, 'float'),
    i: field(3, 'int64'),
    s: field(4, 'bytes'),
    t: field(5, 'Tensor'),
    floats: list(7, 'float'),
    ints: list(8, 'int64'),
    strings: list(9, 'bytes'),
    type: field(20, 'int32'),
  },
  Tensor: {
    dims: list(1, 'int64'),
    dataType: field(2, 'int32'),
    floatData: list(4, 'float'),
    int32Data: list(5, 'int32'),
    int64Data: list(7, 'int64'),
    name: field(8, 'string'),
    rawData: field(9, 'bytes'),
  },
  Value: { name: field(1, 'string'), type: field(2, 'bytes') },
};

const schema = protobuf.Root.fromJSON({
  nested: Object.fromEntries(Object.entries(SCHEMA).map(([name, fields]) => [name, { fields }])),
}).lookupType('Model');

/** @throws Error when the bytes are no ONNX model */
export function decodeOnnx(bytes: Uint8Array): OnnxFile {
  const file = schema.decode(bytes) as unknown as Partial<OnnxFile>;
  if (!file.graph?.node.length) throw new RangeError('This is no ONNX model.');
  return file as OnnxFile;
}

export const encodeOnnx = (file: OnnxFile): Uint8Array => schema.encode(file as never).finish();
