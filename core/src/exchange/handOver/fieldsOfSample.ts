import type { OutsideField } from './mapping';

type Members = Readonly<Record<string, unknown>>;

const isMembers = (json: unknown): json is Members => typeof json === 'object' && json !== null && !Array.isArray(json);
const isPlain = (value: unknown): boolean => !isMembers(value) && (!Array.isArray(value) || value.every((one) => typeof one !== 'object')); // prettier-ignore
const DEEPEST = 6;

/** All objects within, each with how many plain members it has. */
function objectsIn(json: unknown, depth = 0): { members: Members; plain: number }[] {
  if (depth > DEEPEST || typeof json !== 'object' || json === null) return [];
  const own = isMembers(json) ? [{ members: json, plain: Object.values(json).filter(isPlain).length }] : [];
  return [...own, ...Object.values(json).flatMap((value) => objectsIn(value, depth + 1))];
}

const typeOf = (value: unknown): OutsideField['type'] =>
  Array.isArray(value) ? 'list' : typeof value === 'number' ? 'number' : typeof value === 'boolean' ? 'yesNo' : 'text';

/**
 * The fields of a record that somebody has copied out of another system.
 * @param text JSON; of what lies within, the object with most plain values is the record
 * @returns undefined for what is no record
 */
export function fieldsOfSample(text: string): OutsideField[] | undefined {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return undefined;
  }
  const record = objectsIn(json).reduce<{ members: Members; plain: number } | undefined>((most, one) => (one.plain > (most?.plain ?? 0) ? one : most), undefined); // prettier-ignore
  if (!record) return undefined;
  return Object.entries(record.members)
    .filter(([name, value]) => name !== '' && isPlain(value))
    .map(([name, value]) => ({ name, label: name, type: typeOf(value), required: false, longest: null, choices: [] }));
}
