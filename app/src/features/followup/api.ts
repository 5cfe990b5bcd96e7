import type {
  Attachment, CalendarFeed, DoNotWriteEntry, DoNotWriteList, EnrolmentList, EnrolmentMove, MailSettings, MailStanding, Message, MessageList, MessageMove, Morning,
  NewCalendarFeed, NewMessage, NewTask, OccasionFollowUp, PlanFields, PlanList, Preview, PreviewRequest, Rehearsal, RehearsalRequest, Task,
  TaskEdit, TaskPage, TemplateFields, TemplateList, Today, Version,
} from '@dossier/contract'; // prettier-ignore
import type { z } from 'zod';
import { api } from '@/lib/api';

/** What tells of a task: lists of them, what needs one today, and whoever it is about. */
const OF_TASKS = ['Task', 'Today', 'Person', 'Opportunity'] as const;
const OF_MESSAGES = ['Message', 'Today', 'Person'] as const;

export const followupApi = api.injectEndpoints({
  endpoints: (build) => ({
    today: build.query<Today, { day: string; time: string }>({
      query: ({ day, time }) => ({ url: '/today', params: { day, ...(time && { time }) } }),
      providesTags: ['Today'],
    }),
    tasks: build.query<
      TaskPage,
      {
        whose?: 'mine' | 'team';
        state?: 'open' | 'done';
        personId?: string;
        companyId?: string;
        opportunityId?: string;
      }
    >({
      query: (params) => ({ url: '/tasks', params }),
      providesTags: ['Task'],
    }),
    addTask: build.mutation<{ id: string }, z.input<typeof NewTask>>({
      query: (body) => ({ url: '/tasks', method: 'POST', body }),
      invalidatesTags: [...OF_TASKS],
    }),
    changeTask: build.mutation<Task, { id: string; edit: TaskEdit }>({
      query: ({ id, edit }) => ({ url: `/tasks/${id}`, method: 'PATCH', body: edit }),
      invalidatesTags: [...OF_TASKS],
    }),
    endTask: build.mutation<void, { id: string; to: 'done' | 'dropped' | 'open'; today?: string }>({
      query: ({ id, to, today }) =>
        to === 'dropped'
          ? { url: `/tasks/${id}`, method: 'DELETE' }
          : {
              url: `/tasks/${id}/${to === 'done' ? 'done' : 'reopen'}`,
              method: 'POST',
              body: to === 'done' ? { today } : undefined,
            },
      invalidatesTags: [...OF_TASKS],
    }),
    messages: build.query<MessageList, string>({
      query: (personId) => `/people/${personId}/messages`,
      providesTags: ['Message'],
    }),
    preview: build.query<Preview, { personId: string; request: z.input<typeof PreviewRequest> }>({
      query: ({ personId, request }) => ({ url: `/people/${personId}/preview`, method: 'POST', body: request }),
      providesTags: ['Person', 'Template'],
      keepUnusedDataFor: 0,
    }),
    sendMessage: build.mutation<Message, { personId: string; message: z.input<typeof NewMessage> }>({
      query: ({ personId, message }) => ({ url: `/people/${personId}/messages`, method: 'POST', body: message }),
      invalidatesTags: [...OF_MESSAGES],
    }),
    moveMessage: build.mutation<void, { id: string; to: MessageMove['to'] }>({
      query: ({ id, to }) => ({ url: `/messages/${id}`, method: 'PATCH', body: { to } }),
      invalidatesTags: [...OF_MESSAGES],
    }),
    addAttachment: build.mutation<Attachment, File>({
      query: (file) => ({
        url: '/attachments',
        method: 'POST',
        params: { name: file.name },
        body: file,
        headers: { 'content-type': file.type || 'application/octet-stream' },
      }),
    }),
    templates: build.query<TemplateList, void>({ query: () => '/templates', providesTags: ['Template'] }),
    saveTemplate: build.mutation<Version, { id: string; version: number; fields: z.input<typeof TemplateFields> }>({
      query: ({ id, version, fields }) => ({
        url: `/templates/${id}`,
        method: 'PUT',
        params: { version },
        body: fields,
      }),
      invalidatesTags: ['Template'],
    }),
    removeTemplate: build.mutation<void, string>({
      query: (id) => ({ url: `/templates/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Template'],
    }),
    plans: build.query<PlanList, void>({ query: () => '/plans', providesTags: ['Plan'] }),
    savePlan: build.mutation<Version, { id: string; version: number; fields: z.input<typeof PlanFields> }>({
      query: ({ id, version, fields }) => ({ url: `/plans/${id}`, method: 'PUT', params: { version }, body: fields }),
      invalidatesTags: ['Plan', 'Template'],
    }),
    removePlan: build.mutation<void, string>({
      query: (id) => ({ url: `/plans/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Plan', 'Template', 'Occasion'],
    }),
    rehearsal: build.query<Rehearsal, { planId: string; request: z.input<typeof RehearsalRequest> }>({
      query: ({ planId, request }) => ({ url: `/plans/${planId}/rehearsal`, method: 'POST', body: request }),
      providesTags: ['Plan', 'Person', 'Template'],
      keepUnusedDataFor: 0,
    }),
    enrolments: build.query<EnrolmentList, string>({
      query: (personId) => `/people/${personId}/plans`,
      providesTags: ['Plan', 'Message'],
    }),
    enrol: build.mutation<{ id: string }, { personId: string; planId: string }>({
      query: ({ personId, planId }) => ({ url: `/people/${personId}/plans`, method: 'POST', body: { planId } }),
      invalidatesTags: ['Plan', ...OF_MESSAGES],
    }),
    moveEnrolment: build.mutation<void, { id: string; to: EnrolmentMove['to'] }>({
      query: ({ id, to }) => ({ url: `/enrolments/${id}`, method: 'PATCH', body: { to } }),
      invalidatesTags: ['Plan', ...OF_MESSAGES],
    }),
    mail: build.query<MailStanding, void>({ query: () => '/mail', providesTags: ['Mail'] }),
    saveMail: build.mutation<void, z.input<typeof MailSettings>>({
      query: (body) => ({ url: '/mail', method: 'PUT', body }),
      invalidatesTags: ['Mail'],
    }),
    tryMail: build.mutation<{ ok: boolean; words: string }, string>({
      query: (to) => ({ url: '/mail/try', method: 'POST', body: { to } }),
    }),
    doNotWrite: build.query<DoNotWriteList, void>({ query: () => '/do-not-write', providesTags: ['DoNotWrite'] }),
    addDoNotWrite: build.mutation<void, DoNotWriteEntry>({
      query: (body) => ({ url: '/do-not-write', method: 'POST', body }),
      invalidatesTags: ['DoNotWrite', 'Plan'],
    }),
    removeDoNotWrite: build.mutation<void, string>({
      query: (id) => ({ url: `/do-not-write/${id}`, method: 'DELETE' }),
      invalidatesTags: ['DoNotWrite', 'Plan'],
    }),
    calendarFeed: build.query<CalendarFeed, void>({ query: () => '/calendar-feed', providesTags: ['Feed'] }),
    morning: build.query<Morning, void>({ query: () => '/morning', providesTags: ['Feed'] }),
    setMorning: build.mutation<void, Morning>({
      query: (body) => ({ url: '/morning', method: 'PUT', body }),
      invalidatesTags: ['Feed'],
    }),
    makeFeed: build.mutation<NewCalendarFeed, void>({
      query: () => ({ url: '/calendar-feed', method: 'POST' }),
      invalidatesTags: ['Feed'],
    }),
    endFeed: build.mutation<void, void>({
      query: () => ({ url: '/calendar-feed', method: 'DELETE' }),
      invalidatesTags: ['Feed'],
    }),
    occasionFollowUp: build.query<OccasionFollowUp, string>({
      query: (id) => `/occasions/${id}/follow-up`,
      providesTags: ['Message', 'Person'],
    }),
  }),
});

export const {
  useTodayQuery, useTasksQuery, useAddTaskMutation, useChangeTaskMutation, useEndTaskMutation, useMessagesQuery, usePreviewQuery,
  useSendMessageMutation, useMoveMessageMutation, useAddAttachmentMutation, useTemplatesQuery, useSaveTemplateMutation,
  useRemoveTemplateMutation, usePlansQuery, useSavePlanMutation, useRemovePlanMutation, useRehearsalQuery, useEnrolmentsQuery,
  useEnrolMutation, useMoveEnrolmentMutation, useMailQuery, useSaveMailMutation, useTryMailMutation, useDoNotWriteQuery,
  useAddDoNotWriteMutation, useRemoveDoNotWriteMutation, useCalendarFeedQuery, useMakeFeedMutation, useMorningQuery, useSetMorningMutation, useEndFeedMutation,
  useOccasionFollowUpQuery,
} = followupApi; // prettier-ignore
