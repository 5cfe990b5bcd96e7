import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createConnection } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { MailStanding, MessageList } from '@dossier/contract';
import { Client } from '../tests/client';
import { freePort, until } from '../tests/services';

jest.setTimeout(180_000);

/** A mailbox as many teams have one: Dovecot, from Debian, with one name and one password. */
let dovecot: ChildProcess;
let port: number;
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
  dovecot = spawn('/usr/sbin/dovecot', ['-F', '-c', join(folder, 'dovecot.conf')], { stdio: 'ignore' });
  await until(
    () =>
      new Promise<boolean>((resolve) => {
        const line = createConnection(port, '127.0.0.1', () => resolve(true)).on('error', () => resolve(false));
        line.once('connect', () => line.destroy());
      }),
  );
});
afterAll(async () => {
  const ended = new Promise((resolve) => dovecot.once('close', resolve));
  dovecot.kill();
  await ended;
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
