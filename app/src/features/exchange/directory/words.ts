import type { Finding, LookUp } from '@dossier/contract';
import { counted } from '@/lib/counted';

export const FIELD_WORDS: Readonly<Record<Finding['field'], string>> = {
  title: 'Title',
  phone: 'Phone',
  website: 'Page elsewhere',
  portrait: 'Portrait',
  industry: 'Industry',
  size: 'People there',
  founded: 'Founded',
  address: 'Address',
};

/** How far asking about several people is. */
export function lookUpWords({ state, total, done, found, failed }: LookUp): string {
  const so = [`${done} of ${counted(total, 'person', 'people')}`, `something new of ${found}`, failed > 0 && `${failed} not answered`].filter(Boolean).join(', '); // prettier-ignore
  return { running: `Asking: ${so}.`, halted: `Halted: ${so}.`, stopped: `Stopped: ${so}.`, done: `Asked: ${so}.` }[state]; // prettier-ignore
}
