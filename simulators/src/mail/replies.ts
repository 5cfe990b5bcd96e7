import { randomUUID } from 'node:crypto';
import MailComposer from 'nodemailer/lib/mail-composer';
import type { KeptMail } from './mailbox';

export type ReplyKind = 'answer' | 'out-of-office' | 'bounce';

const quoted = (mail: KeptMail): string =>
  `On ${new Date(mail.at).toUTCString()}, ${mail.from} wrote:\n${mail.text.replace(/^/gm, '> ')}`;

/** What somebody, or their mail server, sends back for a mail: an answer, a note of absence (RFC 3834), or a report that it could not be delivered (RFC 3464). */
export async function replyTo(
  mail: KeptMail,
  kind: ReplyKind,
  words: string,
): Promise<{ from: string; to: string; raw: Buffer }> {
  const common = {
    inReplyTo: mail.messageId,
    references: [...mail.references, mail.messageId],
    messageId: `<${randomUUID()}@${domainOf(mail.to)}>`,
  };
  if (kind === 'bounce') return { from: '', to: mail.from, raw: Buffer.from(reportOf(mail, words)) };
  const composed = new MailComposer({
    ...common,
    from: mail.to,
    to: mail.from,
    subject: kind === 'answer' ? `Re: ${mail.subject}` : `Out of office: ${mail.subject}`,
    text: `${words}\n\n${kind === 'answer' ? quoted(mail) : ''}`.trim(),
    headers: kind === 'out-of-office' ? { 'Auto-Submitted': 'auto-replied', Precedence: 'auto_reply' } : {},
  });
  return { from: mail.to, to: mail.from, raw: await composed.compile().build() };
}

const domainOf = (address: string): string => address.slice(address.indexOf('@') + 1);

function reportOf(mail: KeptMail, words: string): string {
  const boundary = `report-${randomUUID()}`;
  return [
    `From: Mail Delivery <mailer-daemon@${domainOf(mail.to)}>`,
    `To: ${mail.from}`,
    'Subject: Undelivered mail returned to sender',
    `Message-ID: <${randomUUID()}@${domainOf(mail.to)}>`,
    `Date: ${new Date().toUTCString().replace('GMT', '+0000')}`,
    'Auto-Submitted: auto-replied',
    'MIME-Version: 1.0',
    `Content-Type: multipart/report; report-type=delivery-status; boundary="${boundary}"`,
    '',
    `--${boundary}`,
    'Content-Type: text/plain; charset=utf-8',
    '',
    words || `Your message could not be delivered to ${mail.to}: there is no such mailbox here.`,
    `--${boundary}`,
    'Content-Type: message/delivery-status',
    '',
    `Reporting-MTA: dns; mail.${domainOf(mail.to)}`,
    '',
    `Final-Recipient: rfc822; ${mail.to}`,
    'Action: failed',
    'Status: 5.1.1',
    'Diagnostic-Code: smtp; 550 5.1.1 no such mailbox',
    `--${boundary}`,
    'Content-Type: text/rfc822-headers',
    '',
    `Message-ID: ${mail.messageId}`,
    `From: ${mail.from}`,
    `To: ${mail.to}`,
    `Subject: ${mail.subject.replace(/[^\x20-\x7e]/g, '?')}`,
    `--${boundary}--`,
    '',
  ].join('\r\n');
}
