import type { Message } from '@dossier/contract';

/** How a message stands, in words. */
export function standingWords({ direction, kind, state, cameBack, by, plan, from, to }: Message): string {
  if (direction === 'in') return IN[kind as keyof typeof IN]?.(from) ?? `From ${from}`;
  const whose = plan ? `by the plan ${plan}` : by ? `by ${by}` : '';
  const what = cameBack ? 'Came back' : STATE[state];
  return [`${what}, to ${to}`, whose, kind === 'reply' ? 'a reply to what they asked for' : '']
    .filter(Boolean)
    .join(', ');
}

const IN = {
  answer: (from: string) => `Answer from ${from}`,
  outOfOffice: (from: string) => `${from} is away`,
  bounce: () => 'The mail server sent it back',
  delayed: () => 'The mail server is still trying',
  automatic: (from: string) => `Sent by itself from ${from}`,
};
const STATE: Record<Message['state'], string> = {
  waiting: 'On its way',
  sending: 'On its way',
  sent: 'Sent',
  uncertain: 'Perhaps sent',
  refused: 'Not sent',
  received: 'Received',
};
