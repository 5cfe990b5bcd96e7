import { randomUUID } from 'node:crypto';
import type { MessageList, OwnCard } from '@dossier/contract';
import { emptyPersonFields } from '@dossier/core/people';
import ICAL from 'ical.js';
import { startMailWorld, type MailWorld } from '@dossier/simulators/mail';
import { Client, demoPhoto } from './client';
import { Visitor } from './visitor';
import { until } from './services';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let world: MailWorld;
const DETAILS = {
  givenName: 'Ottilie',
  familyName: 'Brandt',
  title: 'Sales representative',
  company: 'Kelder & Moss',
  emails: ['ottilie@keldermoss.example'],
  phones: [{ value: '+441632960204', kind: 'work', extension: '' }],
  websites: ['keldermoss.example'],
};
const CARD = { details: DETAILS, greeting: 'Doors that close by themselves.', scope: 'offers for cold-store doors' };

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  world = await startMailWorld({});
});
afterAll(async () => {
  await rep.send('DELETE', '/own-card/page');
  await manager.send('PUT', '/mail', { out: null, incoming: null, senders: [] });
  await world.stop();
});

const card = async () => (await rep.get<OwnCard>('/own-card')).body;
const page = async () => (await rep.send<OwnCard>('POST', '/own-card/page')).body.page!;

describe('one’s own card', () => {
  it('begins with what is known, and says what was written', async () => {
    const other = await Client.signedIn('idris@keldermoss.example');
    const begun = (await other.get<OwnCard>('/own-card')).body;
    expect(begun).toMatchObject({ isWritten: false, details: { givenName: 'Idris', familyName: 'Falconer', emails: ['idris@keldermoss.example'] } }); // prettier-ignore
    expect((await rep.send('PUT', '/own-card', CARD)).status).toBe(204);
    expect(await card()).toMatchObject({ isWritten: true, greeting: CARD.greeting, details: { title: DETAILS.title } });
    const nameless = { ...CARD, details: { ...DETAILS, givenName: '', familyName: ' ' } };
    expect((await rep.send('PUT', '/own-card', nameless)).status).toBe(400);
  });

  it('has a small picture, and nothing that is no picture', async () => {
    expect((await rep.send('PUT', '/own-card/picture', Buffer.from('<svg onload=alert(1)>'))).status).toBe(422);
    expect((await rep.send('PUT', '/own-card/picture', demoPhoto('ashgrove'))).status).toBe(204);
    const { pictureId } = await card();
    const picture = await rep.get(`/own-card/picture?of=${pictureId}`);
    expect(picture.headers.get('content-type')).toBe('image/jpeg');
    expect((await rep.send('DELETE', '/own-card/picture')).status).toBe(204);
    expect((await rep.get('/own-card/picture')).status).toBe(404);
  });
});

describe('its page', () => {
  it('shows the card and nothing else, without a session, a script or another’s frame', async () => {
    const hostile = { ...CARD, greeting: '</p><script>alert(1)</script>', details: { ...DETAILS, company: '"><img src=x onerror=alert(1)>', websites: ['javascript:alert(1)'] } }; // prettier-ignore
    await rep.send('PUT', '/own-card', hostile);
    const visitor = new Visitor((await page()).path);
    const { status, text, headers } = await visitor.look();
    expect(status).toBe(200);
    expect(headers.get('set-cookie')).toBeNull();
    const policy = headers.get('content-security-policy')!;
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toMatch(/script-src|unsafe/);
    expect(policy).toContain("frame-ancestors 'none'");
    expect(text).not.toMatch(/<script|<img src=x|href="javascript/i);
    expect(text).toContain('Ottilie Brandt');
    await rep.send('PUT', '/own-card', CARD);
  });

  it('gives a vCard that is read back, and speaks the language of the browser', async () => {
    const visitor = new Visitor((await page()).path);
    const back = new ICAL.Component(ICAL.parse(await visitor.vcard()) as unknown[]);
    expect(back.getFirstPropertyValue('n')).toEqual(['Brandt', 'Ottilie', '', '', '']);
    expect(back.getFirstPropertyValue('email')).toBe('ottilie@keldermoss.example');
    expect((await visitor.look({ 'accept-language': 'de' })).text).toContain('Ihre Kontaktdaten hinterlassen');
  });

  it('ends with its link', async () => {
    const visitor = new Visitor((await page()).path);
    const next = new Visitor((await page()).path);
    expect((await visitor.look()).status).toBe(404);
    expect((await next.look()).status).toBe(200);
    expect((await card()).page).toMatchObject({ opened: 1 });
    await rep.send('DELETE', '/own-card/page');
    expect((await next.look()).status).toBe(404);
    expect((await new Visitor('/card/nothing').look()).status).toBe(404);
    expect((await new Visitor(`/card/${'x'.repeat(5000)}`).look()).status).toBe(404);
  });
});

describe('what a visitor leaves', () => {
  const LEFT = { givenName: 'Tove', familyName: `Mc${randomUUID().slice(0, 6)}`, company: 'Harrow Quay Dairy', email: 'tove@harrowquay.example', phone: '', words: 'Our dock seal leaks.' }; // prettier-ignore

  it('is in the tray, and what they ticked is on record once it is filed', async () => {
    const visitor = new Visitor((await page()).path);
    const { text } = await visitor.leave({ ...LEFT, agree: 'yes' });
    expect(text).toContain('Thank you');
    const item = (await rep.tray()).find(({ name }) => name?.includes(LEFT.familyName))!;
    expect(item.message).toBe('They left it on your page.');
    const { body } = await rep.card(item.id);
    expect(body.consent).toMatchObject({ scope: CARD.scope, wording: expect.stringContaining('Kelder & Moss may write to me') }); // prettier-ignore
    const { personId } = (await rep.file({ cardId: item.id, fields: await fieldsOf(item.id) })).body;
    const person = await rep.person(personId);
    expect(person.consents).toMatchObject([{ channels: ['email'], scope: CARD.scope, how: 'onPage' }]);
    expect(new Date(person.consents[0]!.givenAt) <= new Date(body.consent!.at)).toBe(true);
  });

  const fieldsOf = async (id: string) => {
    const { proposals } = (await rep.card(id)).body;
    const valueOf = (field: string) => proposals.find((one) => one.field === field)?.value ?? '';
    return { ...emptyPersonFields(), givenName: valueOf('givenName'), familyName: valueOf('familyName'), company: valueOf('company'), emails: [valueOf('email')] }; // prettier-ignore
  };

  it('is there once, however often it is sent', async () => {
    const visitor = new Visitor((await page()).path);
    const left = { ...LEFT, familyName: `Twice${randomUUID().slice(0, 6)}` };
    const form = await visitor.form();
    const answers = await Promise.all([1, 2, 3].map(() => visitor.send({ ...left, form })));
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    expect((await rep.tray()).filter(({ name }) => name?.includes(left.familyName))).toHaveLength(1);
  });

  it('is not taken from programs, and nothing that somebody wrote is lost', async () => {
    const visitor = new Visitor((await page()).path);
    const left = { ...LEFT, familyName: `Robot${randomUUID().slice(0, 6)}` };
    // At once; with the field that nobody sees; with a form of their own; with that of another page.
    const soon = await visitor.send({ ...left, form: await visitor.form(0) });
    const trapped = await visitor.send({ ...left, form: await visitor.form(), site: 'https://robot.example' });
    const forged = await visitor.send({ ...left, form: `${randomUUID()}.${Date.now() - 60_000}.AAAA` });
    const none = await visitor.send(left);
    for (const { status, text } of [soon, trapped, forged, none]) {
      expect(status).toBe(422);
      expect(text).toContain(left.familyName);
      expect(text).toContain('look at it once more');
    }
    expect((await rep.tray()).some(({ name }) => name?.includes(left.familyName))).toBe(false);
  });

  it('says what is missing, in its place', async () => {
    const visitor = new Visitor((await page()).path);
    const { status, text } = await visitor.leave({ email: 'nobody', words: 'Only words' });
    expect(status).toBe(422);
    expect(text).toContain('Write your name.');
    expect(text).toContain('Write your e-mail address in full.');
    expect(text).toContain('Only words');
    expect((await visitor.leave({ givenName: 'Nell', agree: 'yes' })).text).toContain('that may be written to');
  });

  it('is never filed without anybody', async () => {
    await manager.send('PATCH', '/workspace', { filesItself: true });
    const visitor = new Visitor((await page()).path);
    const familyName = `Clean${randomUUID().slice(0, 6)}`;
    await visitor.leave({ ...LEFT, familyName, email: `${familyName}@quay.example`, phone: '+44 1632 960111' });
    await manager.send('PATCH', '/workspace', { filesItself: false });
    expect((await rep.tray()).some(({ name }) => name?.includes(familyName))).toBe(true);
  });
});

describe('one’s own card sent', () => {
  const sentTo = (to: string) => world.mailbox.mails.filter((mail) => mail.to === to);

  it('goes once to whoever asked for it, without consent, with a vCard and the way to its page', async () => {
    const out = { host: '127.0.0.1', port: world.smtpPort, security: 'none', user: '' };
    const senders = [{ address: 'ottilie@keldermoss.example', name: 'Ottilie Brandt', accountId: null }];
    await manager.send('PUT', '/mail', { out, outPassword: null, incoming: null, senders, perMinute: 600, quietFrom: '00:00', quietTo: '00:00', onDaysOff: true, footer: '' }); // prettier-ignore
    const { path } = await page();
    const to = `${randomUUID()}@asked.example`;
    const cardId = await rep.typedCard();
    const early = await rep.send<{ code: string }>('POST', `/cards/${cardId}/own-card`, { id: randomUUID() });
    expect([early.status, early.body.code]).toEqual([409, 'not-filed']);
    const { personId } = (await rep.file({ cardId, fields: personOf(to) })).body;
    const id = randomUUID();
    expect((await rep.send('POST', `/cards/${cardId}/own-card`, { id })).status).toBe(201);
    expect((await rep.send('POST', `/cards/${cardId}/own-card`, { id })).status).toBe(201);
    const mail = await until(() => Promise.resolve(sentTo(to)[0]));
    expect(mail.subject).toBe('My details: Ottilie Brandt');
    expect(mail.text).toContain('Here are my details, as you asked.');
    expect(mail.text).toContain(path);
    expect(mail.attachments).toMatchObject([{ name: 'Ottilie-Brandt.vcf', type: 'text/vcard' }]);
    // Another is refused: for more, consent is needed.
    const again = await rep.send<{ code: string }>('POST', `/people/${personId}/own-card`, { id: randomUUID() });
    expect([again.status, again.body.code]).toEqual([422, 'not-let-through']);
    const messages = (await rep.get<MessageList>(`/people/${personId}/messages`)).body.items;
    expect(messages).toMatchObject([{ id, kind: 'reply' }]);
    expect(sentTo(to)).toHaveLength(1);
  });

  const personOf = (email: string) => ({ ...emptyPersonFields(), givenName: 'Asked', familyName: `Q${randomUUID().slice(0, 6)}`, emails: [email], }); // prettier-ignore

  it('is not let go by an assistant, nor to somebody without an address', async () => {
    const pim = await Client.signedIn('pim@keldermoss.example');
    const personId = await rep.filed({ familyName: `Mute${randomUUID().slice(0, 6)}` });
    expect((await pim.send('POST', `/people/${personId}/own-card`, { id: randomUUID() })).status).toBe(403);
    const refused = await rep.send<{ detail: string }>('POST', `/people/${personId}/own-card`, { id: randomUUID() });
    expect([refused.status, refused.body.detail]).toEqual([422, 'There is no e-mail address.']);
  });
});
