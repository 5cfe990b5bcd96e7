import { createHash } from 'node:crypto';

const UUID = /^[\da-f]{8}-[\da-f]{4}-[1-8][\da-f]{3}-[\da-f]{4}-[\da-f]{12}$/;
const UUIDS = /[\da-f]{8}-[\da-f]{4}-[1-8][\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}/g;

/**
 * What ids become where records are put back. As copies beside those that they are of all of them are others: the same id always becomes
 * the same other one; the moment at its beginning stays, and with it the order of what was made one after the other.
 */
export class NewIds {
  private readonly known = new Map<string, string>();

  /** @param target id of the workspace that the records come to @param areOthers whether ids that nothing was said of are changed */
  constructor(
    private readonly target: string,
    private readonly areOthers: boolean,
  ) {}

  /** Says what an id becomes whose record is here already, under another id. */
  set(id: string, now: string): void {
    this.known.set(id, now);
  }

  of(id: string): string {
    const known = this.known.get(id);
    if (known || !this.areOthers) return known ?? id;
    const drawn = createHash('sha256').update(`${this.target} ${id}`).digest('hex');
    const variant = '89ab'[Number.parseInt(drawn[3]!, 16) % 4]!;
    return `${id.slice(0, 15)}${drawn.slice(0, 3)}-${variant}${drawn.slice(4, 7)}-${drawn.slice(8, 20)}`;
  }

  /** A value of a column, with all ids within it changed; words are left alone. @param type of the column, by PostgreSQL's name */
  within(value: unknown, type: string | undefined): unknown {
    if (value === null || value === undefined) return value;
    if (type === 'uuid') return this.of(value as string);
    if (type === '_uuid') return (value as string[]).map((id) => this.of(id));
    return type === 'jsonb' ? this.deep(value) : value;
  }

  /** Ids within the address of a list. */
  inAddress(address: string): string {
    return address.replace(UUIDS, (id) => this.of(id));
  }

  private deep(value: unknown): unknown {
    if (typeof value === 'string') return UUID.test(value) ? this.of(value) : value;
    if (Array.isArray(value)) return value.map((one) => this.deep(one));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, one]) => [UUID.test(key) ? this.of(key) : key, this.deep(one)]),
    );
  }
}
