import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { NewIds } from '../src/features/backup/newIds';

const target = '0192f0c4-aaaa-7000-8000-000000000001';

describe('ids of a copy', () => {
  it('are others, the same each time, as good as any, and in the same order', () => {
    const ids = Array.from({ length: 200 }, (_, i) => uuidv7({ msecs: 1_760_000_000_000 + i * 3 }));
    const copy = new NewIds(target, true);
    const now = ids.map((id) => copy.of(id));
    expect(now.every((id) => z.uuid().safeParse(id).success)).toBe(true);
    expect(new Set([...ids, ...now]).size).toBe(400);
    expect([...now].sort()).toEqual(now);
    expect(new NewIds(target, true).of(ids[0]!)).toBe(now[0]);
    expect(new NewIds(ids[1]!, true).of(ids[0]!)).not.toBe(now[0]);
  });

  it('are changed wherever they stand alone, and nothing else is', () => {
    const [id, other] = [uuidv7(), uuidv7()];
    const copy = new NewIds(target, true);
    const value = { by: id, all: [{ [other]: 'kept' }], words: `see ${id}`, count: 3, none: null };
    expect(copy.within(value, 'jsonb')).toEqual({ by: copy.of(id), all: [{ [copy.of(other)]: 'kept' }], words: `see ${id}`, count: 3, none: null }); // prettier-ignore
    expect(copy.within([id, other], '_uuid')).toEqual([copy.of(id), copy.of(other)]);
    expect(copy.within(id, 'text')).toBe(id);
    expect(copy.inAddress(`owner=${id}&q=${'x'.repeat(5)}`)).toBe(`owner=${copy.of(id)}&q=xxxxx`);
  });

  it('stay where records come back to where they were, but for who is somebody else here', () => {
    const [id, other] = [uuidv7(), uuidv7()];
    const back = new NewIds(target, false);
    back.set(other, target);
    expect([id, other].map((one) => back.of(one))).toEqual([id, target]);
  });
});
