import type { AskedReading } from '@dossier/contract';
import { draftOf, isDoubtful, personFieldsOf } from '@dossier/core/proof';
import type { DataSource, EntityManager } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { storage } from '../../../platform/storage';
import { inSnapshot } from '../../../platform/workspaceScope';
import { Photo } from '../../capture';
import { fieldsOfCard, findCandidates } from '../../matching';
import { Card, IN_TRAY } from '../../reading';
import { AskedReadingRecord } from './entities';

type AskedCard = AskedReading['cards'][number];

const LOOK_MS = 200;
/** Whoever comes when so many wait already is answered at once, and asks again. */
const MOST_WAITING = 100;
const waiting = { now: 0 };

/**
 * What became of a reading, once it is done or the time is over.
 * @param isGone whether nobody waits for the answer any more @throws ProblemError 404
 */
export async function resultOf(
  database: DataSource,
  who: SignedIn,
  id: string,
  { wait, pictures }: { wait: number; pictures: boolean },
  isGone: () => boolean,
): Promise<AskedReading> {
  const until = Date.now() + (waiting.now < MOST_WAITING ? wait * 1000 : 0);
  waiting.now++;
  try {
    while (Date.now() < until && !isGone() && (await isUnderWay(database, who, id)))
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  } finally {
    waiting.now--;
  }
  return inSnapshot(database, who.workspaceId, (manager) => describe(manager, who.workspaceId, id, pictures));
}

const isUnderWay = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<boolean> =>
  inSnapshot(database, workspaceId, async (manager) => (await stateOf(manager, workspaceId, id)).state === 'reading');

async function stateOf(
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<Pick<AskedReading, 'state' | 'message'> & { asked: AskedReadingRecord }> {
  const asked = await manager.findOneBy(AskedReadingRecord, { id, workspaceId });
  if (!asked) throw notFound('This reading');
  const photo = await manager.findOneBy(Photo, { id, workspaceId });
  if (photo?.state === 'unreadable') return { asked, state: 'unreadable', message: photo.message };
  // Taken out of the tray before it was read.
  if (photo?.state === 'discarded') return { asked, state: 'done', message: null };
  return { asked, state: asked.doneAt ? 'done' : 'reading', message: null };
}

async function describe(
  manager: EntityManager,
  workspaceId: string,
  id: string,
  pictures: boolean,
): Promise<AskedReading> {
  const { asked, state, message } = await stateOf(manager, workspaceId, id);
  const cards = await manager.find(Card, {
    where: [
      { photoId: id, workspaceId },
      { id, workspaceId },
    ],
    order: { id: 'ASC' },
  });
  const described: AskedReading['cards'] = [];
  for (const card of state === 'done' ? cards : []) {
    const draft = draftOf(card.proposals);
    described.push({
      id: card.id,
      quad: card.quad as AskedCard['quad'],
      country: card.country,
      fields: personFieldsOf(draft),
      proposals: card.proposals as AskedCard['proposals'],
      doubts: draft.fields.filter(isDoubtful).map(({ field, value, confidence }) => ({ field, value, confidence })),
      lines: card.reading.lines.map(({ text, quad, confidence }) => ({ text, quad, confidence })) as AskedCard['lines'],
      outcome: await outcomeOf(manager, workspaceId, card, asked.file),
      ...(pictures && { picture: await pictureOf(manager, card) }),
    });
  }
  return { id, state, message, cards: described };
}

async function outcomeOf(
  manager: EntityManager,
  workspaceId: string,
  card: Card,
  file: AskedReadingRecord['file'],
): Promise<AskedCard['outcome']> {
  if (card.state === 'filed' && card.personId) return { state: 'filed', personId: card.personId };
  if (card.state === 'attached') return { state: 'joined' };
  if (!IN_TRAY.includes(card.state)) return { state: file === 'no' ? 'read' : 'removed' };
  const [likeliest] = await findCandidates(manager, workspaceId, fieldsOfCard(card), card.id);
  if (!likeliest || likeliest.band === 'different') return { state: 'waits' };
  const { person, likelihood } = likeliest;
  return { state: 'known', personId: person.id, fullName: person.fullName, likelihood };
}

async function pictureOf(manager: EntityManager, { fileId }: Card): Promise<string | null> {
  const file = fileId ? await storage.get(manager, fileId) : undefined;
  return file?.bytes.toString('base64') ?? null;
}
