import { Broken, type Channel, type ParcelMessage } from './models';

/** Waits for what the other side says next. @throws Broken when that is something else */
export async function expectMessage<T extends ParcelMessage['type']>(
  channel: Channel,
  ...types: readonly T[]
): Promise<Extract<ParcelMessage, { type: T }>> {
  const said = await channel.receive();
  if (!said) throw new Broken('gone');
  if (said instanceof Uint8Array) throw new Broken('misspoken');
  if (said.type === 'stop') throw new Broken('stopped');
  if (!(types as readonly string[]).includes(said.type)) throw new Broken('misspoken');
  return said as Extract<ParcelMessage, { type: T }>;
}
