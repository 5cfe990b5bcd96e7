import type { OpenSecondLook, Tray, TrayItem, TrayQuery, TrayRun } from '@dossier/contract';
import { countDoubts, guessOf } from '@dossier/core/proof';
import { In, type DataSource, type EntityManager, type ObjectLiteral, type SelectQueryBuilder } from 'typeorm';
import { z } from 'zod';
import { decodeKeyset, encodeKeyset } from '../../platform/keyset';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { Photo } from '../capture';
import { BY_VISITOR, Card, IN_TRAY } from '../reading';
import { backsToMatch, perhapsMissed } from './queries';
import { openSecondLooks } from './secondLooks';

const PAGE = 60;
const OPEN_PHOTOS: Photo['state'][] = ['waiting', 'reading', 'unreadable'];
const SHOWN: Record<TrayQuery['show'], readonly Card['state'][]> = {
  all: IN_TRAY,
  open: ['toProve', 'needsPerson'],
  toProve: ['toProve'],
  needsPerson: ['needsPerson'],
  setAside: ['setAside'],
  forMe: IN_TRAY,
};

/** Keyset cursor: the place behind the last item. */
interface Cursor {
  takenAt: string;
  id: string;
}

/** The cards that are not filed yet, in order of time; photographs stand in for cards that are still being read. */
export function listTray(database: DataSource, who: SignedIn, query: TrayQuery): Promise<Tray> {
  const { cursor, occasion, show, mine, order } = query;
  const direction = directionOf(query);
  const after = cursor ? decodeCursor(cursor) : undefined;
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const behind = (alias: string) =>
      `(${alias}.takenAt, ${alias}.id) ${order === 'newest' ? '<' : '>'} (:takenAt, :id)`;
    const photos = manager
      .createQueryBuilder(Photo, 'photo')
      .leftJoinAndSelect('photo.occasion', 'occasion')
      .where({ inTray: true, state: In(['all', 'open'].includes(show) ? OPEN_PHOTOS : []) });
    const cards = manager
      .createQueryBuilder(Card, 'card')
      .leftJoin('card.occasion', 'occasion')
      .select([
        'card.id',
        'card.photoId',
        'card.fileId',
        'card.thumbnailId',
        'card.state',
        'card.rereadDue',
        'card.proposals',
        'card.engine',
        'card.takenAt',
      ])
      .addSelect(['occasion.id', 'occasion.name'])
      .where({ state: In([...SHOWN[show]]) });
    ofOccasion(photos, 'photo', occasion);
    if (mine) photos.andWhere('photo.takenBy = :me', { me: who.accountId });
    narrow(cards, who, query);
    const whole = [photos.clone(), cards.clone()] as SelectQueryBuilder<Photo | Card>[];
    if (after) {
      photos.andWhere(behind('photo'), after);
      cards.andWhere(behind('card'), after);
    }
    // Each row is one card or photograph: limited as rows, while `take` would ask for their ids first.
    const cardRows = await cards
      .orderBy('card.takenAt', direction)
      .addOrderBy('card.id', direction)
      .limit(PAGE + 1)
      .getMany();
    const backs = await backsToReread(manager, cardRows.map((card) => card.id)); // prettier-ignore
    const looks = await openSecondLooks(manager, who.workspaceId, cardRows.map((card) => card.id)); // prettier-ignore
    const items = [
      ...(
        await photos
          .orderBy('photo.takenAt', direction)
          .addOrderBy('photo.id', direction)
          .limit(PAGE + 1)
          .getMany()
      ).map(photoItem),
      ...cardRows.map((card) => cardItem(card, looks.get(card.id), card.rereadDue || backs.has(card.id))),
    ].sort((a, b) => (order === 'newest' ? -1 : 1) * (compare(a.takenAt, b.takenAt) || compare(a.id, b.id)));
    const page = items.slice(0, PAGE);
    const next = items.length > PAGE ? encodeCursor(page[PAGE - 1]!) : null;
    // What fits on one page need not be counted.
    const total = after || next ? await countOf(whole) : items.length;
    return {
      items: page,
      total,
      next,
      backs: after ? [] : await backsToMatch(manager, who.workspaceId),
      missed: after ? [] : await perhapsMissed(manager, who.workspaceId),
    };
  });
}

/** So many cards are proved in one go; a fuller tray is worked off from its beginning. */
const LONGEST_RUN = 500;

/** The cards of a part of the tray that are proved one after another, in its order. */
export function trayRun(database: DataSource, who: SignedIn, query: TrayQuery): Promise<TrayRun> {
  const { show } = query;
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const states = SHOWN[show].filter((state) => show === 'setAside' || state !== 'setAside');
    const cards = manager
      .createQueryBuilder(Card, 'card')
      .select(['card.id'])
      .where({ state: In(states) });
    narrow(cards, who, query);
    const direction = directionOf(query);
    const rows = await cards
      .orderBy('card.takenAt', direction)
      .addOrderBy('card.id', direction)
      .limit(LONGEST_RUN)
      .getMany();
    return { ids: rows.map(({ id }) => id) };
  });
}

const directionOf = ({ order }: TrayQuery) => (order === 'newest' ? 'DESC' : 'ASC');

/** Fronts whose backs are still to be read a second time. */
async function backsToReread(manager: EntityManager, fronts: readonly string[]): Promise<Set<string | null>> {
  const where = { frontCardId: In([...fronts]), rereadDue: true };
  const backs = await manager.find(Card, { where, select: { id: true, frontCardId: true } });
  return new Set(backs.map(({ frontCardId }) => frontCardId));
}

/** Only the cards of the part of the tray that is looked at; by state they are told apart before. */
function narrow(cards: SelectQueryBuilder<Card>, who: SignedIn, { occasion, show, mine }: TrayQuery): void {
  ofOccasion(cards, 'card', occasion);
  if (show === 'forMe') askedOf(cards, who.accountId);
  if (mine) cards.andWhere('card.madeBy = :me', { me: who.accountId });
}

async function countOf(queries: readonly SelectQueryBuilder<Photo | Card>[]): Promise<number> {
  let total = 0;
  for (const query of queries) total += await query.getCount();
  return total;
}

function ofOccasion<T extends ObjectLiteral>(
  query: SelectQueryBuilder<T>,
  alias: string,
  occasion: TrayQuery['occasion'],
): void {
  if (occasion === 'none') query.andWhere(`${alias}.occasionId is null`);
  else if (occasion) query.andWhere(`${alias}.occasionId = :occasion`, { occasion });
}

/** Only what somebody is asked to look at. */
const askedOf = (cards: SelectQueryBuilder<Card>, accountId: string) =>
  cards.andWhere(
    'exists (select 1 from second_look look where look.card_id = card.id and look.answered_at is null and look.asked_of = :accountId)',
    { accountId },
  );

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

const photoItem = (photo: Photo): TrayItem => ({
  id: photo.id,
  kind: 'photo',
  photoId: photo.id,
  picture: photo.fileId !== null,
  pictureId: photo.fileId,
  occasion: occasionOf(photo),
  secondLook: null,
  state: photo.state as 'waiting' | 'reading' | 'unreadable',
  name: null,
  company: null,
  doubts: 0,
  rereading: false,
  takenAt: photo.takenAt.toISOString(),
  progress: photo.state === 'reading' ? photo.progress : null,
  message: photo.message,
});

const cardItem = (card: Card, secondLook: OpenSecondLook | undefined, rereading: boolean): TrayItem => ({
  id: card.id,
  kind: 'card',
  photoId: card.photoId,
  picture: card.fileId !== null,
  pictureId: card.thumbnailId,
  occasion: occasionOf(card),
  secondLook: secondLook ?? null,
  state: card.state as 'toProve' | 'needsPerson' | 'setAside',
  ...guessOf(card.proposals),
  doubts: countDoubts(card.proposals),
  rereading,
  takenAt: card.takenAt.toISOString(),
  progress: null,
  message:
    card.engine === BY_VISITOR ? 'They left it on your page.' : card.state === 'needsPerson' ? messageFor(card) : null,
});

const occasionOf = ({ occasion }: Photo | Card): TrayItem['occasion'] =>
  occasion ? { id: occasion.id, name: occasion.name } : null;

const messageFor = ({ photoId }: Card): string =>
  photoId ? 'Nothing could be read here. Type it in beside the picture.' : 'A blank card. Type it in.';

const encodeCursor = ({ takenAt, id }: Cursor): string => encodeKeyset([takenAt, id]);

/** @throws ProblemError 400 for one that this list did not give */
const decodeCursor = (cursor: string): Cursor => {
  const [takenAt, id] = decodeKeyset(cursor, z.tuple([z.iso.datetime(), z.uuid()]));
  return { takenAt, id };
};
