import type { TemplateText } from '@dossier/contract';
import { maySend, type Sending, type Standing } from '@dossier/core/followup';
import { fillTemplate, placeholderLabel, textIn } from '@dossier/core/followup/templates';
import type { EntityManager } from 'typeorm';
import { findTemplate } from '../templates/service';
import type { Addressee } from './valuesOf';

export interface Written {
  sending: Sending;
  subject: string;
  body: string;
  language: string;
  template: NonNullable<Awaited<ReturnType<typeof findTemplate>>>;
}
/** Why a step of a plan is not let through. @property withdrawn they no longer agree: nothing will change that */
export interface Held {
  held: string;
  withdrawn: boolean;
}

const held = (words: string, withdrawn = false): Held => ({ held: words, withdrawn });

/** What a step of a plan would send to somebody at a moment, or why it is held. An older version of a plan may name a template that is gone. */
export async function fromTemplate(
  manager: EntityManager,
  { person, to, postal, language: theirs, values }: Addressee,
  standing: Standing,
  act: { do: 'message' | 'letter'; templateId: string },
  at: Date,
): Promise<Written | Held> {
  const template = await findTemplate(manager, person.workspaceId, act.templateId);
  if (!template) return held('Its template is gone. Move them to the changed plan, or pass over this step.');
  const { scope, texts } = template;
  const purpose = { kind: 'plan', scope } as const;
  const sending: Sending = act.do === 'message' ? { channel: 'email', to: to ?? '', purpose } : { channel: 'post', to: postal.join('\n'), purpose }; // prettier-ignore
  const verdict = maySend(standing, sending, at);
  if (!verdict.may) return held(verdict.words, verdict.why === 'withdrawn');
  const { language, text } = textIn(texts as Record<string, TemplateText>, theirs)!;
  const filled = fillTemplate(text, values(language));
  if ('body' in filled)
    return { sending, subject: filled.subject || template.template.name, body: filled.body, language, template };
  return held(`Not known, and without a fallback in “${template.template.name}”: ${filled.missing.map(placeholderLabel).join(', ')}.`); // prettier-ignore
}
