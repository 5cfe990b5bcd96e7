import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { createConnection } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { MailStanding, MessageList } from '@dossier/contract';
import { Client } from '../tests/client';
import { freePort, until } from '../tests/services';

jest.setTimeout(180_000);

/** Mail as many teams have it, from Debian: a mailbox in Dovecot, and Exim that takes mail from whoever says who they are. */
const servers: ChildProcess[] = [];
let port: number;
let smtpPort: number;
const folder = mkdtempSync(join(tmpdir(), 'dossier-dovecot-'));
const PASSWORD = 'harbour-lamp-9';
const inbox = join(folder, 'mail/team/new');

beforeAll(async () => {
  port = await freePort();
  const [uid, gid] = ['-u', '-g'].map((which) => execFileSync('id', [which, 'nobody']).toString().trim());
  chmodSync(folder, 0o755);
  for (const part of ['run', 'mail/team/cur', 'mail/team/new', 'mail/team/tmp']) mkdirSync(join(folder, part), { recursive: true }); // prettier-ignore
  execFileSync('chown', ['-R', 'nobody', join(folder, 'mail')]);
  const config = `
protocols = imap
listen = 127.0.0.1
base_dir = ${folder}/run
state_dir = ${folder}/run
log_path = ${folder}/log
ssl = no
disable_plaintext_auth = no
first_valid_uid = 1
first_valid_gid = 1
mail_location = maildir:${folder}/mail/%u
passdb {
  driver = static
  args = password=${PASSWORD}
}
userdb {
  driver = static
  args = uid=${uid} gid=${gid} home=${folder}/mail/%u
}
service imap-login {
  inet_listener imap {
    port = ${port}
  }
  inet_listener imaps {
    port = 0
  }
}
`;
  writeFileSync(join(folder, 'dovecot.conf'), config);
  smtpPort = await freePort();
  const exim = `
spool_directory = ${folder}/spool
log_file_path = ${folder}/spool/%slog
pid_file_path = ${folder}/spool/pid
local_interfaces = 127.0.0.1
daemon_smtp_ports = ${smtpPort}
primary_hostname = mail.keldermoss.example
tls_advertise_hosts =
auth_advertise_hosts = *
deliver_drop_privilege = true
keep_environment =
acl_smtp_rcpt = whoever

begin acl
whoever:
  deny ! authenticated = *
  accept

begin routers
here:
  driver = accept
  transport = kept

begin transports
kept:
  driver = appendfile
  directory = ${folder}/spool/sent
  maildir_format
  create_directory

begin authenticators
plain:
  driver = plaintext
  public_name = PLAIN
  server_prompts = :
  server_condition = \${if and{{eq{$auth2}{team}}{eq{$auth3}{${PASSWORD}}}}}
  server_set_id = $auth2
`;
  writeFileSync(join(folder, 'exim.conf'), exim);
  mkdirSync(join(folder, 'spool'));
  execFileSync('chown', ['Debian-exim', join(folder, 'spool')]);
  servers.push(
    spawn('/usr/sbin/dovecot', ['-F', '-c', join(folder, 'dovecot.conf')], { stdio: 'ignore' }),
    spawn('/usr/sbin/exim4', ['-bdf', '-C', join(folder, 'exim.conf')], { stdio: 'ignore' }),
  );
  for (const at of [port, smtpPort]) await answersAt(at);
});

const answersAt = (at: number) =>
  until(
    () =>
      new Promise<boolean>((resolve) => {
        const line = createConnection(at, '127.0.0.1', () => resolve(true)).on('error', () => resolve(false));
        line.once('connect', () => line.destroy());
      }),
  );

afterAll(async () => {
  const ended = servers.map((server) => new Promise((resolve) => server.once('close', resolve)));
  for (const server of servers) server.kill();
  await Promise.all(ended);
  rmSync(folder, { recursive: true, force: true });
});

/** Puts a mail into the mailbox, as a mail server would. */
function arrives(lines: readonly string[]): void {
  const path = join(inbox, `${Date.now()}.${randomUUID()}`);
  writeFileSync(path, `${lines.join('\r\n')}\r\n`);
  execFileSync('chown', ['nobody', path]);
}

it('what comes into a real mailbox is fetched, from where it was left, and only what is of somebody', async () => {
  const rep = await Client.signedIn('ottilie@keldermoss.example');
  const manager = await Client.signedIn('maren@keldermoss.example');
  const settings = {
    out: null,
    incoming: { host: '127.0.0.1', port, security: 'none', user: 'team', folder: 'INBOX' },
    senders: [{ address: 'ottilie@keldermoss.example', name: 'Ottilie Brandt', accountId: null }],
  };
  const standing = async () => (await manager.get<MailStanding>('/mail')).body;
  const mail = `${randomUUID()}@harrowfield.example`;
  const head = (subject: string) => [`From: Nella <${mail}>`, 'To: ottilie@keldermoss.example', `Subject: ${subject}`, `Message-ID: <${randomUUID()}@harrowfield.example>`, 'MIME-Version: 1.0', 'Content-Type: text/plain; charset=utf-8', '']; // prettier-ignore
  const id = await rep.filed({ givenName: 'Nella', familyName: 'Mailbox', emails: [mail] });
  const subjects = async () =>
    (await rep.get<MessageList>(`/people/${id}/messages`)).body.items.map(({ subject }) => subject);

  arrives([...head('From before'), 'Long ago.']);
  await manager.send('PUT', '/mail', { ...settings, inPassword: 'wrong' });
  await until(async () => (await standing()).inTrouble?.includes('name and password'));
  await manager.send('PUT', '/mail', { ...settings, inPassword: PASSWORD });
  await until(async () => (await standing()).lookedAt && (await standing()).inTrouble === null);
  arrives([...head('A question'), 'Grüße aus dem Lager.']);
  arrives(['From: stranger@nowhere.example', 'To: ottilie@keldermoss.example', 'Subject: Offer', 'Message-ID: <offer@nowhere.example>', '', 'Buy.']); // prettier-ignore
  await until(async () => (await subjects()).length > 0);
  arrives([...head('And another'), 'x']);
  await until(async () => (await subjects()).length > 1);
  // What lay there before anybody looked is left alone.
  expect(await subjects()).toEqual(['And another', 'A question']);
  expect((await rep.get<MessageList>(`/people/${id}/messages`)).body.items[1]!.text).toBe('Grüße aus dem Lager.');
  await manager.send('PUT', '/mail', { ...settings, incoming: null, senders: [] });
});

it('what goes out by a real mail server arrives there whole, and its answer in the mailbox is told as one', async () => {
  const rep = await Client.signedIn('ottilie@keldermoss.example');
  const manager = await Client.signedIn('maren@keldermoss.example');
  const settings = {
    out: { host: '127.0.0.1', port: smtpPort, security: 'none', user: 'team' },
    incoming: { host: '127.0.0.1', port, security: 'none', user: 'team', folder: 'INBOX' },
    inPassword: PASSWORD,
    senders: [{ address: 'ottilie@keldermoss.example', name: 'Ottilie Brandt', accountId: null }],
    quietFrom: '00:00',
    quietTo: '00:00',
    onDaysOff: true,
    footer: 'Kelder & Moss, Quay 4, Port Ellery',
  };
  expect((await manager.send('PUT', '/mail', { ...settings, outPassword: 'wrong' })).status).toBe(204);
  const mail = `${randomUUID()}@harrowfield.example`;
  const consent = { channels: ['email'], scope: 'Offers for doors', wording: 'May we write to you?', how: 'spoken' };
  const id = await rep.filed({ givenName: 'Nella', familyName: 'Exim', emails: [mail] }, { consent } as never);
  const message = { id: randomUUID(), to: mail, subject: 'Türen für Halle 4', body: 'Dear Nella,\n\n. a line with a dot first\n\nwhen would a visit suit?', purpose: { kind: 'byHand' } }; // prettier-ignore
  expect((await rep.send('POST', `/people/${id}/messages`, message)).status).toBeLessThan(300);
  const messages = async () => (await rep.get<MessageList>(`/people/${id}/messages`)).body.items;
  await until(async () => (await messages())[0]?.problem);
  expect((await messages())[0]!.state).not.toBe('sent');
  const since = new Date().toISOString();
  expect((await manager.send('PUT', '/mail', { ...settings, outPassword: PASSWORD })).status).toBe(204);
  await until(async () => (await messages())[0]!.state === 'sent');
  // What comes before anybody has looked is left alone.
  await until(async () => ((await manager.get<MailStanding>('/mail')).body.lookedAt ?? '') > since);
  const sent = join(folder, 'spool/sent/new');
  const arrived = await until(() => Promise.resolve(existsSync(sent) && readdirSync(sent).length > 0 && readFileSync(join(sent, readdirSync(sent)[0]!), 'utf8'))); // prettier-ignore
  expect(readdirSync(sent)).toHaveLength(1);
  expect(arrived).toContain(`To: ${mail}`);
  expect(arrived).toMatch(/^List-Unsubscribe-Post: List-Unsubscribe=One-Click$/m);
  expect(arrived).toMatch(/^\. a line with a dot first/m);
  const [, messageId] = /^Message-ID: (<[^>]+>)/im.exec(arrived)!;
  arrives([`From: Nella <${mail}>`, 'To: ottilie@keldermoss.example', 'Subject: Re: doors', `Message-ID: <${randomUUID()}@harrowfield.example>`, `In-Reply-To: ${messageId}`, 'Content-Type: text/plain; charset=utf-8', '', 'Friday.']); // prettier-ignore
  const answer = await until(async () => (await messages()).find(({ direction }) => direction === 'in'));
  expect(answer).toMatchObject({ kind: 'answer', text: 'Friday.' });
  await manager.send('PUT', '/mail', { ...settings, out: null, incoming: null, senders: [] });
});
