import { changesBetween } from '../changesBetween';
import { told, type ChangeableRecord, type ChangedRecord } from './applyChange';

/**
 * A record as it was before a change of many, with what was changed later kept. @param now as it is @param nameOf what an owner is called
 * @returns undefined where it is so already, a field's name where a later change stands against it
 */
export function undoChange(
  before: ChangeableRecord,
  after: ChangeableRecord,
  now: ChangeableRecord,
  nameOf: (ownerId: string) => string,
): ChangedRecord | string | undefined {
  const record: ChangeableRecord = { ...now, fields: { ...now.fields } };
  for (const name of ['kind', 'ownerId', 'rating', 'status', 'closed'] as const) {
    const [was, made, is] = [before[name], after[name], now[name]].map((value) => JSON.stringify(value));
    if (was === made || is === was) continue;
    if (is !== made) return name === 'ownerId' ? 'owner' : name;
    Object.assign(record, { [name]: before[name] });
  }
  // It follows from the kind.
  if (record.kind !== now.kind) record.qualifiedAt = before.qualifiedAt;
  for (const { field } of changesBetween(before.fields, after.fields)) {
    const name = field as keyof typeof record.fields;
    const [was, made, is] = [before.fields[name], after.fields[name], now.fields[name]].map((v) => JSON.stringify(v));
    if (is === was) continue;
    if (is !== made) return field;
    Object.assign(record.fields, { [name]: before.fields[name] });
  }
  // Tags added since stay, tags taken away since stay away: only what the change did is taken back.
  const key = (tag: string) => tag.toLowerCase();
  const [had, got] = [before.tags, after.tags].map((tags) => new Set(tags.map(key)));
  record.tags = [
    ...now.tags.filter((tag) => had!.has(key(tag)) || !got!.has(key(tag))),
    ...before.tags.filter((tag) => !got!.has(key(tag)) && !now.tags.some((one) => key(one) === key(tag))),
  ];
  const changes = told(now, record, nameOf);
  return changes.length === 0 && record.ownerId === now.ownerId ? undefined : { record, changes };
}
