import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import { In, type DataSource } from 'typeorm';
import { ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { Workspace } from '../../account';
import { mayBeSent } from '../gate';
import { Task } from '../tasks/entities';
import { sendingOf } from './deliver';
import { MessageRecord } from './entities';

/** The built-in ones have no letters beyond western Europe. */
const FONT = createRequire(import.meta.url).resolve(
  '@expo-google-fonts/newsreader/400Regular/Newsreader_400Regular.ttf',
);
const MM = 72 / 25.4;
/** Where the window of an envelope is, and where the text begins (DIN 5008, form B; the window of C5/6 and C6/5 in ISO 269 fits too). */
const WINDOW = { left: 20 * MM, top: 45 * MM, width: 85 * MM, height: 45 * MM };
const TEXT = { left: 25 * MM, top: 103 * MM, width: 165 * MM };
const FOOT = 25 * MM;

interface Letter {
  from: string;
  to: string;
  date: Date;
  subject: string;
  body: string;
}

/**
 * Letters of some tasks, each on pages of its own, as one file for printing. Who no longer agrees to letters gets none.
 * @throws ProblemError 404 where none of them is a letter that may be sent
 */
export async function lettersOf(
  database: DataSource,
  { workspaceId }: SignedIn,
  taskIds: readonly string[],
): Promise<Buffer> {
  const letters = await inSnapshot(database, workspaceId, async (manager) => {
    const { name } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
    const tasks = await manager.findBy(Task, { id: In([...taskIds]), workspaceId, kind: 'letter' });
    const found: Letter[] = [];
    for (const { messageId } of tasks) {
      const message = messageId
        ? await manager.findOneBy(MessageRecord, { id: messageId, workspaceId, channel: 'post' })
        : null;
      if (!message) continue;
      const verdict = await mayBeSent(manager, message, sendingOf(message), { exceptId: message.id });
      if (verdict.may)
        found.push({
          from: `${message.senderName} · ${name}`,
          to: message.recipient,
          date: message.madeAt,
          subject: message.subject,
          body: message.body,
        });
    }
    return found;
  });
  if (letters.length === 0)
    throw new ProblemError(
      404,
      'no-letters',
      'No letters',
      'None of these is a letter that may be sent. Look at the people’s consents.',
    );
  return lettersPdf(letters);
}

function lettersPdf(letters: readonly Letter[]): Promise<Buffer> {
  const document = new PDFDocument({
    size: 'A4',
    autoFirstPage: false,
    margins: { left: TEXT.left, right: 20 * MM, top: 25 * MM, bottom: FOOT },
    info: { Title: 'Letters' },
  });
  document.registerFont('text', FONT).font('text');
  for (const { from, to, date, subject, body } of letters) {
    document.addPage();
    document.fontSize(7).text(from, WINDOW.left + 5 * MM, WINDOW.top + 3 * MM, {
      width: WINDOW.width - 5 * MM,
      height: 4 * MM,
      ellipsis: true,
    });
    document.fontSize(11).text(to, WINDOW.left + 5 * MM, WINDOW.top + 13 * MM, {
      width: WINDOW.width - 5 * MM,
      height: WINDOW.height - 13 * MM,
    });
    document
      .fontSize(11)
      .text(date.toISOString().slice(0, 10), TEXT.left, 92 * MM, { width: TEXT.width, align: 'right' });
    document.fontSize(13).text(subject, TEXT.left, TEXT.top, { width: TEXT.width });
    document.moveDown().fontSize(11).text(body, { width: TEXT.width, lineGap: 3 });
  }
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
    document.on('error', reject);
    document.end();
  });
}
