import { planComplaints } from '@dossier/core/followup/plan';
import { z } from 'zod';
import { Tags } from './tag';
import { PersonKind } from './people';

const line = (max: number) => z.string().trim().max(max);
export const Happening = z.enum(['answered', 'booked', 'bounced']);

export const PlanAct = z.discriminatedUnion('do', [
  z.object({ do: z.literal('message'), templateId: z.uuid('Choose a template.') }),
  z.object({ do: z.literal('letter'), templateId: z.uuid('Choose a template.') }),
  z.object({ do: z.literal('task'), text: line(300).min(1, 'Write what is to be done.') }),
  z.object({ do: z.literal('call'), text: line(300).min(1, 'Write what the call is about.') }),
  z.object({ do: z.literal('tags'), add: Tags.default([]), remove: Tags.default([]) }),
  z.object({ do: z.literal('kind'), kind: PersonKind }),
  z.object({ do: z.literal('handOver'), destinationId: z.uuid('Choose where to.') }),
  z.object({ do: z.literal('branch'), when: Happening, goTo: z.union([z.uuid(), z.literal('end')]) }),
]);
export type PlanAct = z.infer<typeof PlanAct>;

export const PlanStep = z.object({
  id: z.uuid(),
  wait: z.object({
    amount: z.number().int().min(0).max(365, 'A step waits a year at most.'),
    unit: z.enum(['hours', 'days', 'workingDays']),
  }),
  act: PlanAct,
});
export type PlanStep = z.infer<typeof PlanStep>;

export const PlanFields = z
  .object({
    name: line(120).min(1, 'Give the plan a name.'),
    /** Tag with which somebody is put into it; null for none. */
    startTag: line(60).min(1).nullable().default(null),
    stopsAt: z.array(Happening).default(['answered', 'booked', 'bounced']),
    steps: z.array(PlanStep).min(1, 'A plan has one step at least.').max(30),
    /** Whether anybody can be put into it. */
    isOn: z.boolean().default(false),
  })
  .superRefine((plan, context) => {
    for (const { stepId, words } of planComplaints(plan))
      context.addIssue({ code: 'custom', path: ['steps', plan.steps.findIndex(({ id }) => id === stepId)], message: words }); // prettier-ignore
    if (new Set(plan.steps.map(({ id }) => id)).size !== plan.steps.length)
      context.addIssue({ code: 'custom', path: ['steps'], message: 'A step stands here twice.' });
  });
export type PlanFields = z.infer<typeof PlanFields>;

export const Plan = z.object({
  id: z.uuid(),
  version: z.number().int(),
  name: z.string(),
  startTag: z.string().nullable(),
  stopsAt: z.array(Happening),
  steps: z.array(PlanStep),
  isOn: z.boolean(),
  /** Who is in it just now, and on an older version of it. */
  people: z.number().int(),
  onOlder: z.number().int(),
  occasions: z.array(z.string()),
});
export type Plan = z.infer<typeof Plan>;
export const PlanList = z.object({ items: z.array(Plan) });
export type PlanList = z.infer<typeof PlanList>;

/** What a plan would do for somebody, step by step. */
export const RehearsalRequest = z.object({
  personId: z.uuid().nullable().default(null),
  /** Steps that are not saved yet, instead of the plan's. */
  steps: z.array(PlanStep).max(30).optional(),
  stopsAt: z.array(Happening).optional(),
  /** A card that is being filed: what it says, and what would be agreed. */
  country: z.string().trim().max(60).default(''),
});
export type RehearsalRequest = z.infer<typeof RehearsalRequest>;
export const RehearsedStep = z.object({
  stepId: z.uuid(),
  at: z.iso.datetime(),
  /** Local to the person, such as `2026-03-24 08:00`. */
  there: z.string(),
  words: z.string(),
  /** Why it would not be sent; null where it would, or is nothing that is sent. */
  held: z.string().nullable(),
});
export type RehearsedStep = z.infer<typeof RehearsedStep>;
export const Rehearsal = z.object({ timeZone: z.string(), steps: z.array(RehearsedStep) });
export type Rehearsal = z.infer<typeof Rehearsal>;

/** Somebody in a plan. */
export const Enrolment = z.object({
  id: z.uuid(),
  plan: z.object({ id: z.uuid(), name: z.string() }),
  version: z.number().int(),
  status: z.enum(['running', 'paused', 'ended']),
  ending: z.string().nullable(),
  startedAt: z.iso.datetime(),
  endedAt: z.iso.datetime().nullable(),
  /** The step that comes next, in words, and when. */
  next: z.object({ words: z.string(), at: z.iso.datetime() }).nullable(),
  /** What it waits for: why its next message is not sent. */
  held: z.string().nullable(),
});
export type Enrolment = z.infer<typeof Enrolment>;
export const EnrolmentList = z.object({ items: z.array(Enrolment) });
export type EnrolmentList = z.infer<typeof EnrolmentList>;
export const Enrol = z.object({ planId: z.uuid() });
export const EnrolmentMove = z.object({ to: z.enum(['pause', 'resume', 'skip', 'now', 'stop', 'newVersion']) });
export type EnrolmentMove = z.infer<typeof EnrolmentMove>;
