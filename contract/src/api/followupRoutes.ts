import { BookingFields, BookingStanding } from '../booking';
import { DoNotWriteEntry, DoNotWriteList, MailSettings, MailStanding, MailTried, MailTry } from '../mail';
import { Attachment, LettersQuery, Message, MessageList, MessageMove, NewMessage, Preview, PreviewRequest, TemplateFields, TemplateList } from '../messages'; // prettier-ignore
import { OwnCard, OwnCardFields, OwnCardSending } from '../ownCard';
import { Enrol, EnrolmentList, EnrolmentMove, PlanFields, PlanList, Rehearsal, RehearsalRequest } from '../plans';
import { CalendarFeed, Morning, NewCalendarFeed, NewTask, Task, TaskDone, TaskEdit, TaskFields, TaskPage, TaskQuery } from '../tasks'; // prettier-ignore
import { OccasionFollowUp, Today, TodayQuery } from '../today';
import { Seen, Version } from '../versions';
import { MadeId, PICTURE, type Bytes, type DescribedRoutes } from './describedRoute';

const read = 'people:read';
const write = 'people:write';
const settings = 'settings';
const FILE: Bytes = { types: ['application/octet-stream'], about: 'A file, up to 5 MB; its name in `?name=`.' };

/** Messages, plans and tasks. */
export const FOLLOWUP_ROUTES: DescribedRoutes = {
  'GET /today': { about: 'What needs whoever asks now, in its order.', scope: read, query: TodayQuery, answer: Today },
  'GET /tasks': { about: 'Tasks, open or done, a page at a time.', scope: read, query: TaskQuery, answer: TaskPage },
  'POST /tasks': { about: 'Makes a task. The same id again is the same task.', scope: write, body: NewTask, answer: MadeId, status: 201 }, // prettier-ignore
  'POST /people/:id/tasks': { about: 'Makes a task about a person.', scope: write, body: TaskFields, answer: MadeId, status: 201 }, // prettier-ignore
  'PATCH /tasks/:id': { about: 'Puts a task off, gives it to a colleague, or words it anew.', scope: write, body: TaskEdit, answer: Task }, // prettier-ignore
  'POST /tasks/:id/done': { about: 'Says that a task is done; what repeats is there again for its next day.', scope: write, body: TaskDone, status: 204 }, // prettier-ignore
  'POST /tasks/:id/reopen': { about: 'Opens a task again that was done by mistake.', scope: write, status: 204 },
  'DELETE /tasks/:id': { about: 'Drops a task.', scope: write, status: 204 },
  'GET /calendar-feed': { about: 'Whether there is a private address for calendars.', scope: null, answer: CalendarFeed }, // prettier-ignore
  'POST /calendar-feed': { about: 'Makes a private address under which calendars find one’s tasks; one before ends.', scope: null, answer: NewCalendarFeed, status: 201 }, // prettier-ignore
  'DELETE /calendar-feed': { about: 'Ends that address.', scope: null, status: 204 },
  'GET /morning': { about: 'Whether whoever asks gets their day by mail, and when.', scope: null, answer: Morning },
  'PUT /morning': { about: 'Sets that.', scope: null, body: Morning, status: 204 },
  'GET /people/:id/messages': { about: 'What was written to a person and by them, the latest first.', scope: read, answer: MessageList }, // prettier-ignore
  'POST /people/:id/messages': { about: 'Writes to a person, if it is let through. The same id again is the same message.', scope: write, body: NewMessage, answer: Message, status: 201 }, // prettier-ignore
  'POST /people/:id/preview': { about: 'A template as it would go to a person, and whether it would be let through.', scope: read, body: PreviewRequest, answer: Preview }, // prettier-ignore
  'PATCH /messages/:id': { about: 'Says what becomes of a message that waits for somebody.', scope: write, body: MessageMove, status: 204 }, // prettier-ignore
  'POST /attachments': { about: 'Keeps a file that is to go along with messages.', scope: write, body: FILE, answer: Attachment, status: 201 }, // prettier-ignore
  'GET /attachments/:id': { about: 'A file that goes along or came along, always to be saved.', scope: read, answer: { ...FILE, about: 'The file.' } }, // prettier-ignore
  'GET /letters': { about: 'Letters that are to be printed, one after the other in one file.', scope: read, query: LettersQuery, answer: { types: ['application/pdf'], about: 'Letters with the address where windows of envelopes are.' } }, // prettier-ignore
  'GET /templates': { about: 'Texts that are filled in for each person.', scope: read, answer: TemplateList },
  'PUT /templates/:id': { about: 'Makes a template, or its next version.', scope: settings, query: Seen, body: TemplateFields, answer: Version }, // prettier-ignore
  'DELETE /templates/:id': { about: 'Offers a template no more.', scope: settings, status: 204 },
  'GET /plans': { about: 'Follow-up plans, with who is in them.', scope: read, answer: PlanList },
  'PUT /plans/:id': { about: 'Makes a plan, or its next version.', scope: settings, query: Seen, body: PlanFields, answer: Version }, // prettier-ignore
  'DELETE /plans/:id': { about: 'Offers a plan no more.', scope: settings, status: 204 },
  'POST /plans/:id/rehearsal': { about: 'What a plan would do for somebody if it began now.', scope: read, body: RehearsalRequest, answer: Rehearsal }, // prettier-ignore
  'GET /people/:id/plans': { about: 'Plans that a person is or was in.', scope: read, answer: EnrolmentList },
  'POST /people/:id/plans': { about: 'Puts a person into a plan.', scope: write, body: Enrol, answer: MadeId, status: 201 }, // prettier-ignore
  'PATCH /enrolments/:id': { about: 'Pauses a person’s plan, goes on, passes over a step, does it now, or stops.', scope: write, body: EnrolmentMove, status: 204 }, // prettier-ignore
  'GET /mail': { about: 'How the team sends and receives.', scope: settings, answer: MailStanding },
  'PUT /mail': { about: 'Sets how the team sends and receives.', scope: settings, body: MailSettings, status: 204 },
  'POST /mail/try': { about: 'Sends a try to somebody of the team.', scope: settings, body: MailTry, answer: MailTried }, // prettier-ignore
  'GET /do-not-write': { about: 'Addresses and domains that nothing is sent to.', scope: read, answer: DoNotWriteList }, // prettier-ignore
  'POST /do-not-write': { about: 'Adds one of them.', scope: write, body: DoNotWriteEntry, status: 204 },
  'DELETE /do-not-write/:id': { about: 'Takes one off.', scope: settings, status: 204 },
  'GET /booking': {
    about: 'When whoever asks lets others book a talk, and what is booked.',
    scope: null,
    answer: BookingStanding,
  },
  'PUT /booking': { about: 'Sets when.', scope: null, body: BookingFields, status: 204 },
  'DELETE /bookings/:id': { about: 'Calls a talk off; whoever booked it is told.', scope: null, status: 204 },
  'GET /own-card': { about: 'What whoever asks hands out of themselves, and its page.', scope: null, answer: OwnCard },
  'PUT /own-card': { about: 'Writes that.', scope: null, body: OwnCardFields, status: 204 },
  'GET /own-card/picture': { about: 'The picture on it.', scope: null, answer: PICTURE },
  'PUT /own-card/picture': { about: 'Puts a picture on it.', scope: null, body: PICTURE, status: 204 },
  'DELETE /own-card/picture': { about: 'Takes the picture off.', scope: null, status: 204 },
  'POST /own-card/page': { about: 'Makes a page that everybody finds who has its link; one before ends.', scope: null, answer: OwnCard, status: 201 }, // prettier-ignore
  'DELETE /own-card/page': { about: 'Ends that page.', scope: null, status: 204 },
  'POST /people/:id/own-card': { about: 'Sends one’s own card to a person who asked for it, once. The same id again is the same message.', scope: write, body: OwnCardSending, answer: Message, status: 201 }, // prettier-ignore
  'POST /cards/:id/own-card': { about: 'The same, to whoever a card was filed as.', scope: write, body: OwnCardSending, answer: Message, status: 201 }, // prettier-ignore
  'GET /occasions/:id/follow-up': { about: 'How soon the people of an occasion were written to, and who answered.', scope: read, answer: OccasionFollowUp }, // prettier-ignore
};
