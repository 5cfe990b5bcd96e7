import { Blob as NodeBlob } from 'node:buffer';
import { webcrypto } from 'node:crypto';
import { TextEncoder as NodeEncoder } from 'node:util';
import { hex } from '@dossier/core/exchange/betweenDevices';
import { forgetReadyToGive, deviceStore } from '@/lib/deviceStore';
import { dealtWith, DeviceParcels, digest, isWhole, keepToGive, keptParcels, TakenElsewhere, wholeItem } from './parcels'; // prettier-ignore

/** Copies records as a database does; what is no record stays itself. */
const copied = (value: unknown): unknown =>
  value instanceof NodeBlob || typeof value !== 'object' || value === null
    ? value
    : Array.isArray(value)
      ? value.map(copied)
      : Object.fromEntries(Object.entries(value).map(([name, one]) => [name, copied(one)]));
// As browsers have them, and jsdom has not.
Object.assign(globalThis, { Blob: NodeBlob, TextEncoder: NodeEncoder, structuredClone: copied });
Object.defineProperty(globalThis, 'crypto', { value: webcrypto, configurable: true });
/** Locks of one browser that are held until what was begun with them ends. */
const held = new Set<string>();
const locks = {
  request: async (name: string, _: unknown, work: (lock: object | null) => unknown) => {
    if (held.has(name)) return work(null);
    held.add(name);
    await Promise.resolve(work({})).finally(() => held.delete(name));
  },
};
Object.defineProperty(navigator, 'locks', { value: locks, configurable: true });

const bytes = (text: string) => new TextEncoder().encode(text);
const parcelOf = async (...texts: string[]) => ({
  id: '3f0c2c1e-1111-4111-8111-000000000001',
  items: await Promise.all(texts.map(async (text) => ({ name: text, kind: 'text' as const, count: 1, bytes: text.length, digest: hex(await digest(bytes(text))) }))), // prettier-ignore
});

beforeEach(async () => {
  held.clear();
  for (const store of ['parcels', 'pieces'] as const) await (await deviceStore()).clear(store);
});

describe('what goes between devices', () => {
  it('is kept piece by piece, gone on with by whoever comes next, and known to be whole', async () => {
    const parcel = await parcelOf('a card', 'another');
    const first = new DeviceParcels('me', 'Idris');
    expect(await first.begin(parcel)).toEqual([0, 0]);
    await first.append(0, bytes('a '));
    // The page was closed in between.
    first.end();
    await Promise.resolve();
    const second = new DeviceParcels('me', 'Idris');
    expect(await second.begin(parcel)).toEqual([2, 0]);
    expect(await second.isWhole(0)).toBe(false);
    await second.append(0, bytes('card'));
    await second.append(1, bytes('another'));
    expect([await second.isWhole(0), await second.isWhole(1)]).toEqual([true, true]);
    const [kept] = await keptParcels('me');
    expect([isWhole(kept!), await (await wholeItem(kept!.key, 0)).text()]).toEqual([true, 'a card']);
    expect(await keptParcels('somebody else')).toEqual([]);
  });

  it('begins again where other things come under the same name, and when it was damaged', async () => {
    const store = new DeviceParcels('me', 'Idris');
    await store.begin(await parcelOf('one'));
    await store.append(0, bytes('on'));
    store.end();
    await Promise.resolve();
    const again = new DeviceParcels('me', 'Idris');
    expect(await again.begin(await parcelOf('two'))).toEqual([0]);
    await again.append(0, bytes('tow'));
    expect(await again.isWhole(0)).toBe(false);
    await again.restart(0);
    await again.append(0, bytes('two'));
    expect(await again.isWhole(0)).toBe(true);
  });

  it('is taken by one tab at a time', async () => {
    const parcel = await parcelOf('one');
    const [first, second] = [new DeviceParcels('me', 'Idris'), new DeviceParcels('me', 'Idris')];
    await first.begin(parcel);
    await expect(second.begin(parcel)).rejects.toThrow(TakenElsewhere);
    first.end();
    await Promise.resolve();
    expect(await second.begin(parcel)).toEqual([0]);
  });

  it('goes from the device once all of it is dealt with', async () => {
    const parcel = await parcelOf('one', 'two');
    await new DeviceParcels('me', 'Idris').begin(parcel);
    const { key } = (await keptParcels('me'))[0]!;
    expect((await dealtWith(key, [1]))?.dealtWith).toEqual([1]);
    expect(await dealtWith(key, [0])).toBeUndefined();
    expect(await keptParcels('me')).toEqual([]);
    expect(await (await deviceStore()).count('pieces')).toBe(0);
  });

  it('does not lie ready for ever, nor once somebody was erased', async () => {
    const thing = { name: 'x', kind: 'people' as const, count: 1, bytes: new Blob(['x']) };
    const old = await keepToGive('me', 'old', [thing]);
    await (await deviceStore()).put('parcels', { ...old, at: Date.now() - 4 * 86_400_000 });
    await keepToGive('me', 'new', [thing]);
    await new DeviceParcels('me', 'Idris').begin(await parcelOf('mine'));
    expect((await keptParcels('me')).map(({ id, way }) => `${way} ${id.slice(0, 3)}`).sort()).toEqual(['give new', 'take 3f0']); // prettier-ignore
    await forgetReadyToGive();
    expect((await keptParcels('me')).map(({ way }) => way)).toEqual(['take']);
    expect(await (await deviceStore()).count('pieces')).toBe(0);
  });
});
