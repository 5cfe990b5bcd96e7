import MailComposer from 'nodemailer/lib/mail-composer';
import type { Address } from 'nodemailer/lib/mailer';

export interface OutgoingMail {
  /** With its brackets: kept before anybody sees it. */
  headerId: string;
  from: Address;
  to: string;
  subject: string;
  text: string;
  html: string;
  date: Date;
  inReplyTo?: string;
  references?: readonly string[];
  /** Where a withdrawal is taken: a page, and by a machine with one request (RFC 2369, RFC 8058). */
  withdrawUrl?: string;
  /** What calendars take from it; its method stands in its type. */
  invitation?: { filename: string; contentType: string; content: Buffer | string };
  attachments: readonly { filename: string; contentType: string; content: Buffer | string }[];
  /** Further lines of the head. */
  headers?: Readonly<Record<string, string>>;
}

/** The whole mail as it goes over the line (RFC 5322, MIME). */
export function composeMail({
  headerId,
  withdrawUrl,
  headers,
  references,
  attachments,
  invitation,
  ...mail
}: OutgoingMail): Promise<Buffer> {
  return new MailComposer({
    ...mail,
    messageId: headerId,
    references: references && [...references],
    attachments: attachments.map((one) => ({ ...one })),
    icalEvent: invitation && {
      method: /method=(\w+)/i.exec(invitation.contentType)?.[1] ?? 'PUBLISH',
      filename: invitation.filename,
      content: invitation.content,
    },
    headers: {
      ...headers,
      ...(withdrawUrl && {
        'List-Unsubscribe': `<${withdrawUrl}>`,
        'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
      }),
    },
    newline: '\r\n',
    disableFileAccess: true,
    disableUrlAccess: true,
  })
    .compile()
    .build();
}
