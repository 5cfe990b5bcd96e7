import type { MailServer } from '../../../platform/mail/smtp';
import type { Sealing } from '../../../platform/sealing';
import type { MailSettingsRecord } from './entities';

export const PASSWORD_LOST = 'The password cannot be read any more: give it anew.';

/** The mail server of a team; undefined where none is set, or its password was sealed with another key. */
export function serverOf(sealing: Sealing, { outgoing, outPassword }: MailSettingsRecord): MailServer | undefined {
  if (!outgoing) return undefined;
  try {
    return { ...outgoing, password: outPassword ? sealing.open(outPassword) : '' };
  } catch {
    return undefined;
  }
}
