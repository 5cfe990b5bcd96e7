import type { MailSettings, NewTask, PlanFields, TemplateFields } from '@dossier/contract';
import type { z } from 'zod';

/** How the demo's team sends: through the letterbox on this machine, at any hour, so that it can be seen at once. */
export const demoMail = (
  smtpPort: number,
  accounts: Readonly<Record<'ottilie' | 'idris', string>>,
): z.input<typeof MailSettings> => ({
  out: { host: '127.0.0.1', port: smtpPort, security: 'none', user: '' },
  incoming: null,
  senders: [
    { address: 'ottilie@keldermoss.example', name: 'Ottilie Brandt', accountId: accounts.ottilie },
    { address: 'idris@keldermoss.example', name: 'Idris Falconer', accountId: accounts.idris },
    { address: 'office@keldermoss.example', name: 'Kelder & Moss', accountId: null },
  ],
  perMinute: 120,
  quietFrom: '00:00',
  quietTo: '00:00',
  onDaysOff: true,
  footer: 'Kelder & Moss, cold-store doors and loading docks, Quay 4, Port Ellery',
});

export const SCOPE = 'Cold-store doors and docks';

export const demoTemplates: Readonly<Record<'first' | 'again' | 'letter', z.input<typeof TemplateFields>>> = {
  first: {
    name: 'After the open day',
    scope: SCOPE,
    ownVcard: true,
    texts: {
      en: {
        subject: ['Our talk at ', { field: 'occasionPlace', fallback: 'the open day' }],
        body: [
          { field: 'greeting', fallback: '' },
          '\n\nthank you for stopping at our stand. I wrote down what you told me:\n\n',
          { field: 'noteLine', fallback: '' },
          '\n\nI will look into it for ',
          { field: 'company', fallback: 'you' },
          ' and ring you this week. If a visit suits you better, answer with a day.\n\nKind regards\n',
          { field: 'senderName', fallback: '' },
        ],
      },
      de: {
        subject: ['Unser Gespräch in ', { field: 'occasionPlace', fallback: 'Port Ellery' }],
        body: [
          { field: 'greeting', fallback: '' },
          '\n\nvielen Dank für Ihren Besuch an unserem Stand. Ich habe mir notiert:\n\n',
          { field: 'noteLine', fallback: '' },
          '\n\nIch melde mich diese Woche telefonisch. Wenn Ihnen ein Besuch lieber ist, antworten Sie einfach mit einem Tag.\n\nMit freundlichen Grüßen\n',
          { field: 'senderName', fallback: '' },
        ],
      },
    },
  },
  again: {
    name: 'A second word',
    scope: SCOPE,
    texts: {
      en: {
        subject: ['Is there anything you wait for from us?'],
        body: [
          { field: 'greeting', fallback: '' },
          '\n\nI have not heard from you since we met, and do not want to press you. May I send drawings for ',
          { field: 'company', fallback: 'your store' },
          '?\n\nKind regards\n',
          { field: 'senderName', fallback: '' },
        ],
      },
    },
  },
  letter: {
    name: 'By post, with the brochure',
    kind: 'letter',
    scope: SCOPE,
    texts: {
      en: {
        subject: ['Doors and docks that keep the cold in'],
        body: [
          { field: 'greeting', fallback: '' },
          '\n\nwith this letter comes our brochure. Page six shows a store like yours at ',
          { field: 'company', fallback: 'your place' },
          '.\n\nKind regards\n',
          { field: 'senderName', fallback: '' },
        ],
      },
    },
  },
};

/** @param ids of templates, and something that makes ids of steps out of names */
export const demoPlan = (
  ids: Readonly<Record<keyof typeof demoTemplates, string>>,
  idOf: (name: string) => string,
): z.input<typeof PlanFields> => ({
  name: 'After the open day',
  isOn: true,
  steps: [
    { id: idOf('step first'), wait: { amount: 0, unit: 'hours' }, act: { do: 'message', templateId: ids.first } },
    {
      id: idOf('step call'),
      wait: { amount: 3, unit: 'workingDays' },
      act: { do: 'call', text: 'Ring about what was noted at the stand' },
    },
    { id: idOf('step again'), wait: { amount: 5, unit: 'workingDays' }, act: { do: 'message', templateId: ids.again } },
    { id: idOf('step letter'), wait: { amount: 14, unit: 'days' }, act: { do: 'letter', templateId: ids.letter } },
  ],
});

/** Who agreed to be written to when they were met, by the name of the card. */
export const AGREED: ReadonlySet<string> = new Set(['skerry', 'bramble', 'quillan', 'nordmolk', 'maple']);
export const CONSENT = {
  channels: ['email' as const, 'post' as const],
  scope: SCOPE,
  wording: 'May we write to you about it?',
  how: 'spoken' as const,
};

/** What whoever signs in finds to do. @param day so many days from today, `YYYY-MM-DD` */
export const demoTasks = (
  day: (days: number) => string,
): { person: string; task: Omit<z.input<typeof NewTask>, 'personId'> }[] => [
  { person: 'bramble', task: { text: 'Name two days for the visit about the dock leveller', dueOn: day(-1) } },
  { person: 'ashgrove', task: { text: 'Send prices without fitting', dueOn: day(0), dueTime: '10:00' } },
  { person: 'quillan', task: { text: 'Look up which seals the four docks have', dueOn: day(0) } },
  { person: 'crane', task: { text: 'Ask Maren about partners who install', dueOn: day(4) } },
];

/** What Ottilie hands out of herself. */
export const demoOwnCard = {
  details: {
    givenName: 'Ottilie',
    familyName: 'Brandt',
    title: 'Sales, cold-store doors',
    company: 'Kelder & Moss',
    emails: ['ottilie@keldermoss.example'],
    phones: [
      { value: '+441632960171', kind: 'work' },
      { value: '+447700900171', kind: 'mobile' },
    ],
    websites: ['keldermoss.example'],
    street: 'Quay 4',
    locality: 'Port Ellery',
    country: 'GB',
  },
  greeting: 'Doors that close by themselves, and docks that stay dry.',
  scope: 'offers for cold-store doors and docks',
};

const WORKDAY = [
  { from: '09:00', to: '12:00' },
  { from: '13:00', to: '16:30' },
];

/** When others may book a talk with her. */
export const demoBooking = {
  isOn: true,
  timeZone: 'Europe/London',
  hours: [[], WORKDAY, WORKDAY, [], WORKDAY, WORKDAY, []],
  place: 'By phone, I call you',
};
