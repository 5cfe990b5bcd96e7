/** How sure it is that two records are one person, as people say it. @param likelihood 0–1 */
export function likelihoodWords(likelihood: number): string {
  if (likelihood >= 0.95) return 'The same person';
  if (likelihood >= 0.6) return 'Probably the same person';
  return likelihood >= 0.2 ? 'Perhaps the same person' : 'Hardly the same person';
}
