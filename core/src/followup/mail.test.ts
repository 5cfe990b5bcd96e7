import { kindOfMail, messageIdsIn, readDeliveryStatus, withoutQuoted, type IncomingKind } from './mail';

const head = (
  headers: Record<string, string>,
  { contentType = 'text/plain', from = 'nella@harrowfield.example', subject = 'Re: Your dock' } = {},
) => ({
  header: (name: string) => headers[name],
  contentType,
  from,
  subject,
});
const REPORT = `Reporting-MTA: dns; mail.harrowfield.example\r\n\r\nFinal-Recipient: rfc822;\r\n <Nella@Harrowfield.example>\r\nAction: failed\r\nStatus: 5.1.1 (no such mailbox)\r\n`;

describe('what a mail is', () => {
  it.each<[string, ReturnType<typeof head>, string, IncomingKind]>([
    ['an answer', head({}), '', 'answer'],
    ['an answer that says that nothing was automatic', head({ 'auto-submitted': 'no' }), '', 'answer'],
    ['a note of absence', head({ 'auto-submitted': 'auto-replied (vacation)' }), '', 'outOfOffice'],
    ['one by an older sign', head({ 'x-autoreply': 'yes' }), '', 'outOfOffice'],
    ['one by its subject alone', head({}, { subject: 'Out of office: Your dock' }), '', 'outOfOffice'],
    ['one in German', head({}, { subject: 'Abwesenheitsnotiz: Ihr Besuch' }), '', 'outOfOffice'],
    ['no absence because somebody speaks of one', head({}, { subject: 'Re: your out of office' }), '', 'answer'],
    ['what a machine sends', head({ 'auto-submitted': 'auto-generated' }), '', 'automatic'],
    [
      'a report that it failed',
      head({}, { contentType: 'multipart/report; report-type=delivery-status' }),
      REPORT,
      'bounce',
    ],
    [
      'a report that it is late',
      head({}, { contentType: 'multipart/report; report-type=delivery-status' }),
      REPORT.replace('failed', 'delayed').replace('5.1.1', '4.4.1'),
      'delayed',
    ],
    ['what a mail server writes in its own words', head({}, { from: 'MAILER-DAEMON@mail.example' }), '', 'bounce'],
  ])('%s', (_name, mail, report, kind) => expect(kindOfMail(mail, readDeliveryStatus(report))).toBe(kind));

  it('a report names whom, with lines that go on', () => {
    expect(readDeliveryStatus(REPORT)).toEqual([
      { recipient: 'nella@harrowfield.example', action: 'failed', status: '5.1.1' },
    ]);
    expect(readDeliveryStatus('nothing of the kind')).toEqual([]);
  });
  it('names what it answers, the closest first', () => {
    expect(messageIdsIn('<a@x.example> <b@x.example>\r\n <c@x.example>')).toEqual([
      '<c@x.example>',
      '<b@x.example>',
      '<a@x.example>',
    ]);
    expect(messageIdsIn(undefined)).toEqual([]);
  });
});

describe('what somebody wrote themselves', () => {
  it.each([
    ['Yes.\n\nOn Mon, 30 Nov 2026 at 10:15, Ottilie Brandt wrote:\n> Dear Nella,', 'Yes.'],
    ['Ja.\n\nAm 30.11.2026 um 10:15 schrieb Ottilie Brandt:\n> Guten Tag', 'Ja.'],
    ['Yes.\n\nOn Mon, 30 Nov 2026 at 10:15, Ottilie Brandt <ottilie@keldermoss.example>\nwrote:\n> Dear', 'Yes.'],
    ['Yes.\n-----Original Message-----\nFrom: Ottilie', 'Yes.'],
    ['> Would Friday do?\nFriday is fine.', 'Friday is fine.'],
    ['On Friday at 10 then: bring drawings.\nNella', 'On Friday at 10 then: bring drawings.\nNella'],
  ])('%j', (text, own) => expect(withoutQuoted(text)).toBe(own));
});
