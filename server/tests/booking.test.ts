import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { BookingStanding, MessageList, OwnCard, TaskPage } from '@dossier/contract';
import { emptyPersonFields } from '@dossier/core/people';
import { startMailWorld, type MailWorld } from '@dossier/simulators/mail';
import { Client } from './client';
import { until } from './services';
import { Visitor } from './visitor';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let world: MailWorld;
let calendar: Server;
let visitor: Visitor;
/** What the other calendar says. */
let ics = '';
const ALWAYS = Array.from({ length: 7 }, () => [{ from: '08:00', to: '18:00' }]);
const RULES = { isOn: true, minutes: 30, bufferMinutes: 0, noticeHours: 0, daysAhead: 10, timeZone: 'Europe/London', hours: ALWAYS, holidays: false, place: 'By phone' }; // prettier-ignore

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  world = await startMailWorld({});
  calendar = createServer((_, response) => response.end(ics)).listen(0, '127.0.0.1');
  const out = { host: '127.0.0.1', port: world.smtpPort, security: 'none', user: '' };
  const senders = [{ address: 'ottilie@keldermoss.example', name: 'Ottilie Brandt', accountId: null }];
  await manager.send('PUT', '/mail', { out, outPassword: null, incoming: null, senders, perMinute: 600, quietFrom: '00:00', quietTo: '00:00', onDaysOff: true, footer: '' }); // prettier-ignore
  expect((await rep.send('PUT', '/booking', RULES)).status).toBe(204);
  const { path } = (await rep.send<OwnCard>('POST', '/own-card/page')).body.page!;
  visitor = new Visitor(path);
});
afterAll(async () => {
  for (const { id } of (await standing()).coming) await rep.send('DELETE', `/bookings/${id}`);
  await rep.send('PUT', '/booking', { ...RULES, isOn: false, busyUrl: '' });
  await rep.send('DELETE', '/own-card/page');
  await manager.send('PUT', '/mail', { out: null, incoming: null, senders: [] });
  await world.stop();
  calendar.close();
});

const standing = async () => (await rep.get<BookingStanding>('/booking')).body;
const times = () => `${visitor.path}/times`;
const who = (over: Record<string, string> = {}) => ({ givenName: 'Tove', familyName: 'Harrow', email: `${randomUUID()}@harrow.example`, zone: 'Europe/Oslo', ...over }); // prettier-ignore
/** Books as a browser would. */
const book = async (start: string, over: Record<string, string> = {}) => visitor.send({ ...who(over), start, form: await visitor.form() }, times()); // prettier-ignore
const invitationIn = ({ attachments }: { attachments: { type: string; text?: string }[] }) => attachments.find(({ type }) => type === 'text/calendar')!.text!; // prettier-ignore
const mailsTo = (to: string) => world.mailbox.mails.filter((mail) => mail.to === to);

describe('times that others may book', () => {
  it('are there only while it is on and there is a page', async () => {
    const shown = await visitor.look({}, `${times()}?zone=Europe/Oslo`);
    expect(shown.status).toBe(200);
    expect(shown.text).not.toMatch(/<script/);
    await rep.send('PUT', '/booking', { ...RULES, isOn: false });
    expect((await visitor.look({}, times())).status).toBe(404);
    expect((await visitor.look()).text).not.toContain('/times');
    await rep.send('PUT', '/booking', RULES);
    expect((await visitor.look()).text).toContain('/times');
  });

  it('asks the browser only where it is, with the one script that its policy names', async () => {
    const { text, headers } = await visitor.look({}, times());
    expect(text).toMatch(/<script>location\.replace/);
    expect(headers.get('content-security-policy')).toMatch(/script-src 'sha256-[^']+'; style-src/);
  });

  it('keep free of another calendar, and of what cannot be read nothing is lost', async () => {
    const [first] = (await standing()).free;
    const stamp = (text: string) => `${text.replace(/[-:]|\.\d+/g, '')}`;
    ics = `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:${stamp(first!)}\r\nDURATION:PT3H\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;
    const busyUrl = `http://127.0.0.1:${(calendar.address() as AddressInfo).port}/secret-address.ics`;
    expect((await rep.send('PUT', '/booking', { ...RULES, busyUrl })).status).toBe(204);
    const seen = await standing();
    expect(seen.busy).toMatchObject({ problem: null, host: expect.stringContaining('127.0.0.1') });
    expect(JSON.stringify(seen)).not.toContain('secret-address');
    expect(Date.parse(seen.free[0]!) - Date.parse(first!)).toBeGreaterThanOrEqual(3 * 60 * 60_000);
    ics = 'nothing of the kind';
    await rep.send('PUT', '/booking', { ...RULES, busyUrl });
    expect((await standing()).busy!.problem).toBe('There is no calendar in this.');
    await rep.send('PUT', '/booking', { ...RULES, busyUrl: '' });
    expect((await standing()).busy).toBeNull();
  });

  it('are refused where they make no sense', async () => {
    const wrong = { ...RULES, hours: ALWAYS.map(() => [{ from: '12:00', to: '09:00' }]) };
    expect((await rep.send('PUT', '/booking', wrong)).status).toBe(400);
    expect((await rep.send('PUT', '/booking', { ...RULES, timeZone: 'Nowhere/Land' })).status).toBe(400);
    expect((await rep.send('PUT', '/booking', { ...RULES, busyUrl: 'file:///etc/passwd' })).status).toBe(400);
  });
});

describe('a talk', () => {
  it('is booked by one of many at the same moment; the others are offered what is free', async () => {
    const start = (await standing()).free[3]!;
    const answers = await Promise.all(Array.from({ length: 6 }, () => book(start)));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409, 409, 409]);
    const { text } = answers.find(({ status }) => status === 409)!;
    expect(text).toContain('This time was taken a moment ago');
    expect(text).toMatch(/type="radio" name="start"/);
    expect((await standing()).coming.filter(({ startsAt }) => startsAt === start)).toHaveLength(1);
  });

  it('is booked once, however often its form is sent', async () => {
    const start = (await standing()).free[2]!;
    const sent = { ...who(), start, form: await visitor.form() };
    const answers = [await visitor.send(sent, times()), await visitor.send(sent, times())];
    expect(answers.map(({ status }) => status)).toEqual([200, 200]);
    await until(() => Promise.resolve(mailsTo(sent.email).length > 0));
    expect((await standing()).coming.filter(({ email }) => email === sent.email)).toHaveLength(1);
  });

  it('is booked only at times that are offered, and with an address to confirm it', async () => {
    expect((await book(new Date(Date.now() + 90 * 24 * 3600_000).toISOString())).status).toBe(409);
    expect((await book((await standing()).free[0]!, { email: '', phone: '01632 960222' })).status).toBe(422);
    expect((await book((await standing()).free[0]!, { site: 'https://robot.example' })).status).toBe(422);
  });

  it('makes a task and a confirmation for somebody known, is moved and called off by its link', async () => {
    const email = `${randomUUID()}@harrow.example`;
    const personId = await rep.filed({ givenName: 'Tove', familyName: `H${randomUUID().slice(0, 6)}`, emails: [email] }); // prettier-ignore
    const [first, , , , later] = (await standing()).free;
    await book(first!, { email });
    const mail = await until(() => Promise.resolve(mailsTo(email)[0]));
    expect(invitationIn(mail)).toContain('METHOD:REQUEST');
    const tasks = async () => (await rep.get<TaskPage>(`/tasks?personId=${personId}`)).body.items;
    expect(await tasks()).toMatchObject([{ text: 'Talk with Tove Harrow' }]);
    const talk = /\/talk\/[\w-]+/.exec(mail.text)![0];
    expect((await visitor.send({ start: later!, zone: 'Europe/Oslo' }, talk)).status).toBe(200);
    const moved = await until(() => Promise.resolve(mailsTo(email)[1]));
    expect(invitationIn(moved)).toContain('SEQUENCE:1');
    expect((await standing()).coming.find((one) => one.email === email)).toMatchObject({ startsAt: later });
    expect((await visitor.send({ off: 'yes' }, talk)).text).toContain('called off');
    const off = await until(() => Promise.resolve(mailsTo(email)[2]));
    expect(invitationIn(off)).toContain('METHOD:CANCEL');
    expect(await tasks()).toEqual([]);
    expect((await visitor.look({}, talk)).text).toContain('Nothing is booked any more.');
    expect((await standing()).free).toContain(later);
    const actions = (await rep.person(personId)).history.map(({ action }) => action);
    expect(actions).toEqual(expect.arrayContaining(['booked', 'bookingMoved', 'bookingCalledOff']));
    expect((await rep.get<MessageList>(`/people/${personId}/messages`)).body.items).toHaveLength(3);
  });

  it('of somebody unknown lies in the tray; filed, all of it is theirs', async () => {
    const email = `${randomUUID()}@unknown.example`;
    await book((await standing()).free[0]!, { email, familyName: 'Unknown' });
    const mail = await until(() => Promise.resolve(mailsTo(email)[0]));
    const booking = (await standing()).coming.find((one) => one.email === email)!;
    expect(booking.person).toBeNull();
    const { personId } = (await rep.file({ cardId: booking.cardId!, fields: fieldsOf(email) })).body;
    const messages = (await rep.get<MessageList>(`/people/${personId}/messages`)).body.items;
    expect(messages).toMatchObject([{ to: email, subject: mail.subject }]);
    expect((await rep.get<TaskPage>(`/tasks?personId=${personId}`)).body.items).toHaveLength(1);
    expect((await standing()).coming.find((one) => one.email === email)!.person).toMatchObject({ id: personId });
  });
  const fieldsOf = (email: string) => ({ ...emptyPersonFields(), givenName: 'Tove', familyName: 'Unknown', emails: [email] }); // prettier-ignore

  it('is not seen by colleagues of another, and called off by its own', async () => {
    await book((await standing()).free[0]!);
    const [coming] = (await standing()).coming;
    const idris = await Client.signedIn('idris@keldermoss.example');
    expect((await idris.get<BookingStanding>('/booking')).body.coming).toEqual([]);
    expect((await idris.send('DELETE', `/bookings/${coming!.id}`)).status).toBe(404);
    expect((await rep.send('DELETE', `/bookings/${coming!.id}`)).status).toBe(204);
    const off = await until(() => Promise.resolve(mailsTo(coming!.email).find(({ subject }) => subject.startsWith('Called off')))); // prettier-ignore
    expect(off.text).toContain('is called off');
    expect(invitationIn(off)).toContain('LOCATION:By phone');
  });
});
