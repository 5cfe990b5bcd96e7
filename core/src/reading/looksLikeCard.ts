import type { CardProposal } from './proposal';

/** Whether what was read somewhere is likely somebody's card: a way to reach them, and who or what firm that is. */
export function looksLikeCard({ fields }: CardProposal): boolean {
  const has = (...names: string[]) => fields.some(({ field, value }) => value !== '' && names.includes(field));
  return has('email', 'phone') && has('givenName', 'familyName', 'company');
}
