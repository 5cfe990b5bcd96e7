import type { Message } from '@dossier/contract';
import { standingWords } from './standingWords';

const message = (over: Partial<Message>): Message => ({
  id: 'm', direction: 'out', state: 'sent', kind: 'byHand', at: '2026-11-30T10:00:00Z', from: 'ottilie@keldermoss.example', to: 'nella@harrowfield.example',
  subject: 'Your dock', text: '', problem: null, cameBack: false, isRead: true, by: 'Ottilie Brandt', plan: null, attachments: [], answersId: null, ...over,
}); // prettier-ignore

it.each<[Partial<Message>, string]>([
  [{}, 'Sent, to nella@harrowfield.example, by Ottilie Brandt'],
  [{ state: 'sending' }, 'On its way, to nella@harrowfield.example, by Ottilie Brandt'],
  [{ state: 'uncertain' }, 'Perhaps sent, to nella@harrowfield.example, by Ottilie Brandt'],
  [
    { by: null, plan: 'After the fair', kind: 'plan' },
    'Sent, to nella@harrowfield.example, by the plan After the fair',
  ],
  [{ cameBack: true, state: 'refused' }, 'Came back, to nella@harrowfield.example, by Ottilie Brandt'],
  [{ kind: 'reply' }, 'Sent, to nella@harrowfield.example, by Ottilie Brandt, a reply to what they asked for'],
  [{ direction: 'in', kind: 'answer', from: 'nella@harrowfield.example' }, 'Answer from nella@harrowfield.example'],
  [{ direction: 'in', kind: 'outOfOffice', from: 'nella@harrowfield.example' }, 'nella@harrowfield.example is away'],
  [{ direction: 'in', kind: 'bounce' }, 'The mail server sent it back'],
])('%j', (over, words) => expect(standingWords(message(over))).toBe(words));
