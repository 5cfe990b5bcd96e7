import type { Finding } from './evidence';
import type { NameForm } from './nameForm';

export interface DescentComparison {
  /** Whether one of them, or both, are named as elder or younger, or as man or woman. */
  outcome: 'unknown' | 'same' | 'onlyOne' | 'different';
  findings: Finding[];
}

/** Father and son, Mr and Mrs: what is printed around a name to tell people of one name apart. */
export function compareDescent(a: NameForm, b: NameForm): DescentComparison {
  const findings: Finding[] = [];
  let outcome: DescentComparison['outcome'] = 'unknown';
  if (a.generation > 0 && a.generation === b.generation) {
    outcome = 'same';
    findings.push({ about: 'generation', weight: 2, words: 'same generation' });
  } else if (a.generation > 0 && b.generation > 0) {
    outcome = 'different';
    findings.push({ about: 'generation', weight: -7, words: 'another generation' });
  } else if (a.generation > 0 || b.generation > 0) {
    outcome = 'onlyOne';
    findings.push({ about: 'generation', weight: -2, words: 'only one is named as elder or younger' });
  }
  if (a.salutation && a.salutation === b.salutation) {
    findings.push({ about: 'salutation', weight: 0.7, words: 'same form of address' });
  } else if (a.salutation && b.salutation) {
    outcome = 'different';
    findings.push({ about: 'salutation', weight: -5, words: 'one is addressed as a man, one as a woman' });
  }
  return { outcome, findings };
}
