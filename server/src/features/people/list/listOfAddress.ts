import { PeopleQuery } from '@dossier/contract';
import type { z } from 'zod';

const Listed = PeopleQuery.omit({ cursor: true, limit: true });

/** The narrowing and order of a list as they stand in its address. @throws ZodError that names what a list cannot be narrowed or ordered by */
export function listOfAddress(address: string): z.infer<typeof Listed> {
  const given: Record<string, string[]> = {};
  for (const [name, value] of new URLSearchParams(address)) (given[name] ??= []).push(value);
  return Listed.parse(
    Object.fromEntries(Object.entries(given).map(([name, values]) => [name, values.length > 1 ? values : values[0]])),
  );
}
