import type { Quad } from '../capture';
import { DOUBT_BELOW } from './confidence';
import type { CardProposal, FieldName } from './proposal';

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
  for (const f of fields) {
    const name = LIST_NAMES[f.field] ?? f.field;
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
    doubts: Object.keys(confidence).filter((name) => confidence[name]! < DOUBT_BELOW),
    confidence,
  };
}
