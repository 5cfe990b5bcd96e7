import { composeMail } from '../../../platform/mail/compose';
import { htmlOf } from '../../../platform/mail/htmlOf';
import { giveMail } from '../../../platform/mail/smtp';
import { OutsideTrouble, type Reach } from '../../../platform/outside';
import { newHeaderId } from '../messages/write';
import type { MailSender, MailSettingsRecord } from './entities';
import { PASSWORD_LOST, serverOf } from './serverOf';

interface ToTeam {
  to: string;
  subject: string;
  text: string;
}

/** Sends something to a colleague: only what goes to people outside passes the gate, and is kept. @throws MailRefused, MailUncertain, OutsideTrouble */
export async function mailToTeam(
  { sealing, allowed }: Pick<Reach, 'sealing' | 'allowed'>,
  settings: MailSettingsRecord,
  { address, name }: MailSender,
  { to, subject, text }: ToTeam,
): Promise<void> {
  const server = serverOf(sealing, settings);
  if (!server) throw new OutsideTrouble(PASSWORD_LOST);
  const raw = await composeMail({
    headerId: newHeaderId(address),
    from: { name, address },
    to,
    subject,
    text,
    html: htmlOf(text),
    date: new Date(),
    attachments: [],
    headers: { 'Auto-Submitted': 'auto-generated' },
  });
  await giveMail(allowed, server, { from: address, to }, raw, () => Promise.resolve());
}
