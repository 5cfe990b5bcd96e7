import type { CardPageWords } from '@dossier/core/followup/ownCard';
import { escapeHtml, filledHtml } from '../../../platform/publicPage';
import type { OpenedCard } from './openCard';
import { EMPTY, type Left } from './visitors';

const FIELDS = [
  ['givenName', 'given-name', 'text'],
  ['familyName', 'family-name', 'text'],
  ['company', 'organization', 'text'],
  ['title', 'organization-title', 'text'],
  ['email', 'email', 'email'],
  ['phone', 'tel', 'tel'],
] as const;

export interface FormToFill {
  action: string;
  token: string;
  /** What goes along unseen. */
  hidden: Readonly<Record<string, string>>;
  /** What is chosen before anything is written, as HTML. */
  before?: string;
  /** What its button says. */
  send: string;
  emailHint?: string;
}

/** What a visitor writes of themselves, with what was written before and what is wrong with it; and a field that only programs see. */
export function formHtml(
  { name, team, scope }: OpenedCard,
  form: FormToFill,
  words: CardPageWords,
  left: Left | undefined,
): string {
  const values = left?.values ?? EMPTY;
  const fields = FIELDS.map(([field, autocomplete, type]) => {
    const complaint = left?.complaints[field];
    const hint = field === 'email' && !complaint ? form.emailHint : undefined;
    const told = complaint ? ` aria-invalid="true" aria-describedby="${field}-told"` : hint ? ` aria-describedby="${field}-told"` : ''; // prettier-ignore
    const under = complaint ? `<p class="complaint" id="${field}-told">${escapeHtml(complaint)}</p>` : hint ? `<p class="soft" id="${field}-told">${escapeHtml(hint)}</p>` : ''; // prettier-ignore
    return `<div class="field"><label for="${field}">${escapeHtml(words[field])}</label><input id="${field}" name="${field}" type="${type}" autocomplete="${autocomplete}" maxlength="200" value="${escapeHtml(values[field])}"${told}>${under}</div>`;
  });
  const hidden = Object.entries({ ...form.hidden, form: form.token }).map(([key, value]) => `<input type="hidden" name="${key}" value="${escapeHtml(value)}">`); // prettier-ignore
  const agree = scope
    ? `<div class="tick"><input type="checkbox" id="agree" name="agree" value="yes"${values.agree ? ' checked' : ''}><label for="agree">${filledHtml(words.agree, { team, scope })}</label></div>`
    : '';
  return `${left?.general ? `<p class="complaint" role="alert">${escapeHtml(left.general)}</p>` : ''}
<form method="post" action="${form.action}" novalidate>${hidden.join('')}${form.before ?? ''}${fields.join('')}
<div class="field"><label for="words">${filledHtml(words.words, { name })}</label><textarea id="words" name="words" rows="3" maxlength="2000">${escapeHtml(values.words)}</textarea></div>
<div class="away" aria-hidden="true"><label for="site">${escapeHtml(words.trap)}</label><input id="site" name="site" tabindex="-1" autocomplete="off"></div>
${agree}<button>${escapeHtml(form.send)}</button></form>`;
}
