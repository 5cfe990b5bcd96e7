import { z } from 'zod';

export const NewDevice = z.object({ name: z.string().trim().min(1, 'Give the device a name.').max(60) });
export type NewDevice = z.infer<typeof NewDevice>;

/** A device that may keep address books in step; its password is told this once. */
export const DeviceMade = z.object({ id: z.uuid(), password: z.string() });
export type DeviceMade = z.infer<typeof DeviceMade>;

export const Devices = z.object({
  /** Where address books are found, on this server. */
  path: z.string(),
  /** The same under the address by which others reach it, where that is set. */
  address: z.string().nullable(),
  /** The name that devices sign in with. */
  user: z.string(),
  /** Whether deleting somebody on a device deletes them here. */
  devicesDelete: z.boolean(),
  items: z.array(
    z.object({ id: z.uuid(), name: z.string(), madeAt: z.iso.datetime(), usedAt: z.iso.datetime().nullable() }),
  ),
});
export type Devices = z.infer<typeof Devices>;

export const DeviceSettings = z.object({ devicesDelete: z.boolean() });
export type DeviceSettings = z.infer<typeof DeviceSettings>;
