import { z } from 'zod';

/** Where somebody else is reached: secrets have places of their own. */
export const OutsideAddress = z
  .string()
  .trim()
  .max(500)
  .pipe(z.url({ protocol: /^https?$/, error: 'Write an address that begins with https://.' }))
  .refine((text) => !/^[^/]*\/\/[^/]*@/.test(text), 'Leave name and password out of the address.');
