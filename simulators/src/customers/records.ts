import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { OBJECTS, type FieldSays } from './objects';

export type Kept = Record<string, unknown>;
export interface KeptRecord {
  ref: string;
  object: string;
  madeAt: string;
  changedAt: string;
  /** How often it was changed. */
  changes: number;
  values: Kept;
}

/** Why something is not taken, for a program. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly error: string,
    message: string,
    /** The record that is in the way. */
    readonly ref?: string,
  ) {
    super(message);
  }
}

const KEEP_MS = 200;

/** All that was sent here: in memory, and now and then in a file where one is named. */
export class Records {
  private readonly byRef: Map<string, KeptRecord>;
  /** By what whoever sent it called it: the same again is the same record. */
  private readonly once: Map<string, string>;
  private counter: number;
  private keeping?: NodeJS.Timeout;

  /** @param onKept told of each record that was made or changed */
  constructor(
    private readonly file?: string,
    private readonly onKept: (record: KeptRecord) => void = () => undefined,
  ) {
    const kept = (file && existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {}) as Partial<{ records: KeptRecord[]; once: [string, string][]; counter: number }>; // prettier-ignore
    this.byRef = new Map((kept.records ?? []).map((record) => [record.ref, record]));
    this.once = new Map(kept.once ?? []);
    this.counter = kept.counter ?? 0;
  }

  private keep(record: KeptRecord): void {
    this.onKept(record);
    const { file } = this;
    if (!file) return;
    this.keeping ??= setTimeout(() => {
      this.keeping = undefined;
      writeFileSync(`${file}.part`, JSON.stringify({ records: [...this.byRef.values()], once: [...this.once], counter: this.counter })); // prettier-ignore
      renameSync(`${file}.part`, file);
    }, KEEP_MS);
  }

  all = (object: string): KeptRecord[] => [...this.byRef.values()].filter((record) => record.object === object);
  get = (ref: string): KeptRecord | undefined => this.byRef.get(ref);
  /** What hangs on a record: remarks, errands, papers, ventures. */
  of = (ref: string): KeptRecord[] => [...this.byRef.values()].filter(({ values }) => values.Of === ref);

  find(object: string, asked: Readonly<Record<string, string>>): KeptRecord[] {
    return this.all(object).filter(({ ref, values }) =>
      Object.entries(asked).every(
        ([name, value]) => String(name === 'ref' ? ref : (values[name] ?? '')).toLowerCase() === value.toLowerCase(),
      ),
    );
  }

  /** @param once what whoever sends it calls it @throws Refused */
  add(object: string, values: Kept, once: string | undefined): { record: KeptRecord; isNew: boolean } {
    const known = once === undefined ? undefined : this.byRef.get(this.once.get(`${object} ${once}`) ?? '');
    if (known) return { record: known, isNew: false };
    assertFits(object, values, true);
    this.assertAlone(object, values);
    const at = new Date().toISOString();
    const ref = `${OBJECTS[object]!.mark}-${String(++this.counter).padStart(5, '0')}`;
    const record = { ref, object, madeAt: at, changedAt: at, changes: 0, values: { ...values } };
    this.byRef.set(ref, record);
    if (once !== undefined) this.once.set(`${object} ${once}`, ref);
    this.keep(record);
    return { record, isNew: true };
  }

  /** @throws Refused */
  change(object: string, ref: string, values: Kept): KeptRecord {
    const record = this.byRef.get(ref);
    if (!record || record.object !== object) throw new Refused(404, 'no-such-record', `There is no ${ref} among ${object}.`); // prettier-ignore
    assertFits(object, values, false);
    this.assertAlone(object, values, ref);
    Object.assign(record.values, values);
    record.changedAt = new Date().toISOString();
    record.changes++;
    this.keep(record);
    return record;
  }

  private assertAlone(object: string, values: Kept, but?: string): void {
    const { unique } = OBJECTS[object]!;
    const value = unique && values[unique];
    if (!unique || !value) return;
    const [other] = this.find(object, { [unique]: String(value as string) }).filter(({ ref }) => ref !== but);
    if (other) throw new Refused(409, 'duplicate', `${other.ref} has the same ${unique}.`, other.ref);
  }
}

function assertFits(object: string, values: Kept, isNew: boolean): void {
  const { fields } = OBJECTS[object]!;
  for (const [name, value] of Object.entries(values)) {
    const field = fields.find((one) => one.name === name);
    if (!field) throw new Refused(422, 'no-such-field', `${object} has no field ${name}.`);
    const fault = faultOf(field, value);
    if (fault) throw new Refused(422, 'does-not-fit', `${name}: ${fault}`);
  }
  for (const { name, required } of fields) {
    const isMissing = isNew ? !values[name] : name in values && !values[name];
    if (required && isMissing) throw new Refused(422, 'missing', `${name} must be there.`);
  }
}

function faultOf({ type, longest, choices }: FieldSays, value: unknown): string | undefined {
  switch (type) {
    case 'number':
      return typeof value === 'number' ? undefined : 'this is no number';
    case 'yesNo':
      return typeof value === 'boolean' ? undefined : 'this is neither true nor false';
    case 'list':
      return Array.isArray(value) && value.every((one) => typeof one === 'string')
        ? undefined
        : 'this is no list of words';
    default:
      if (typeof value !== 'string') return 'this is no text';
      if (longest !== null && value.length > longest) return `at most ${longest} characters`;
      return choices.length > 0 && value !== '' && !choices.includes(value)
        ? `one of ${choices.join(', ')}`
        : undefined;
  }
}
