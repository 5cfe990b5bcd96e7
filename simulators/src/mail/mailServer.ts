import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import express, { type Express } from 'express';
import nodemailer from 'nodemailer';
import { SMTPServer } from 'smtp-server';
import { listPage, mailPage } from './inboxPage';
import { Mailbox, type KeptMail } from './mailbox';
import { replyTo, type ReplyKind } from './replies';

export interface MailWorld {
  smtpPort: number;
  webPort: number;
  mailbox: Mailbox;
  stop: () => Promise<void>;
}

export interface MailWorldOptions {
  smtpPort?: number;
  webPort?: number;
  host?: string;
  /** Where mail for the team is forwarded to. */
  forwardTo?: { host: string; port: number };
  /** Keeps what was taken. */
  folder?: string;
  /** What becomes of each mail at its end, for tests: taken, or the line breaks before or after it was taken. */
  mishap?: () => 'none' | 'later' | 'lostBefore' | 'lostAfter';
}

/** What smtp-server keeps of a line, to be cut. */
interface Connection {
  session: { id: string };
  _socket: { destroy(): void };
}

/**
 * Everybody's mail server at once: takes what is sent to anybody (SMTP), shows it on a page, and lets the people outside be answered for.
 * Addresses beginning with `nobody` do not exist there.
 */
export async function startMailWorld({
  smtpPort = 0,
  webPort = 0,
  host = '127.0.0.1',
  forwardTo,
  folder,
  mishap = () => 'none',
}: MailWorldOptions): Promise<MailWorld> {
  const mailbox = new Mailbox(folder);
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    disableReverseLookup: true,
    onAuth: (_auth, _session, done) => done(null, { user: 'anybody' }),
    onRcptTo({ address }, _session, done) {
      done(
        /^nobody/i.test(address)
          ? Object.assign(new Error('5.1.1 There is no such mailbox here'), { responseCode: 550 })
          : null,
      );
    },
    onData(stream, session, done) {
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('end', () => {
        const what = mishap();
        const cut = () => {
          for (const connection of smtp.connections as Iterable<Connection>)
            if (connection.session.id === session.id) connection._socket.destroy();
        };
        if (what === 'later') return done(Object.assign(new Error('4.3.2 Not now'), { responseCode: 451 }));
        if (what === 'lostBefore') return cut();
        const envelope = {
          from: session.envelope.mailFrom ? session.envelope.mailFrom.address : '',
          to: session.envelope.rcptTo[0]?.address ?? '',
        };
        mailbox.keep(Buffer.concat(chunks), envelope).then(
          () => (what === 'lostAfter' ? cut() : done()),
          (error: Error) => done(error),
        );
      });
    },
  });
  smtp.on('error', () => undefined);
  await new Promise<void>((resolve) => smtp.listen(smtpPort, host, () => resolve()));
  const web = await new Promise<Server>((resolve) => {
    const server = webOf(mailbox, forwardTo).listen(webPort, host, () => resolve(server));
  });
  return {
    smtpPort: (smtp.server.address() as AddressInfo).port,
    webPort: (web.address() as AddressInfo).port,
    mailbox,
    stop: async () => {
      await new Promise<void>((resolve) => smtp.close(() => resolve()));
      web.closeAllConnections();
      await new Promise<void>((resolve) => web.close(() => resolve()));
    },
  };
}

const WORDS: Record<ReplyKind, string> = {
  answer: 'Thank you, that suits me.',
  'out-of-office': 'I am away until Monday and read no mail.',
  bounce: '',
};

function webOf(mailbox: Mailbox, forwardTo: MailWorldOptions['forwardTo']): Express {
  const app = express();
  app.use(express.json(), express.urlencoded({ extended: false }));
  const act = async (mail: KeptMail, what: string, text: string): Promise<boolean> => {
    if (what === 'withdraw') {
      const url = /<(https?:[^>]+)>/.exec(mail.headers['list-unsubscribe'] ?? '')?.[1];
      if (!url) return false;
      const answer = await fetch(url, {
        method: 'POST',
        headers: { 'Content-Type': 'application/x-www-form-urlencoded' },
        body: 'List-Unsubscribe=One-Click',
      });
      mailbox.note(mail, answer.ok ? 'wanted no more' : `wanted no more, and heard ${answer.status}`);
      return answer.ok;
    }
    if (!forwardTo || !Object.hasOwn(WORDS, what)) return false;
    const kind = what as ReplyKind;
    const { from, to, raw } = await replyTo(mail, kind, text || WORDS[kind]);
    const transport = nodemailer.createTransport({ ...forwardTo, secure: false, ignoreTLS: true });
    await transport.sendMail({ envelope: { from, to: [to] }, raw });
    mailbox.note(mail, kind === 'answer' ? 'answered' : kind === 'bounce' ? 'sent back' : 'said to be away');
    return true;
  };
  app.get('/', (_request, response) => void response.type('html').send(listPage(mailbox.mails)));
  app.get('/mails/:id', (request, response) => {
    const mail = mailbox.find(request.params.id);
    if (mail) response.type('html').send(mailPage(mail));
    else response.status(404).type('text').send('This mail is not here.');
  });
  app.post('/mails/:id/:act', async (request, response) => {
    const mail = mailbox.find(request.params.id);
    if (mail) await act(mail, request.params.act, String((request.body as { text?: string })?.text ?? ''));
    response.redirect(303, mail ? `/mails/${mail.id}` : '/');
  });
  app.get('/api/messages', (request, response) => {
    const { to } = request.query;
    response.json({ items: mailbox.mails.filter((mail) => typeof to !== 'string' || mail.to === to) });
  });
  app.post('/api/messages/:id/:act', async (request, response) => {
    const mail = mailbox.find(request.params.id);
    if (!mail) return void response.status(404).json({ problem: 'This mail is not here.' });
    const went = await act(mail, request.params.act, String((request.body as { text?: string })?.text ?? ''));
    response.status(went ? 200 : 409).json({ done: mail.done });
  });
  return app;
}
