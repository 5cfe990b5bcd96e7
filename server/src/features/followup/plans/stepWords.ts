import type { PlanStep } from '@dossier/core/followup';
import type { EntityManager } from 'typeorm';
import { templateNames } from './service';

/** What a step does, in words. */
export async function stepWords(
  manager: EntityManager,
  workspaceId: string,
  { act }: Pick<PlanStep, 'act'>,
): Promise<string> {
  switch (act.do) {
    case 'message':
    case 'letter': {
      const name =
        (await templateNames(manager, workspaceId, [act.templateId])).get(act.templateId) ?? 'a template that is gone';
      return `${act.do === 'message' ? 'E-mail' : 'Letter'} “${name}”`;
    }
    case 'task':
      return `Task: ${act.text}`;
    case 'call':
      return `Call: ${act.text}`;
    case 'tags':
      return [act.add.length > 0 && `add ${act.add.join(', ')}`, act.remove.length > 0 && `take off ${act.remove.join(', ')}`].filter(Boolean).join(', ').replace(/^./, (first) => first.toUpperCase()) || 'Tags'; // prettier-ignore
    case 'kind':
      return act.kind === 'lead' ? 'Make a lead' : 'Make a contact';
    case 'handOver':
      return 'Hand over';
    case 'branch':
      return { answered: 'Whether they answered', booked: 'Whether they booked', bounced: 'Whether mail came back' }[
        act.when
      ];
  }
}
