/** Field numbers of onnx.proto. */
const MODEL_GRAPH = 7;
const GRAPH_OUTPUT = 12;
const VALUE_NAME = 1;
/** Wire types of Protocol Buffers. */
const VARINT = 0;
const FIXED64 = 1;
const LENGTH_DELIMITED = 2;

/**
 * A serialised ONNX model with other outputs: the named inner tensors in place of those it had. What
 * only the old outputs needed is then left out when the model is loaded.
 * @throws RangeError when the bytes are no Protocol Buffers message
 */
export function withOutputs(model: Uint8Array, tensorNames: readonly string[]): Uint8Array {
  const outputs = tensorNames.map((name) => field(GRAPH_OUTPUT, field(VALUE_NAME, new TextEncoder().encode(name))));
  const parts = fieldsOf(model).map(({ number, whole, payload }) => {
    if (number !== MODEL_GRAPH) return whole;
    const kept = fieldsOf(payload).filter((inner) => inner.number !== GRAPH_OUTPUT);
    return field(MODEL_GRAPH, concat([...kept.map((inner) => inner.whole), ...outputs]));
  });
  return concat(parts);
}

interface Field {
  number: number;
  /** Key and payload. */
  whole: Uint8Array;
  payload: Uint8Array;
}

function fieldsOf(message: Uint8Array): Field[] {
  const fields: Field[] = [];
  for (let at = 0; at < message.length;) {
    const start = at;
    const key = readVarint(message, at);
    at = key.end;
    const type = key.value & 7;
    let from = at;
    if (type === VARINT) at = readVarint(message, at).end;
    else if (type === FIXED64) at += 8;
    else if (type === LENGTH_DELIMITED) {
      const length = readVarint(message, at);
      from = length.end;
      at = length.end + length.value;
    } else at += 4;
    if (at > message.length) throw new RangeError('This is no ONNX model.');
    fields.push({ number: key.value >>> 3, whole: message.subarray(start, at), payload: message.subarray(from, at) });
  }
  return fields;
}

function readVarint(message: Uint8Array, at: number): { value: number; end: number } {
  let value = 0;
  let scale = 1;
  for (let end = at; end < message.length; scale *= 128) {
    const byte = message[end++]!;
    value += (byte & 0x7f) * scale;
    if (byte < 0x80) return { value, end };
  }
  throw new RangeError('This is no ONNX model.');
}

const field = (number: number, payload: Uint8Array): Uint8Array =>
  concat([varint((number << 3) | LENGTH_DELIMITED), varint(payload.length), payload]);

function varint(value: number): Uint8Array {
  const bytes: number[] = [];
  for (let rest = value; ; rest >>>= 7) {
    if (rest < 0x80) {
      bytes.push(rest);
      return Uint8Array.from(bytes);
    }
    bytes.push((rest & 0x7f) | 0x80);
  }
}

function concat(parts: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}
