import type { FieldName } from '../proposal';
import type { Features, Weights } from './models';
import { WEIGHTS } from './weights';

/** Fields that err in the same ways are judged by the same weights. */
const GROUPS: Partial<Record<FieldName, string>> = {
  givenName: 'name',
  middleName: 'name',
  familyName: 'name',
  title: 'title',
  company: 'company',
  email: 'email',
  phone: 'phone',
  website: 'website',
  street: 'street',
  postalCode: 'place',
  locality: 'place',
};

export const groupOfField = (field: FieldName): string | undefined => GROUPS[field];

/** Sum of weighted features: log-odds before they are held against what was right. */
export function scoreOf(features: Features, { bias, weights }: Pick<Weights[string], 'bias' | 'weights'>): number {
  return Object.entries(features).reduce((sum, [name, value]) => sum + value * (weights[name] ?? 0), bias);
}

/** How often what had such a score was right, in a straight line between the points of a curve that only rises. */
export function calibrated(score: number, curve: Weights[string]['curve']): number {
  const above = curve.findIndex(([at]) => at > score);
  if (above === 0) return curve[0]![1];
  if (above < 0) return curve[curve.length - 1]![1];
  const [[a, p], [b, q]] = [curve[above - 1]!, curve[above]!];
  return p + ((q - p) * (score - a)) / (b - a);
}

/** Probability 0–1 that a value is right; undefined for fields that no weights were fitted for. */
export function fittedConfidence(field: FieldName, features: Features, all: Weights = WEIGHTS): number | undefined {
  const model = all[groupOfField(field) ?? ''];
  return model && calibrated(scoreOf(features, model), model.curve);
}
