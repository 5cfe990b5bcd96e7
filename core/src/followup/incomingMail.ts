/** What of an incoming mail tells what it is. Names of headers in small letters. */
export interface IncomingHead {
  header: (name: string) => string | undefined;
  /** The type with its parameters, as it stands. */
  contentType: string;
  from: string;
  subject: string;
}

export type IncomingKind = 'answer' | 'outOfOffice' | 'bounce' | 'delayed' | 'automatic';

export interface DeliveryReport {
  recipient: string;
  /** RFC 3464, 2.3.3. */
  action: string;
  /** RFC 3463, such as `5.1.1`. */
  status: string;
}

/**
 * Tells answers of people from what machines send: reports of delivery (RFC 3464) and what answers by itself (RFC 3834 and what was
 * usual before it).
 */
export function kindOfMail(
  { header, contentType, from, subject }: IncomingHead,
  reports: readonly DeliveryReport[],
): IncomingKind {
  const type = contentType.toLowerCase();
  const isReport = type.startsWith('multipart/report') && type.includes('delivery-status');
  if (isReport || reports.length > 0) return reportKind(reports);
  if (/^(?:mailer-daemon|postmaster)@/i.test(from)) return 'bounce';
  const auto = header('auto-submitted')?.trim().toLowerCase();
  const isAway =
    header('x-autoreply') !== undefined || header('x-autorespond') !== undefined || auto?.startsWith('auto-replied');
  if (isAway || header('precedence')?.trim().toLowerCase() === 'auto_reply') return 'outOfOffice';
  if (auto !== undefined && auto !== 'no') return 'automatic';
  if (AWAY.test(subject)) return 'outOfOffice';
  return 'answer';
}

/** How the subjects of notes of absence begin, where a program does not say that it is one. */
const AWAY = /^(?:auto(?:matic|matische)?[ -]?(?:reply|response|antwort)|out of (?:the )?office|abwesen(?:d|heit)|absen(?:ce|t)\b|afwezig|frånvaro|fravær|poissa|risposta automatica|respuesta automática)/i; // prettier-ignore

function reportKind(reports: readonly DeliveryReport[]): IncomingKind {
  if (reports.some(({ action, status }) => action === 'failed' || status.startsWith('5.'))) return 'bounce';
  return reports.length > 0 ? 'delayed' : 'bounce';
}

/** The fields of a `message/delivery-status` part, one entry for each recipient in it. */
export function readDeliveryStatus(text: string): DeliveryReport[] {
  return text
    .replace(/\r\n/g, '\n')
    .replace(/\n[ \t]+/g, ' ')
    .split(/\n\s*\n/)
    .flatMap((block) => {
      const field = (name: string) => new RegExp(`^${name}:[ \\t]*(.+)$`, 'im').exec(block)?.[1]?.trim();
      const recipient = field('final-recipient') ?? field('original-recipient');
      if (!recipient) return [];
      const [status = ''] = field('status')?.split(/[\s(]/) ?? [];
      return [{ recipient: addressIn(recipient), action: field('action')?.toLowerCase() ?? '', status }];
    });
}

const addressIn = (text: string): string =>
  text
    .replace(/^[^;]*;/, '')
    .trim()
    .replace(/^<|>$/g, '')
    .toLowerCase();

/** Message ids in a header, each with its brackets; the latest first, as references are. */
export const messageIdsIn = (text: string | undefined): string[] => [...new Set(text?.match(/<[^<>\s]+>/g) ?? [])].reverse(); // prettier-ignore
