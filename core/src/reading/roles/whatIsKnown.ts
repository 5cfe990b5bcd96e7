import { foldTight } from '../../text';
import type { CodeValue } from '../codes';
import type { Learned, LearnedFirm } from '../learning';
import type { CardEvidence } from './models';

/** Evidence for the roles from the card's codes and from the workspace. */
export function whatIsKnown(
  said: readonly CodeValue[],
  firms: readonly LearnedFirm[],
  learned: Learned | undefined,
): Pick<CardEvidence, 'said' | 'knownCompanies' | 'knownTitleWords'> {
  const first = (field: CodeValue['field']) => said.find((v) => v.field === field)?.value ?? '';
  const parts = (['givenName', 'middleName', 'familyName'] as const).map(first).join('');
  const key = (text: string) => foldTight(text) || undefined;
  return {
    said: { name: key(parts || first('fullName')), company: key(first('company')), title: key(first('title')) },
    knownCompanies: firms.flatMap((firm) => key(firm.company ?? '') ?? []),
    knownTitleWords: new Set(learned?.titleWords),
  };
}
