import type { TrayTwin, TrayTwins } from '@dossier/contract';
import { draftOf, personFieldsOf, type Draft } from '@dossier/core/proof';
import { featuresOf, findPairs, FrequencyCounter, Matcher, type Features } from '@dossier/core/matching/people';
import { In, type DataSource, type EntityManager } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { NotSame } from '../people';
import { Card, IN_TRAY } from '../reading';
import { limitsOf } from './limits';

/** So many cards are compared with each other; a tray that is fuller is worked off from the oldest. */
const MOST_CARDS = 2000;

/** Features by card and state of its reading and draft: a tray is asked for often and changes little. */
const known = new Map<string, Features>();

/** Cards of the tray that are of one person, the likeliest first; those said not to be the same are left out. */
export function trayTwins(database: DataSource, { workspaceId }: SignedIn): Promise<TrayTwins> {
  return inWorkspace(database, workspaceId, async (manager) => ({ items: await findTwins(manager, workspaceId) }));
}

/** Whether another card of the tray is likely of the same person. */
export async function hasTwin(manager: EntityManager, workspaceId: string, cardId: string): Promise<boolean> {
  return (await findTwins(manager, workspaceId)).some(({ cardIds }) => cardIds.includes(cardId));
}

async function findTwins(manager: EntityManager, workspaceId: string): Promise<TrayTwin[]> {
  const cards = await manager.find(Card, {
    where: { state: In([...IN_TRAY]) },
    select: { id: true, readingId: true, draftVersion: true, occasionId: true },
    order: { takenAt: 'ASC', id: 'ASC' },
    take: MOST_CARDS,
  });
  const { same } = await limitsOf(manager, workspaceId);
  const features = await featuresOfCards(manager, workspaceId, cards);
  const frequencies = new FrequencyCounter();
  for (const one of features) frequencies.add(one);
  const matcher = new Matcher({ frequencies, limits: { same, perhaps: LIKELY } });
  const apart = new Set((await manager.find(NotSame)).map(({ oneId, otherId }) => `${oneId} ${otherId}`));
  const twins: TrayTwin[] = [];
  for (const { pairs } of findPairs(features, matcher)) {
    for (const { a, b } of pairs) {
      const { likelihood, newJob, evidence } = matcher.compare(features[a]!, features[b]!);
      const cardIds: TrayTwin['cardIds'] = [cards[a]!.id, cards[b]!.id];
      if (apart.has([...cardIds].sort().join(' '))) continue;
      const sameCard = likelihood >= same && !newJob && evidence.every(({ weight }) => weight > -1);
      twins.push({ cardIds, likelihood, sameCard, words: evidence[0]?.words ?? '' });
    }
  }
  return twins.sort((x, y) => y.likelihood - x.likelihood).slice(0, MOST_TWINS);
}

const MOST_TWINS = 200;
/** Below this two cards are not worth a word in the tray. */
const LIKELY = 0.5;

type CardState = Pick<Card, 'id' | 'readingId' | 'draftVersion' | 'occasionId'>;

async function featuresOfCards(
  manager: EntityManager,
  workspaceId: string,
  cards: readonly CardState[],
): Promise<Features[]> {
  const keyOf = (card: CardState) => `${card.id} ${card.readingId} ${card.draftVersion} ${card.occasionId}`;
  const missing = cards.filter((card) => !known.has(keyOf(card)));
  if (missing.length > 0) {
    const { country } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
    if (known.size > 5 * MOST_CARDS) known.clear();
    const rows = await manager.find(Card, {
      where: { id: In(missing.map(({ id }) => id)) },
      select: { id: true, readingId: true, draftVersion: true, occasionId: true, proposals: true, draft: true },
    });
    for (const row of rows)
      known.set(
        keyOf(row),
        featuresOf(fieldsOfCard(row), country, { occasions: row.occasionId ? [row.occasionId] : [] }),
      );
  }
  return cards.map((card) => known.get(keyOf(card)) ?? EMPTY);
}

/** What a card says: what people have made of it, else what was read. */
export const fieldsOfCard = ({ draft, proposals }: Pick<Card, 'draft' | 'proposals'>) =>
  personFieldsOf((draft as { draft: Draft } | null)?.draft ?? draftOf(proposals));

const EMPTY = featuresOf(personFieldsOf(draftOf([])));
