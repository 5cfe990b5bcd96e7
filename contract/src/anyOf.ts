import { z } from 'zod';

/** A parameter that may be there several times: one of its values is enough. */
export const anyOf = <T extends z.ZodType>(each: T) =>
  z.preprocess((given) => (given === undefined ? [] : Array.isArray(given) ? given : [given]), z.array(each).max(60));
