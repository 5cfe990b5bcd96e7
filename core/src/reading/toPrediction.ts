import type { Quad } from '../capture';
import { isDoubt } from './confidence';
import type { CardProposal, FieldName, FieldProposal } from './proposal';

/** One card in the file format that the scorer reads. */
export interface CardPrediction {
  quad: Quad;
  fields: Record<string, unknown>;
  /** The scorer's names of the fields that a person would see marked. */
  doubts: string[];
  confidence: Record<string, number>;
}

const LIST_NAMES: Partial<Record<FieldName, string>> = { email: 'emails', phone: 'phones', website: 'websites' };

export function toPrediction(quad: Quad, { fields: proposed, country }: CardProposal): CardPrediction {
  const fields = proposed.filter(({ label }) => label === undefined);
  const value = (field: FieldName) => fields.find((f) => f.field === field)?.value || null;
  const all = (field: FieldName) => fields.filter((f) => f.field === field && f.value !== '');
  const fullName = [value('givenName'), value('middleName'), value('familyName')].filter(Boolean).join(' ');
  const hasAddress = fields.some((f) => f.field === 'street' || f.field === 'postalCode');
  const confidence: Record<string, number> = {};
  const nameOf = ({ field }: FieldProposal) => LIST_NAMES[field] ?? field;
  for (const f of fields) {
    const name = nameOf(f);
    confidence[name] = Math.min(confidence[name] ?? 1, f.confidence);
  }
  return {
    quad,
    fields: {
      prefix: value('prefix'),
      givenName: value('givenName'),
      middleName: value('middleName'),
      familyName: value('familyName'),
      suffix: value('suffix'),
      fullName: fullName || null,
      title: value('title'),
      department: value('department'),
      company: value('company'),
      companyPrinted: fields.some((f) => f.field === 'company' && f.value !== '' && f.sources.length > 0),
      emails: all('email').map((f) => f.value),
      phones: all('phone').map((f) => ({ e164: f.value, kind: f.phoneKind, ...(f.extension && { ext: f.extension }) })),
      websites: all('website').map((f) => f.value),
      address: hasAddress
        ? {
            street: value('street'),
            postalCode: value('postalCode'),
            locality: value('locality'),
            region: value('region'),
            country: value('country') ?? country ?? null,
          }
        : null,
    },
    doubts: [...new Set(fields.filter(isDoubt).map(nameOf))],
    confidence,
  };
}
