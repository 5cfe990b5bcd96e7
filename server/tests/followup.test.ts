import { randomUUID } from 'node:crypto';
import type {
  ChangePreview,
  EnrolmentList,
  MessageList,
  PeopleChangeState,
  PlanFields,
  Preview,
  Rehearsal,
  TaskPage,
  TemplateFields,
  Today,
} from '@dossier/contract';
import { startMailWorld, type MailWorld } from '@dossier/simulators/mail';
import ICAL from 'ical.js';
import type { DataSource } from 'typeorm';
import { createDataSource } from '../src/dataSource';
import { sendMornings } from '../src/features/followup';
import { createLogger } from '../src/platform/logger';
import { sealingWith } from '../src/platform/sealing';
import { Client } from './client';
import { databaseOf, freePort, until } from './services';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let world: MailWorld;
let owner: DataSource;
/** What becomes of the next mails at their end. */
let mishap: NonNullable<ReturnType<NonNullable<Parameters<typeof startMailWorld>[0]['mishap']>>> = 'none';
const origin = () => process.env.DOSSIER_TEST_ADDRESS!.replace('/api/v1', '');

const settings = () => ({
  out: { host: '127.0.0.1', port: world.smtpPort, security: 'none', user: '' },
  outPassword: null as string | null,
  incoming: null,
  senders: [
    { address: 'ottilie@keldermoss.example', name: 'Ottilie Brandt', accountId: null },
    { address: 'idris@keldermoss.example', name: 'Idris Falconer', accountId: null },
  ],
  perMinute: 600,
  quietFrom: '00:00',
  quietTo: '00:00',
  onDaysOff: true,
  footer: 'Kelder & Moss, Quay 4, Port Ellery',
});

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
  world = await startMailWorld({
    mishap: () => mishap,
    forwardTo: { host: '127.0.0.1', port: Number(process.env.DOSSIER_TEST_MAIL_PORT) },
  });
  expect((await manager.send('PUT', '/mail', settings())).status).toBe(204);
});
afterAll(async () => {
  await manager.send('PUT', '/mail', { ...settings(), out: null, senders: [] });
  await world.stop();
  await owner.destroy();
});

const CONSENT = {
  channels: ['email'],
  scope: 'Offers for cold-store doors',
  wording: 'May we write to you?',
  how: 'spoken',
};
let number = 0;
/** Somebody nobody else knows. */
async function met({
  consent = true,
  mail = `${randomUUID()}@harrowfield.example`,
  ...more
}: { consent?: boolean; mail?: string; note?: string; [field: string]: unknown } = {}) {
  const { note = '', ...fields } = more;
  number++;
  const person = {
    givenName: 'Nella',
    familyName: `Wq${number}xz${randomUUID().slice(0, 6)}`,
    company: '',
    emails: [mail],
    ...fields,
  };
  const id = await rep.filed(person, { note, ...(consent && { consent: CONSENT }) } as never);
  return { id, mail, name: `Nella ${person.familyName}` };
}
const mailsTo = (to: string) => world.mailbox.mails.filter((mail) => mail.to === to);
const mailTo = (to: string, place = 0) => until(() => Promise.resolve(mailsTo(to)[place]));
const messages = async (id: string) => (await rep.get<MessageList>(`/people/${id}/messages`)).body.items;
const stateOf = (id: string, state: string) =>
  until(async () => (await messages(id)).find((one) => one.state === state));

const BODY = [
  { field: 'greeting', fallback: '' },
  '\n\nYou told us: ',
  { field: 'noteLine', fallback: '' },
  '.\n\n',
  { field: 'senderName', fallback: '' },
];
const template = (over: Partial<TemplateFields> = {}) => ({
  name: `First words ${randomUUID().slice(0, 6)}`,
  texts: { en: { subject: ['About your dock'], body: BODY } },
  ...over,
});
async function kept(fields: object): Promise<string> {
  const id = randomUUID();
  expect((await manager.send('PUT', `/templates/${id}`, fields)).status).toBe(200);
  return id;
}
const step = (act: PlanFields['steps'][number]['act'], amount = 0, unit: 'hours' | 'days' = 'days') => ({
  id: randomUUID(),
  wait: { amount, unit },
  act,
});
async function plan(steps: object[], over: object = {}): Promise<string> {
  const id = randomUUID();
  const { status, body } = await manager.send('PUT', `/plans/${id}`, {
    name: `Plan ${id.slice(0, 6)}`,
    steps,
    isOn: true,
    ...over,
  });
  expect([status, body]).toEqual([200, { version: 1 }]);
  return id;
}
const courses = async (id: string) => (await rep.get<EnrolmentList>(`/people/${id}/plans`)).body.items;
const begin = async (personId: string, planId: string) =>
  (await rep.send<{ id: string }>('POST', `/people/${personId}/plans`, { planId })).body.id;

describe('a message by hand', () => {
  const message = (over: object = {}) => ({
    id: randomUUID(),
    subject: 'Your dock seal',
    body: 'Dear Nella,\n\nwhen would a visit suit?',
    purpose: { kind: 'byHand' },
    ...over,
  });

  it('goes out once under an id that was kept before, with the footer and a way to withdraw', async () => {
    const { id, mail } = await met();
    const sent = message({ to: mail });
    for (let i = 0; i < 3; i++) expect((await rep.send('POST', `/people/${id}/messages`, sent)).status).toBe(201);
    const arrived = await mailTo(mail);
    await stateOf(id, 'sent');
    expect(mailsTo(mail)).toHaveLength(1);
    expect(arrived.text).toContain('when would a visit suit?');
    expect(arrived.text).toContain('Kelder & Moss, Quay 4');
    expect(arrived.headers['list-unsubscribe-post']).toBe('List-Unsubscribe=One-Click');
    expect(arrived.html).toContain('<p>Dear Nella,</p>');
    const [row] = await owner.query<{ header_id: string }[]>('select header_id from message where id = $1', [sent.id]);
    expect(row!.header_id).toBe(arrived.messageId);
    expect((await rep.person(id)).history.map(({ action }) => action)).toContain('wroteTo');
  });

  it('is refused without consent and says why; a reply to what was asked goes, once', async () => {
    const { id, mail } = await met({ consent: false });
    const refused = await rep.send<{ code: string; detail: string }>(
      'POST',
      `/people/${id}/messages`,
      message({ to: mail }),
    );
    expect([refused.status, refused.body.code, refused.body.detail]).toEqual([
      422,
      'not-let-through',
      'Nobody noted that they agree to e-mails.',
    ]);
    const reply = (asked: string) => message({ to: mail, purpose: { kind: 'reply', asked } });
    expect((await rep.send('POST', `/people/${id}/messages`, reply('Send me your details'))).status).toBe(201);
    const arrived = await mailTo(mail);
    expect(arrived.headers['list-unsubscribe']).toBeUndefined();
    expect((await rep.send('POST', `/people/${id}/messages`, reply('send me your details'))).status).toBe(422);
    expect((await messages(id)).map(({ kind }) => kind)).toEqual(['reply']);
  });

  it('goes to no address that is not theirs', async () => {
    const { id, mail } = await met();
    for (const to of ['somebody@else.example', `${mail}, x@else.example`])
      expect((await rep.send('POST', `/people/${id}/messages`, message({ to }))).status).toBe(422);
    const odd = await met({ mail: 'a@x.example,b@y.example' });
    expect((await rep.send('POST', `/people/${odd.id}/messages`, message({ to: odd.mail }))).status).toBe(422);
  });

  it('goes to nobody on the do-not-write list, by address or domain', async () => {
    const { id, mail } = await met({ mail: `x@${randomUUID()}.example` });
    const [, domain] = mail.split('@');
    expect((await rep.send('POST', '/do-not-write', { value: domain, why: 'Asked by post' })).status).toBe(204);
    expect((await rep.send('POST', `/people/${id}/messages`, message({ to: mail }))).status).toBe(422);
    const { items } = (await rep.get<{ items: { id: string; value: string }[] }>('/do-not-write')).body;
    expect(
      (await manager.send('DELETE', `/do-not-write/${items.find(({ value }) => value === domain)!.id}`)).status,
    ).toBe(204);
    expect((await rep.send('POST', `/people/${id}/messages`, message({ to: mail }))).status).toBe(201);
  });

  it('that a server refuses for good is told, and nothing more goes to that address', async () => {
    const { id, mail } = await met({ mail: `nobody-${randomUUID()}@harrowfield.example` });
    await rep.send('POST', `/people/${id}/messages`, message({ to: mail }));
    const refused = await stateOf(id, 'refused');
    expect(refused).toMatchObject({ cameBack: true, problem: expect.stringContaining('no such mailbox') });
    const again = await rep.send<{ detail: string }>('POST', `/people/${id}/messages`, message({ to: mail }));
    expect([again.status, again.body.detail]).toEqual([422, `Mail to ${mail} comes back. Correct the address.`]);
    const today = (await rep.get<Today>('/today')).body.items;
    expect(today).toContainEqual(expect.objectContaining({ kind: 'message', person: expect.objectContaining({ id }) }));
    expect((await rep.send('PATCH', `/messages/${refused.id}`, { to: 'read' })).status).toBe(204);
    expect(
      (await rep.get<Today>('/today')).body.items.filter((one) => one.kind === 'message' && one.person.id === id),
    ).toEqual([]);
  });

  it('carries files of the team’s own and no other', async () => {
    const { id, mail } = await met();
    const file = await rep.send<{ id: string }>(
      'POST',
      '/attachments?name=../../doors.pdf',
      Buffer.from('%PDF-1.7 doors'),
    );
    expect(file.status).toBe(201);
    await rep.send(
      'POST',
      `/people/${id}/messages`,
      message({ to: mail, attachmentIds: [file.body.id], ownVcard: true }),
    );
    expect((await mailTo(mail)).attachments.map(({ name }) => name).sort()).toEqual([
      '-..-doors.pdf',
      'Ottilie-Brandt.vcf',
    ]);
    expect(
      (await rep.send('POST', `/people/${id}/messages`, message({ to: mail, attachmentIds: [randomUUID()] }))).status,
    ).toBe(422);
  });
});

describe('a template', () => {
  it('is shown for a person with their values, and says what is missing', async () => {
    const templateId = await kept(template());
    const { id, name } = await met({ note: 'leaking dock seal, wants a visit' });
    const shown = (await rep.send<Preview>('POST', `/people/${id}/preview`, { templateId })).body;
    expect(shown).toMatchObject({
      body: `Dear ${name},\n\nYou told us: leaking dock seal, wants a visit.\n\nOttilie Brandt`,
      missing: [],
      verdict: { may: true },
    });
    const silent = await met();
    expect((await rep.send<Preview>('POST', `/people/${silent.id}/preview`, { templateId })).body.missing).toEqual([
      'Note’s line',
    ]);
  });

  it('is written in the language of their country', async () => {
    const templateId = await kept(
      template({
        texts: {
          en: { subject: ['Hello'], body: ['x'] },
          de: { subject: ['Ihr Tor'], body: [{ field: 'greeting', fallback: '' }] },
        },
      }),
    );
    const { id, name } = await met({ country: 'DE' });
    expect((await rep.send<Preview>('POST', `/people/${id}/preview`, { templateId })).body).toMatchObject({
      language: 'de',
      subject: 'Ihr Tor',
      body: `Guten Tag ${name},`,
    });
  });

  it('changed by two at once keeps the first; one that a plan uses stays', async () => {
    const id = await kept(template());
    const twice = await Promise.all(
      [1, 2].map((i) => manager.send('PUT', `/templates/${id}?version=1`, template({ name: `Other ${i}` }))),
    );
    expect(twice.map(({ status }) => status).sort()).toEqual([200, 409]);
    await plan([step({ do: 'message', templateId: id })]);
    expect((await manager.send('DELETE', `/templates/${id}`)).status).toBe(409);
  });
});

describe('a plan', () => {
  it('writes with the note’s words, stops at an answer, and the answer stands in Today', async () => {
    const templateId = await kept(template());
    const planId = await plan([
      step({ do: 'message', templateId }),
      step({ do: 'call', text: 'Ring about the seal' }, 2),
      step({ do: 'message', templateId }, 14),
    ]);
    const occasion = randomUUID();
    await rep.send('PUT', `/occasions/${occasion}`, { name: 'Quayside fair', planId });
    const cardId = await rep.typedCard('Tomma Quillet\ntomma@quillet.example', occasion);
    const mail = `${randomUUID()}@quillet.example`;
    const filed = await rep.file({
      cardId,
      fields: { givenName: 'Tomma', familyName: 'Quillet', emails: [mail] },
      note: 'leaking dock seal, wants a visit',
      consent: CONSENT,
    } as never);
    const id = filed.body.personId;
    const arrived = await mailTo(mail);
    expect(arrived.text).toMatch(/^Dear Tomma Quillet,\n\nYou told us: leaking dock seal, wants a visit\./);
    expect(arrived.from).toBe('ottilie@keldermoss.example');
    await until(async () => (await courses(id))[0]?.next?.words === 'Call: Ring about the seal');
    const answer = await fetch(`http://127.0.0.1:${world.webPort}/api/messages/${arrived.id}/answer`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ text: 'Friday at ten <b>suits</b> me.' }),
    });
    expect(answer.status).toBe(200);
    const incoming = await until(async () => (await messages(id)).find(({ direction }) => direction === 'in'));
    expect(incoming).toMatchObject({
      kind: 'answer',
      text: 'Friday at ten <b>suits</b> me.',
      isRead: false,
      from: mail,
    });
    expect((await courses(id))[0]).toMatchObject({ status: 'ended', ending: 'answered', next: null });
    const asked = async () =>
      (await rep.get<Today>('/today')).body.items.find((one) => one.kind === 'answer' && one.person.id === id);
    expect(await asked()).toMatchObject({ message: { text: 'Friday at ten <b>suits</b> me.' } });
    await rep.send('PATCH', `/messages/${incoming.id}`, { to: 'read' });
    expect(await asked()).toBeUndefined();
    const figures = (await rep.get(`/occasions/${occasion}/follow-up`)).body;
    expect(figures).toEqual({ people: 1, withinDay: 1, withinWeek: 0, later: 0, never: 0, answered: 1 });
    // Whoever answers is answered in the same thread.
    const reply: object = {
      id: randomUUID(),
      to: mail,
      subject: 'Re: About your dock',
      body: 'See you then.',
      purpose: { kind: 'byHand' },
      answersId: incoming.id,
    };
    await rep.send('POST', `/people/${id}/messages`, reply);
    const last = await mailTo(mail, 1);
    expect(last.references).toContain(arrived.messageId);
  });

  it('sends nothing without consent, says why, and goes on once it is there', async () => {
    const planId = await plan([
      step({ do: 'message', templateId: await kept(template({ texts: { en: { subject: ['Hello'], body: ['x'] } } })) }),
    ]);
    const { id, mail } = await met({ consent: false });
    await begin(id, planId);
    const held = await until(async () => (await courses(id)).find((one) => one.held !== null));
    expect(held).toMatchObject({ status: 'running', held: 'Nobody noted that they agree to e-mails.' });
    expect((await rep.get<Today>('/today')).body.items).toContainEqual(
      expect.objectContaining({ kind: 'held', enrolmentId: held.id }),
    );
    expect(mailsTo(mail)).toEqual([]);
    await rep.send('POST', `/people/${id}/consents`, CONSENT);
    expect((await mailTo(mail)).subject).toBe('Hello');
    expect(await until(async () => (await courses(id)).find(({ status }) => status === 'ended'))).toMatchObject({
      ending: 'done',
    });
  });

  it('holds what cannot be filled in', async () => {
    const planId = await plan([step({ do: 'message', templateId: await kept(template()) })]);
    const { id, mail } = await met();
    await begin(id, planId);
    const held = await until(async () => (await courses(id)).find((one) => one.held !== null));
    expect(held.held).toMatch(/^Not known, and without a fallback in “First words .+”: Note’s line\.$/);
    expect(mailsTo(mail)).toEqual([]);
  });

  it.each(['page', 'one request'])(
    'ends for whoever withdraws by %s: without signing in, at once, with proof',
    async (way) => {
      const words = await kept(template({ texts: { en: { subject: ['Hello'], body: ['x'] } } }));
      const planId = await plan([
        step({ do: 'message', templateId: words }),
        step({ do: 'message', templateId: words }, 3),
      ]);
      const { id, mail } = await met();
      await begin(id, planId);
      const [, url] = /<(http[^>]+)>/.exec((await mailTo(mail)).headers['list-unsubscribe']!)!;
      expect(new URL(url!).origin).toBe(origin());
      // Programs look at what stands in a mail.
      const looked = await fetch(url!);
      expect([looked.status, await looked.text()]).toEqual([200, expect.stringContaining('No more messages')]);
      const german = await fetch(url!, { headers: { 'accept-language': 'de-AT,de;q=0.9' } });
      expect(await german.text()).toMatch(/<html lang="de">.*Keine Nachrichten mehr/s);
      expect((await rep.person(id)).consents[0]!.withdrawnAt).toBeNull();
      const body = way === 'page' ? '' : 'List-Unsubscribe=One-Click';
      for (let i = 0; i < 2; i++)
        expect(
          (
            await fetch(url!, {
              method: 'POST',
              headers: { 'content-type': 'application/x-www-form-urlencoded' },
              body,
            })
          ).status,
        ).toBe(200);
      const person = await rep.person(id);
      expect(person.consents[0]!.withdrawnAt).not.toBeNull();
      expect((await courses(id))[0]).toMatchObject({ status: 'ended', ending: 'withdrawn' });
      const proofs = person.history.filter(({ action }) => action === 'consentWithdrawn');
      expect(proofs).toHaveLength(1);
      expect(proofs[0]!.changes[1]).toMatchObject({ field: 'withdrawnBy', after: expect.stringContaining(mail) });
      expect((await fetch(`${origin()}/withdraw/${'x'.repeat(32)}`, { method: 'POST' })).status).toBe(404);
    },
  );

  it('is begun for many at once, after a look at whom it concerns, and taken back as a whole', async () => {
    const planId = await plan([step({ do: 'task', text: 'Ask about the dock' }, 5)]);
    const [one, other, inIt] = [await met(), await met(), await met()];
    await begin(inIt.id, planId);
    const ids = [one.id, other.id, inIt.id];
    const change = (what: object, preview = false) => rep.send<ChangePreview & PeopleChangeState>('POST', '/people/changes', { who: { ids }, what, preview }); // prettier-ignore
    expect((await change({ planId }, true)).body).toMatchObject({ total: 3, changed: 2, same: 1, left: [] });
    const { body } = await change({ planId });
    expect(body).toMatchObject({ state: 'done', changed: 2, plan: expect.stringContaining(planId.slice(0, 6)) });
    for (const { id } of [one, other]) {
      expect(await until(async () => (await courses(id))[0])).toMatchObject({
        status: 'running',
        plan: { id: planId },
      });
      const acts = (await rep.person(id)).history.map(({ action }) => action);
      expect(acts.filter((action) => action !== 'consentGiven' && action !== 'filed')).toEqual(['planStarted']);
    }
    expect((await change({ planId }, true)).body).toMatchObject({ changed: 0, same: 3 });
    expect((await rep.send('POST', `/people/changes/${body.id}/undo`)).status).toBe(200);
    await until(async () => (await courses(one.id))[0]!.status === 'ended' && (await courses(other.id))[0]!.status === 'ended'); // prettier-ignore
    expect((await courses(inIt.id)).map(({ status }) => status)).toEqual(['running']);
    // One that is off takes nobody; one of another team is not here.
    expect((await change({ planId: await plan([step({ do: 'task', text: 'x' })], { isOn: false }) })).status).toBe(409);
    expect((await change({ planId: randomUUID() }, true)).status).toBe(404);
    // Nor does one take a step to where nothing is.
    const nowhere = { name: 'On', steps: [step({ do: 'handOver', destinationId: randomUUID() })] };
    expect((await manager.send('PUT', `/plans/${randomUUID()}`, nowhere)).status).toBe(422);
    // Plans write to people: whoever may not, begins none.
    const assistant = await Client.signedIn('pim@keldermoss.example');
    expect((await assistant.send('POST', '/people/changes', { who: { ids }, what: { planId } })).status).toBe(403);
  });

  it('ends for whoever withdraws by word of mouth, before its next message', async () => {
    const planId = await plan([step({ do: 'task', text: 'x' }, 5)]);
    const { id } = await met();
    await begin(id, planId);
    await rep.send('POST', `/consents/${(await rep.person(id)).consents[0]!.id}/withdraw`);
    expect(await until(async () => (await courses(id)).find(({ status }) => status === 'ended'))).toMatchObject({ ending: 'withdrawn' }); // prettier-ignore
  });

  it('ends for whoever mail comes back from, and not for whoever is away', async () => {
    const words = await kept(template({ texts: { en: { subject: ['Hello'], body: ['x'] } } }));
    const planId = await plan([
      step({ do: 'message', templateId: words }),
      step({ do: 'task', text: 'Look again' }, 3),
    ]);
    const [away, gone] = [await met(), await met()];
    for (const { id } of [away, gone]) await begin(id, planId);
    const does = async ({ mail }: { mail: string }, what: string) =>
      fetch(`http://127.0.0.1:${world.webPort}/api/messages/${(await mailTo(mail)).id}/${what}`, { method: 'POST' });
    expect((await does(away, 'out-of-office')).status).toBe(200);
    expect((await does(gone, 'bounce')).status).toBe(200);
    await until(async () => (await messages(away.id)).some(({ kind }) => kind === 'outOfOffice'));
    expect((await courses(away.id))[0]!.status).toBe('running');
    expect(await until(async () => (await courses(gone.id)).find(({ status }) => status === 'ended'))).toMatchObject({
      ending: 'bounced',
    });
    expect((await messages(gone.id)).find(({ direction }) => direction === 'out')).toMatchObject({ cameBack: true });
  });

  it('is paused, goes on, is stopped, and passes over a step', async () => {
    const planId = await plan([step({ do: 'task', text: 'First' }, 5), step({ do: 'task', text: 'Second' }, 5)]);
    const { id } = await met();
    const course = await begin(id, planId);
    const move = async (to: string) => {
      expect((await rep.send('PATCH', `/enrolments/${course}`, { to })).status).toBe(204);
      return (await courses(id))[0];
    };
    expect(await move('pause')).toMatchObject({ status: 'paused' });
    expect(await move('resume')).toMatchObject({ status: 'running' });
    expect(await move('skip')).toMatchObject({ next: { words: 'Task: Second' } });
    await move('now');
    await until(async () => (await courses(id))[0]!.status === 'ended');
    expect((await rep.get<TaskPage>(`/tasks?personId=${id}`)).body.items.map(({ text }) => text)).toEqual(['Second']);
    expect((await rep.send('PATCH', `/enrolments/${course}`, { to: 'stop' })).status).toBe(409);
  });

  it('changed while somebody is in it keeps them on theirs until they are moved', async () => {
    const first = step({ do: 'task', text: 'First' }, 5);
    const planId = await plan([first]);
    const { id } = await met();
    const course = await begin(id, planId);
    const changed = { name: 'Changed', isOn: true, steps: [{ ...first, act: { do: 'task', text: 'Other' } }] };
    expect((await manager.send('PUT', `/plans/${planId}?version=1`, changed)).body).toEqual({ version: 2 });
    expect((await courses(id))[0]).toMatchObject({ version: 1, next: { words: 'Task: First' } });
    await rep.send('PATCH', `/enrolments/${course}`, { to: 'newVersion' });
    expect((await courses(id))[0]).toMatchObject({ version: 2, next: { words: 'Task: Other' } });
    expect((await manager.send('DELETE', `/plans/${planId}`)).status).toBe(409);
  });

  it('begins for whoever gets its tag from then on, once', async () => {
    const tag = `tag ${randomUUID().slice(0, 8)}`;
    const before = await met();
    const edit = async (id: string, tags: string[]) => {
      const { version, fields, kind } = await rep.person(id);
      expect((await rep.send('PUT', `/people/${id}`, { version, fields, kind, tags, rating: null })).status).toBe(204);
    };
    await edit(before.id, [tag]);
    const planId = await plan([step({ do: 'task', text: 'x' }, 9)], { startTag: tag });
    const [tagged, filed] = [await met(), await rep.filed({ familyName: 'Tagged', emails: [`${randomUUID()}@quay.example`] }, { tags: [tag] })]; // prettier-ignore
    await edit(tagged.id, [tag]);
    for (const id of [tagged.id, filed]) {
      const [course] = await until(async () => ((found) => found.length > 0 && found)(await courses(id)));
      expect(course!.plan.id).toBe(planId);
      expect((await rep.send('PATCH', `/enrolments/${course!.id}`, { to: 'stop' })).status).toBe(204);
    }
    // Whoever had it before stays out, also when something else of theirs is changed.
    await edit(before.id, [tag, 'another']);
    const last = await rep.filed(
      { familyName: 'Tagged too', emails: [`${randomUUID()}@quay.example`] },
      { tags: [tag] },
    );
    await until(async () => (await courses(last)).length > 0);
    expect([await courses(before.id), (await courses(tagged.id)).length]).toEqual([[], 1]);
  });

  it('changes tags and kind, which lists know at once, and goes on with others where one goes wrong', async () => {
    const tag = `tag ${randomUUID().slice(0, 8)}`;
    const templateId = await kept(template());
    const planId = await plan([step({ do: 'message', templateId }, 9)]);
    const lost = await met({ note: 'x' });
    const course = await begin(lost.id, planId);
    // The plan goes on without its template; who is in it is still on the version that has it.
    await manager.send('PUT', `/plans/${planId}?version=1`, { name: 'Without', isOn: true, steps: [step({ do: 'task', text: 'x' })] }); // prettier-ignore
    expect((await manager.send('DELETE', `/templates/${templateId}`)).status).toBe(204);
    await rep.send('PATCH', `/enrolments/${course}`, { to: 'now' });
    const { id } = await met();
    await begin(id, await plan([step({ do: 'tags', add: [tag], remove: [] }), step({ do: 'kind', kind: 'lead' })]));
    await until(async () => (await courses(id))[0]?.status === 'ended');
    const listed = await rep.get<{ items: { id: string; kind: string }[] }>(`/people?tag=${encodeURIComponent(tag)}`);
    expect(listed.body.items).toMatchObject([{ id, kind: 'lead' }]);
    expect(await until(async () => (await courses(lost.id)).find(({ held }) => held))).toMatchObject({ held: expect.stringContaining('Its template is gone') }); // prettier-ignore
  });

  it('takes nobody while it is off, and nobody twice', async () => {
    const planId = await plan([step({ do: 'task', text: 'x' }, 5)], { isOn: false });
    const { id } = await met();
    const tried = () => rep.send<{ code: string }>('POST', `/people/${id}/plans`, { planId });
    expect((await tried()).body.code).toBe('plan-off');
    await manager.send('PUT', `/plans/${planId}?version=1`, {
      name: 'On',
      isOn: true,
      steps: [step({ do: 'task', text: 'x' }, 5)],
    });
    const answers = await Promise.all([tried(), tried(), tried()]);
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409, 409]);
    expect(await courses(id)).toHaveLength(1);
  });

  it('of people who become one goes on once', async () => {
    const planId = await plan([step({ do: 'task', text: 'x' }, 5)]);
    const mail = `${randomUUID()}@harrowfield.example`;
    const [one, other] = [await met({ mail }), await met({ mail })];
    for (const { id } of [one, other]) await begin(id, planId);
    const merged = await rep.send('POST', '/merges', {
      into: { id: one.id, version: (await rep.person(one.id)).version },
      others: [{ id: other.id, version: (await rep.person(other.id)).version }],
    });
    expect(merged.status).toBe(201);
    expect((await courses(one.id)).map(({ status, ending }) => [status, ending]).sort()).toEqual([
      ['ended', 'merged'],
      ['running', null],
    ]);
  });

  it('is gone through beforehand, with what would hold it', async () => {
    const words = await kept(template());
    const planId = await plan([step({ do: 'message', templateId: words }), step({ do: 'call', text: 'Ring' }, 2)]);
    const { id } = await met({ consent: false });
    const shown = (await rep.send<Rehearsal>('POST', `/plans/${planId}/rehearsal`, { personId: id })).body;
    expect(shown.steps.map(({ held }) => held)).toEqual(['Nobody noted that they agree to e-mails.', null]);
    expect(Date.parse(shown.steps[1]!.at) - Date.parse(shown.steps[0]!.at)).toBeGreaterThan(47 * 3_600_000);
    expect(await courses(id)).toEqual([]);
  });

  it('that goes in circles or is never asked is refused', async () => {
    const first = step({ do: 'task', text: 'x' });
    const put = (steps: object[], stopsAt: string[]) =>
      manager.send<{ detail: string }>('PUT', `/plans/${randomUUID()}`, { name: 'Odd', steps, stopsAt });
    expect((await put([first, step({ do: 'branch', when: 'answered', goTo: first.id })], [])).body.detail).toBe(
      'A plan only goes forwards. Choose a later step.',
    );
    expect((await put([step({ do: 'branch', when: 'answered', goTo: 'end' })], ['answered'])).status).toBe(400);
    expect((await rep.send('PUT', `/plans/${randomUUID()}`, { name: 'Mine', steps: [first] })).status).toBe(403);
  });
});

describe('tasks', () => {
  it('are made, put off, given to a colleague, done and opened again', async () => {
    const { id } = await met();
    const taskId = randomUUID();
    const task = { id: taskId, text: 'Ring about the seal', dueOn: '2026-11-20', dueTime: '10:00', personId: id };
    for (let i = 0; i < 2; i++) expect((await rep.send('POST', '/tasks', task)).status).toBe(201);
    const mine = async () => (await rep.get<TaskPage>(`/tasks?personId=${id}`)).body.items;
    expect(await mine()).toMatchObject([
      { text: 'Ring about the seal', dueOn: '2026-11-20', dueTime: '10:00', person: { id } },
    ]);
    const today = (await rep.get<Today>('/today?day=2026-11-30')).body.items;
    expect(today).toContainEqual(
      expect.objectContaining({ kind: 'task', isLate: true, task: expect.objectContaining({ id: taskId }) }),
    );
    expect(
      (await rep.send('PATCH', `/tasks/${taskId}`, { dueOn: '2026-12-24', dueTime: null, version: 1 })).status,
    ).toBe(200);
    expect((await rep.send('PATCH', `/tasks/${taskId}`, { text: 'Late', version: 1 })).status).toBe(409);
    expect((await rep.send('PATCH', `/tasks/${taskId}`, { dueOn: null, dueTime: '10:00' })).status).toBe(400);
    const { items } = (await rep.get<{ items: { id: string; name: string }[] }>('/team')).body;
    const idris = items.find(({ name }) => name === 'Idris Falconer')!;
    await rep.send('PATCH', `/tasks/${taskId}`, { ownerId: idris.id });
    expect(await mine()).toEqual([]);
    const done = () => rep.send('POST', `/tasks/${taskId}/done`, {});
    expect([(await done()).status, (await done()).status]).toEqual([204, 204]);
    expect((await rep.person(id)).history.filter(({ action }) => action === 'stepDone')).toHaveLength(1);
    await rep.send('POST', `/tasks/${taskId}/reopen`);
    expect((await rep.get<TaskPage>(`/tasks?whose=team&personId=${id}`)).body.items).toHaveLength(1);
  });

  it('that repeat are there again for their next day', async () => {
    const { id } = await met();
    await rep.send('POST', '/tasks', { text: 'Look in', dueOn: '2026-11-30', repeat: 'weekly', personId: id });
    const mine = async () => (await rep.get<TaskPage>(`/tasks?personId=${id}`)).body.items;
    await rep.send('POST', `/tasks/${(await mine())[0]!.id}/done`, { today: '2026-11-30' });
    expect(await mine()).toMatchObject([{ dueOn: '2026-12-07', repeat: 'weekly' }]);
  });

  it('come a page at a time, in the order of their days', async () => {
    const { id } = await met();
    for (const dueOn of ['2026-12-03', null, '2026-12-01', '2026-12-02', null])
      await rep.send('POST', '/tasks', { text: `Due ${dueOn}`, dueOn, personId: id });
    const found: string[] = [];
    for (let cursor = ''; ;) {
      const { body } = await rep.get<TaskPage>(`/tasks?personId=${id}&limit=2${cursor && `&cursor=${cursor}`}`);
      found.push(...body.items.map(({ text }) => text));
      if (!body.next) break;
      cursor = body.next;
    }
    expect(found).toEqual(['Due 2026-12-01', 'Due 2026-12-02', 'Due 2026-12-03', 'Due null', 'Due null']);
  });

  it('go into calendars under a private address that can be ended', async () => {
    const { id, name } = await met();
    await rep.send('POST', '/tasks', { text: 'Visit, "dock"; 2', dueOn: '2026-12-09', dueTime: '09:30', personId: id });
    const { path } = (await rep.send<{ path: string }>('POST', '/calendar-feed')).body;
    const feed = await fetch(origin() + path);
    expect(feed.headers.get('content-type')).toContain('text/calendar');
    const events = new ICAL.Component(ICAL.parse(await feed.text()))
      .getAllSubcomponents('vevent')
      .map((one) => new ICAL.Event(one));
    const own = events.find(({ summary }) => summary.includes(name))!;
    expect([own.summary, own.startDate.toString()]).toEqual([`Visit, "dock"; 2 (${name})`, '2026-12-09T09:30:00']);
    expect((await rep.get<{ seenAt: string | null }>('/calendar-feed')).body.seenAt).not.toBeNull();
    await rep.send('DELETE', '/calendar-feed');
    expect((await fetch(origin() + path)).status).toBe(404);
  });
});

describe('the day by mail', () => {
  it('comes once, to whoever wants it, with what needs them', async () => {
    const { id, name } = await met();
    await rep.send('POST', '/tasks', { text: 'Ring about the morning', dueOn: '2026-11-20', personId: id });
    expect((await rep.send('PUT', '/morning', { at: '00:00', timeZone: 'Nowhere/Land' })).status).toBe(400);
    expect((await rep.send('PUT', '/morning', { at: '00:00', timeZone: 'Europe/London' })).status).toBe(204);
    const arrived = await until(() => Promise.resolve(mailsTo('ottilie@keldermoss.example').find(({ subject }) => subject === 'Your day'))); // prettier-ignore
    expect(arrived.text).toContain(`Late: Ring about the morning, ${name}`);
    // Later on that day it does not come again, and on the next it does.
    const serving = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
    const at = (now: Date) => sendMornings({ database: serving, sealing: sealingWith(undefined), allowed: 'all', logger: createLogger('silent', 'tests'), now: () => now }); // prettier-ignore
    const days = () => mailsTo('ottilie@keldermoss.example').filter(({ subject }) => subject === 'Your day').length;
    await at(new Date());
    expect(days()).toBe(1);
    await at(new Date(Date.now() + 25 * 3_600_000));
    expect(days()).toBe(2);
    await serving.destroy();
    await rep.send('PUT', '/morning', { at: null, timeZone: 'Europe/London' });
    expect((await rep.get('/morning')).body).toMatchObject({ at: null });
  });
});

describe('letters', () => {
  it('are printed for whoever agreed to them, and posted by doing the task', async () => {
    const templateId = await kept(
      template({
        kind: 'letter',
        texts: { en: { subject: ['Your dock'], body: [{ field: 'greeting', fallback: '' }, '\n\nŁódź ćżę'] } },
      }),
    );
    const planId = await plan([step({ do: 'letter', templateId })]);
    const address = { street: '9 Quay Road', postalCode: 'PE4 7QX', locality: 'Port Ellery' };
    const { id } = await met({ consent: false, ...address });
    await rep.send('POST', `/people/${id}/consents`, { ...CONSENT, channels: ['post'] });
    await begin(id, planId);
    const task = await until(async () =>
      (await rep.get<TaskPage>(`/tasks?personId=${id}`)).body.items.find(({ kind }) => kind === 'letter'),
    );
    const pdf = await rep.get<string>(`/letters?tasks=${task.id}`);
    expect([pdf.status, pdf.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    await rep.send('POST', `/tasks/${task.id}/done`, {});
    expect((await messages(id))[0]).toMatchObject({ state: 'sent', subject: 'Your dock' });
    const { consents } = await rep.person(id);
    await rep.send('POST', `/consents/${consents[0]!.id}/withdraw`);
    expect((await rep.get(`/letters?tasks=${task.id}`)).status).toBe(404);
  });
});

describe('mail settings', () => {
  it('tell no password, keep it, and ask for it anew before it would go elsewhere', async () => {
    const { outPassword: none, ...own } = settings();
    const out = { ...own.out, user: 'dossier' };
    expect((await manager.send('PUT', '/mail', { ...own, out, outPassword: 'harbour-lamp-9' })).status).toBe(204);
    const { body } = await manager.get<object>('/mail');
    expect(body).toMatchObject({ hasOutPassword: true });
    expect(JSON.stringify(body)).not.toContain('harbour-lamp-9');
    expect((await manager.send('PUT', '/mail', { ...own, out })).status).toBe(204);
    expect((await manager.get<{ hasOutPassword: boolean }>('/mail')).body.hasOutPassword).toBe(true);
    expect((await manager.send('PUT', '/mail', { ...own, out: { ...out, host: 'mail.other.example' } })).status).toBe(
      422,
    );
    expect((await manager.send('PUT', '/mail', { ...own, outPassword: none })).status).toBe(204);
    expect((await rep.get('/mail')).status).toBe(403);
  });

  it('try only colleagues, and say in words what came of it', async () => {
    expect((await manager.send('POST', '/mail/try', { to: 'somebody@else.example' })).body).toMatchObject({
      ok: false,
    });
    expect((await manager.send('POST', '/mail/try', { to: 'ottilie@keldermoss.example' })).body).toMatchObject({
      ok: true,
    });
    const subjects = () => mailsTo('ottilie@keldermoss.example').map(({ subject }) => subject);
    await until(() => Promise.resolve(subjects().includes('A try from Dossier')));
  });
});

describe('what cannot go at once', () => {
  const write = async () => {
    const { id, mail } = await met();
    const message = { id: randomUUID(), to: mail, subject: 'Hello', body: 'x', purpose: { kind: 'byHand' } };
    expect((await rep.send('POST', `/people/${id}/messages`, message)).status).toBe(201);
    return { id, mail };
  };

  it('waits for its turn, and goes then', async () => {
    await manager.send('PUT', '/mail', { ...settings(), perMinute: 60 });
    const written = [await write(), await write(), await write(), await write()];
    for (const { mail } of written) await mailTo(mail);
    for (const { id, mail } of written) expect([mailsTo(mail).length, (await stateOf(id, 'sent')).problem]).toEqual([1, null]); // prettier-ignore
    await manager.send('PUT', '/mail', settings());
  });

  it('waits for a server that is away, says so, and goes when it is back', async () => {
    const own = settings();
    const away = { ...own, out: { ...own.out, port: await freePort() } };
    expect((await manager.send('PUT', '/mail', away)).status).toBe(204);
    const written = [await write(), await write()];
    await until(async () => (await manager.get<{ outTrouble: string | null }>('/mail')).body.outTrouble);
    for (const { id } of written) expect((await messages(id))[0]!.state).toBe('waiting');
    await manager.send('PUT', '/mail', own);
    for (const { mail } of written) await mailTo(mail);
    const { body } = await manager.get<{ outTrouble: string | null; waiting: number }>('/mail');
    expect(body.outTrouble).toBeNull();
  });

  it('is uncertain where the line breaks at its end, and goes again only when somebody says so', async () => {
    mishap = 'lostBefore';
    const { id, mail } = await write();
    const uncertain = await stateOf(id, 'uncertain');
    const other = await write();
    const arrived = await stateOf(other.id, 'uncertain');
    mishap = 'none';
    const waits = async () => (await rep.get<Today>('/today')).body.items.filter((one) => one.kind === 'message' && one.message.state === 'uncertain' && [id, other.id].includes(one.person.id)).length; // prettier-ignore
    expect([mailsTo(mail).length, await waits()]).toEqual([0, 2]);
    expect((await rep.send('PATCH', `/messages/${uncertain.id}`, { to: 'again' })).status).toBe(204);
    await mailTo(mail);
    await stateOf(id, 'sent');
    expect((await rep.send('PATCH', `/messages/${arrived.id}`, { to: 'arrived' })).status).toBe(204);
    expect((await rep.send('PATCH', `/messages/${arrived.id}`, { to: 'again' })).status).toBe(409);
    expect([await waits(), mailsTo(mail).length, mailsTo(other.mail).length]).toEqual([0, 1, 0]);
  });

  it('is tried again where the server says: not now', async () => {
    mishap = 'later';
    const { id, mail } = await write();
    expect(await until(async () => (await messages(id)).find(({ problem }) => problem?.includes('Not now')))).toMatchObject({ state: 'waiting' }); // prettier-ignore
    mishap = 'none';
    await mailTo(mail);
  });

  it('is not sent any more once somebody says so', async () => {
    await manager.send('PUT', '/mail', { ...settings(), out: null });
    const { id, mail } = await write();
    const waiting = await until(async () => (await messages(id)).find(({ problem }) => problem !== null));
    expect(waiting).toMatchObject({ state: 'waiting', problem: 'No mail server is set yet.' });
    expect((await rep.send('PATCH', `/messages/${waiting.id}`, { to: 'dropped' })).status).toBe(204);
    await manager.send('PUT', '/mail', settings());
    await mailTo((await write()).mail);
    expect([mailsTo(mail), (await messages(id))[0]!.state]).toEqual([[], 'refused']);
  });
});

describe('mail that comes in', () => {
  it('from somebody known is kept once, from anybody else left alone, and nothing in it runs', async () => {
    const nodemailer = await import('nodemailer');
    const transport = nodemailer.createTransport({
      host: '127.0.0.1',
      port: Number(process.env.DOSSIER_TEST_MAIL_PORT),
      ignoreTLS: true,
    });
    const { id, mail } = await met();
    const incoming = {
      from: mail,
      to: 'ottilie@keldermoss.example',
      subject: 'A question',
      messageId: `<${randomUUID()}@harrowfield.example>`,
      html: '<p onclick="x()">Do you <script>alert(1)</script>ship?</p><img src="https://spy.example/1.png">',
      attachments: [{ filename: '../plan.txt', content: 'x' }],
    };
    for (let i = 0; i < 2; i++) await transport.sendMail(incoming);
    await transport.sendMail({ ...incoming, from: 'stranger@nowhere.example', messageId: '<other@nowhere.example>' });
    const [message, ...others] = await until(async () => ((found) => found.length > 0 && found)(await messages(id)));
    expect(others).toEqual([]);
    expect(message).toMatchObject({ kind: 'answer', subject: 'A question', attachments: [{ name: '-plan.txt' }] });
    const [{ html }] = await owner.query('select html from message where id = $1', [message!.id]);
    expect(html).toBe('<p>Do you ship?</p>');
    const file = await rep.get<string>(`/attachments/${message!.attachments[0]!.id}`);
    expect(file.headers.get('content-disposition')).toContain('attachment');
    await expect(transport.sendMail({ ...incoming, to: 'unknown@nowhere.example' })).rejects.toThrow(/550/);
    // Who is erased takes along what they wrote.
    expect((await manager.send('POST', `/people/${id}/erase`)).status).toBe(204);
    expect(await owner.query('select 1 from message where person_id = $1', [id])).toEqual([]);
    expect(await owner.query(`select 1 from attachment where person_id = $1`, [id])).toEqual([]);
  });
});
