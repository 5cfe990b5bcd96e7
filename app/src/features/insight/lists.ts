import type { Href } from 'expo-router';
import type { Asked } from './api';

const address = (path: string, params: Record<string, string | readonly string[] | undefined>): Href => {
  const query = new URLSearchParams();
  for (const [name, value] of Object.entries(params)) for (const one of [value ?? []].flat()) if (one) query.append(name, one); // prettier-ignore
  return `${path}?${query}` as Href;
};

const WERE_LEADS = ['open', 'closed', 'qualified'];

/** People, as their list is narrowed. */
export const peopleAt = (params: Record<string, string | readonly string[] | undefined>): Href =>
  address('/people', params);

/** Everybody who is or was a lead, of those whom a figure counts. */
export const leadsAt = (
  { from, to, owner, occasion }: Partial<Asked>,
  more: Record<string, string | readonly string[] | undefined> = {},
): Href => peopleAt({ lead: WERE_LEADS, filedFrom: from, filedTo: to, owner, occasion, ...more });

export const businessAt = (params: Record<string, string | undefined>): Href => address('/pipeline/list', params);
