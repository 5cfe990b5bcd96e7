import { randomUUID } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { simpleParser } from 'mailparser';

/** A mail as the stand-in has it. */
export interface KeptMail {
  id: string;
  at: string;
  from: string;
  to: string;
  subject: string;
  text: string;
  html: string;
  messageId: string;
  inReplyTo: string | null;
  references: string[];
  /** Names in small letters. */
  headers: Record<string, string>;
  /** Those that are text with what they say. */
  attachments: { name: string; type: string; bytes: number; text?: string }[];
  /** What was done with it here. */
  done: string[];
}

const MOST_TEXT = 100_000;

/** All mail that was taken, the latest last. With a folder it is there again after a crash: a mail is written before it is said to be taken. */
export class Mailbox {
  readonly mails: KeptMail[] = [];

  constructor(private readonly folder?: string) {
    if (!folder) return;
    mkdirSync(folder, { recursive: true });
    const kept = readdirSync(folder).filter((name) => name.endsWith('.json'));
    for (const name of kept) this.mails.push(JSON.parse(readFileSync(join(folder, name), 'utf8')) as KeptMail);
    this.mails.sort((a, b) => (a.at < b.at ? -1 : 1));
  }

  async keep(raw: Buffer, envelope: { from: string; to: string }): Promise<KeptMail> {
    const mail = await simpleParser(raw);
    const headers = Object.fromEntries(mail.headerLines.map(({ key, line }) => [key, line.slice(line.indexOf(':') + 1).replace(/\r?\n\s+/g, ' ').trim()])); // prettier-ignore
    const kept: KeptMail = {
      id: randomUUID(),
      at: new Date().toISOString(),
      ...envelope,
      subject: mail.subject ?? '',
      text: mail.text ?? '',
      html: typeof mail.html === 'string' ? mail.html : '',
      messageId: mail.messageId ?? '',
      inReplyTo: mail.inReplyTo ?? null,
      references: [mail.references ?? []].flat(),
      headers,
      attachments: mail.attachments.map(({ filename, contentType, size, content }) => ({ name: filename ?? '', type: contentType, bytes: size, ...(contentType.startsWith('text/') && size < MOST_TEXT && { text: content.toString('utf8') }) })), // prettier-ignore
      done: [],
    };
    this.write(kept);
    this.mails.push(kept);
    return kept;
  }

  note(mail: KeptMail, what: string): void {
    mail.done.push(what);
    this.write(mail);
  }

  find(id: string): KeptMail | undefined {
    return this.mails.find((mail) => mail.id === id);
  }

  private write(mail: KeptMail): void {
    if (!this.folder) return;
    // In one go: a crash leaves no half of it.
    const path = join(this.folder, `${mail.id}.json`);
    writeFileSync(`${path}.new`, JSON.stringify(mail), { flush: true });
    renameSync(`${path}.new`, path);
  }
}
