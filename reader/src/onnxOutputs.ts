/**
 * Adds graph outputs to a serialised ONNX model, so that inner tensors can be read.
 *
 * Protocol Buffers merge repeated occurrences of an embedded message by concatenating its repeated
 * fields (Protocol Buffers encoding, "Last One Wins"), so that appending a second `graph` message
 * that has nothing but outputs extends the first. Field numbers: ModelProto.graph = 7,
 * GraphProto.output = 12, ValueInfoProto.name = 1 (onnx.proto).
 */
export function withExtraOutputs(model: Uint8Array, tensorNames: readonly string[]): Uint8Array {
  const outputs = tensorNames.map((name) => lengthDelimited(12, lengthDelimited(1, new TextEncoder().encode(name))));
  return concat([model, lengthDelimited(7, concat(outputs))]);
}

function lengthDelimited(field: number, payload: Uint8Array): Uint8Array {
  return concat([varint((field << 3) | 2), varint(payload.length), payload]);
}

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
