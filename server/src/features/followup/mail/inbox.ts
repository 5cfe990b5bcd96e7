import { ImapFlow } from 'imapflow';
import type { DataSource } from 'typeorm';
import type { Logger } from '../../../platform/logger';
import { mailAddress } from '../../../platform/mail/smtp';
import { OutsideTrouble, type Reach } from '../../../platform/outside';
import { inWorkspace } from '../../../platform/workspaceScope';
import { MailSettingsRecord } from './entities';
import { readMail, receiveIn } from './receive';

const AT_ONCE = 50;
/** Of a mailbox that is looked into for the first time, only what comes from then on is taken. */
type Place = { uidValidity: string; lastUid: number };

/** Looks into the mailboxes of all teams that have one, each by one worker at a time. */
export async function lookIntoInboxes(parts: { database: DataSource; logger: Logger } & Reach): Promise<void> {
  const rows = await parts.database.query<{ id: string }[]>('select * from workspaces_with_mailbox() as found(id)');
  for (const { id } of rows) await lookInto(parts, id);
}

async function lookInto(parts: { database: DataSource; logger: Logger } & Reach, workspaceId: string): Promise<void> {
  const { database, logger } = parts;
  const runner = database.createQueryRunner();
  try {
    const [row] = (await runner.query(`select pg_try_advisory_lock(hashtext('mailbox'), hashtext($1)) as got`, [workspaceId])) as { got: boolean }[]; // prettier-ignore
    if (!row?.got) return;
    try {
      const trouble = await fetchNew(parts, workspaceId).catch((error: unknown) => {
        logger.warn({ err: error }, 'a mailbox could not be looked into');
        return inWords(error);
      });
      await inWorkspace(database, workspaceId, (manager) =>
        manager.update(
          MailSettingsRecord,
          { workspaceId },
          { inTrouble: trouble, ...(trouble === null && { lookedAt: new Date() }) },
        ),
      );
    } finally {
      await runner.query(`select pg_advisory_unlock(hashtext('mailbox'), hashtext($1))`, [workspaceId]);
    }
  } finally {
    await runner.release();
  }
}

/** @returns what went wrong, in words; null where all went well */
async function fetchNew(
  { database, sealing, allowed }: { database: DataSource } & Reach,
  workspaceId: string,
): Promise<string | null> {
  const settings = await inWorkspace(database, workspaceId, (manager) =>
    manager.findOneBy(MailSettingsRecord, { workspaceId }),
  );
  if (!settings?.incoming) return null;
  const { host, port, security, user, folder } = settings.incoming;
  const client = new ImapFlow({
    host: await mailAddress(allowed, host, port),
    servername: host,
    port,
    secure: security === 'tls',
    doSTARTTLS: security === 'tls' ? undefined : security === 'startTls',
    auth: { user, pass: settings.inPassword ? sealing.open(settings.inPassword) : '' },
    logger: false,
  });
  client.on('error', () => undefined);
  await client.connect();
  try {
    const box = await client.mailboxOpen(folder, { readOnly: true });
    const uidValidity = String(box.uidValidity);
    const isKnown = settings.uidValidity === uidValidity;
    let place: Place = { uidValidity, lastUid: isKnown ? Number(settings.lastUid) : box.uidNext - 1 };
    if (!isKnown) await keepPlace(database, workspaceId, place);
    for (let found = AT_ONCE; found === AT_ONCE;) {
      found = 0;
      const uids = ((await client.search({ uid: `${place.lastUid + 1}:*` }, { uid: true })) || []).filter((uid) => uid > place.lastUid).sort((a, b) => a - b).slice(0, AT_ONCE); // prettier-ignore
      for (const uid of uids) {
        const message = await client.fetchOne(String(uid), { source: true }, { uid: true });
        place = { uidValidity, lastUid: uid };
        if (message && message.source) await take(database, workspaceId, message.source, place);
        else await keepPlace(database, workspaceId, place);
        found++;
      }
    }
    return null;
  } finally {
    await client.logout().catch(() => client.close());
  }
}

const keepPlace = (database: DataSource, workspaceId: string, { uidValidity, lastUid }: Place): Promise<unknown> =>
  inWorkspace(database, workspaceId, (manager) => manager.update(MailSettingsRecord, { workspaceId }, { uidValidity, lastUid: String(lastUid) })); // prettier-ignore

/** Keeps a mail and how far we are in one: whoever is killed in between looks at it again, and knows it. */
async function take(database: DataSource, workspaceId: string, source: Buffer, place: Place): Promise<void> {
  const incoming = await readMail(source);
  await inWorkspace(database, workspaceId, async (manager) => {
    await receiveIn(manager, workspaceId, incoming, new Date());
    await manager.update(
      MailSettingsRecord,
      { workspaceId },
      { uidValidity: place.uidValidity, lastUid: String(place.lastUid) },
    );
  });
}

function inWords(error: unknown): string {
  if (error instanceof OutsideTrouble) return error.message;
  const { authenticationFailed, responseText, code } = error as {
    authenticationFailed?: boolean;
    responseText?: string;
    code?: string;
  };
  if (authenticationFailed) return 'The mailbox does not let us in with this name and password.';
  if (responseText) return `The mailbox said: ${responseText}`;
  return code === 'ECONNREFUSED' ? 'Nobody answers there.' : 'The mailbox could not be reached.';
}
