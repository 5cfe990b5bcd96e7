import {
  DoNotWriteEntry, Enrol, EnrolmentMove, AttachmentQuery, LettersQuery, MailSettings, MailTry, MessageMove, Morning, NewMessage, NewTask, PlanFields,
  PreviewRequest, RehearsalRequest, Seen, TaskDone, TaskEdit, TaskFields, TaskQuery, TemplateFields, TodayQuery,
} from '@dossier/contract'; // prettier-ignore
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import type { Reach } from '../../platform/outside';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { keepAttachment, loadAttachment } from './mail/attachments';
import { addDoNotWrite, listDoNotWrite, loadMail, removeDoNotWrite, saveMail, tryMail } from './mail/settings';
import { lettersOf } from './messages/letters';
import { messagesOf, moveMessage, preview, sendByHand } from './messages/service';
import { enrolByHand, enrolmentsOf, moveEnrolment } from './plans/enrol';
import { rehearsePlan } from './plans/rehearse';
import { listPlans, removePlan, savePlan } from './plans/service';
import { endFeed, feedStanding, makeFeed } from './tasks/feed';
import { addTask, changeTask, endTask, listTasks, reopenTask } from './tasks/service';
import { listTemplates, removeTemplate, saveTemplate } from './templates/service';
import { morningOf, setMorning } from './today/mornings';
import { occasionFollowUp, today } from './today/today';

const Id = z.object({ id: z.uuid() });
const idIn = (request: { params: unknown }): string => Id.parse(request.params).id;

export function followupRoutes(database: DataSource, reach: Reach): Routes {
  return new Routes()
    .get('/today', 'see', async (request, response) => {
      response.json(await today(database, whoIs(request), TodayQuery.parse(request.query)));
    })
    .get('/tasks', 'see', async (request, response) => {
      response.json(await listTasks(database, whoIs(request), TaskQuery.parse(request.query)));
    })
    .post('/tasks', 'edit', async (request, response) => {
      response.status(201).json({ id: await addTask(database, whoIs(request), NewTask.parse(request.body)) });
    })
    .post('/people/:id/tasks', 'edit', async (request, response) => {
      const task = NewTask.parse({ ...TaskFields.parse(request.body), personId: idIn(request) });
      response.status(201).json({ id: await addTask(database, whoIs(request), task) });
    })
    .patch('/tasks/:id', 'edit', async (request, response) => {
      response.json(await changeTask(database, whoIs(request), idIn(request), TaskEdit.parse(request.body)));
    })
    .post('/tasks/:id/done', 'edit', async (request, response) => {
      const { today: day } = TaskDone.parse(request.body ?? {});
      await endTask(database, whoIs(request), idIn(request), 'done', day);
      response.status(204).end();
    })
    .post('/tasks/:id/reopen', 'edit', async (request, response) => {
      await reopenTask(database, whoIs(request), idIn(request));
      response.status(204).end();
    })
    .delete('/tasks/:id', 'edit', async (request, response) => {
      await endTask(database, whoIs(request), idIn(request), 'dropped');
      response.status(204).end();
    })
    .get('/calendar-feed', 'see', async (request, response) => {
      response.json(await feedStanding(database, whoIs(request)));
    })
    .post('/calendar-feed', 'see', async (request, response) => {
      response.status(201).json({ path: await makeFeed(database, whoIs(request)) });
    })
    .delete('/calendar-feed', 'see', async (request, response) => {
      await endFeed(database, whoIs(request));
      response.status(204).end();
    })
    .get('/morning', 'see', async (request, response) => {
      response.json(await morningOf(database, whoIs(request)));
    })
    .put('/morning', 'see', async (request, response) => {
      await setMorning(database, whoIs(request), Morning.parse(request.body));
      response.status(204).end();
    })
    .get('/people/:id/messages', 'see', async (request, response) => {
      response.json(await messagesOf(database, whoIs(request), idIn(request)));
    })
    .post('/people/:id/messages', 'write', async (request, response) => {
      response
        .status(201)
        .json(await sendByHand(database, whoIs(request), idIn(request), NewMessage.parse(request.body)));
    })
    .post('/people/:id/preview', 'see', async (request, response) => {
      response.json(await preview(database, whoIs(request), idIn(request), PreviewRequest.parse(request.body)));
    })
    .patch('/messages/:id', 'write', async (request, response) => {
      await moveMessage(database, whoIs(request), idIn(request), MessageMove.parse(request.body));
      response.status(204).end();
    })
    .post('/attachments', 'write', async (request, response) => {
      const { name } = AttachmentQuery.parse(request.query);
      response.status(201).json(await keepAttachment(database, whoIs(request), name, request));
    })
    .get('/attachments/:id', 'see', async (request, response) => {
      const { name, type, bytes } = await loadAttachment(database, whoIs(request), idIn(request));
      // Never shown as a page of ours.
      response.set('Content-Security-Policy', "default-src 'none'; sandbox").attachment(name).type(type).send(bytes);
    })
    .get('/letters', 'see', async (request, response) => {
      const pdf = await lettersOf(database, whoIs(request), LettersQuery.parse(request.query).tasks);
      response.attachment('letters.pdf').type('application/pdf').send(pdf);
    })
    .get('/templates', 'see', async (request, response) => {
      response.json(await listTemplates(database, whoIs(request)));
    })
    .put('/templates/:id', 'write', async (request, response) => {
      const { version } = Seen.parse(request.query);
      response.json({
        version: await saveTemplate(
          database,
          whoIs(request),
          idIn(request),
          version,
          TemplateFields.parse(request.body),
        ),
      });
    })
    .delete('/templates/:id', 'write', async (request, response) => {
      await removeTemplate(database, whoIs(request), idIn(request));
      response.status(204).end();
    })
    .get('/plans', 'see', async (request, response) => {
      response.json(await listPlans(database, whoIs(request)));
    })
    .put('/plans/:id', 'settle', async (request, response) => {
      const { version } = Seen.parse(request.query);
      response.json({
        version: await savePlan(database, whoIs(request), idIn(request), version, PlanFields.parse(request.body)),
      });
    })
    .delete('/plans/:id', 'settle', async (request, response) => {
      await removePlan(database, whoIs(request), idIn(request));
      response.status(204).end();
    })
    .post('/plans/:id/rehearsal', 'see', async (request, response) => {
      response.json(await rehearsePlan(database, whoIs(request), idIn(request), RehearsalRequest.parse(request.body)));
    })
    .get('/people/:id/plans', 'see', async (request, response) => {
      response.json(await enrolmentsOf(database, whoIs(request), idIn(request)));
    })
    .post('/people/:id/plans', 'write', async (request, response) => {
      const { planId } = Enrol.parse(request.body);
      response.status(201).json({ id: await enrolByHand(database, whoIs(request), idIn(request), planId) });
    })
    .patch('/enrolments/:id', 'write', async (request, response) => {
      await moveEnrolment(database, whoIs(request), idIn(request), EnrolmentMove.parse(request.body));
      response.status(204).end();
    })
    .get('/mail', 'connect', async (request, response) => {
      response.json(await loadMail(database, reach, whoIs(request)));
    })
    .put('/mail', 'connect', async (request, response) => {
      await saveMail(database, reach, whoIs(request), MailSettings.parse(request.body));
      response.status(204).end();
    })
    .post('/mail/try', 'connect', async (request, response) => {
      response.json(await tryMail(database, reach, whoIs(request), MailTry.parse(request.body).to));
    })
    .get('/do-not-write', 'see', async (request, response) => {
      response.json(await listDoNotWrite(database, whoIs(request)));
    })
    .post('/do-not-write', 'edit', async (request, response) => {
      await addDoNotWrite(database, whoIs(request), DoNotWriteEntry.parse(request.body));
      response.status(204).end();
    })
    .delete('/do-not-write/:id', 'settle', async (request, response) => {
      await removeDoNotWrite(database, whoIs(request), idIn(request));
      response.status(204).end();
    })
    .get('/occasions/:id/follow-up', 'see', async (request, response) => {
      response.json(await occasionFollowUp(database, whoIs(request), idIn(request)));
    });
}
