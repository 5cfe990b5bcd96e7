import type { DraftContent, PersonSources } from '@dossier/contract';
import { type Draft, draftOf, recordValues, sourcesOf, spanArea, withNewReading } from '@dossier/core/proof';
import { In, type DataSource } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { loadFields } from '../people';
import { Card } from '../reading';

/** Values are looked for on so many of somebody's cards, the latest first. */
const MOST_CARDS = 8;

/** Where on which card each value of a record was read; values that stand on none are not among them. @throws ProblemError 404 */
export function personSources(database: DataSource, { workspaceId }: SignedIn, id: string): Promise<PersonSources> {
  return inSnapshot(database, workspaceId, async (manager) => {
    const loaded = (await loadFields(manager, [id])).get(id);
    if (!loaded) throw notFound('This person');
    const cards = await manager.find(Card, {
      where: { workspaceId, personId: id },
      order: { takenAt: 'DESC', id: 'ASC' },
      take: MOST_CARDS,
    });
    const backs = await manager.findBy(Card, { workspaceId, frontCardId: In(cards.map((card) => card.id)) });
    const backOf = new Map(backs.map((back) => [back.frontCardId, back]));
    let wanted = recordValues(loaded.fields);
    const items: PersonSources['items'] = [];
    for (const card of cards) {
      for (const { sources, ...value } of sourcesOf(wanted, draftAsFiled(card))) {
        const side = sources[0]!.side === 'back' ? backOf.get(card.id) : card;
        if (!side?.fileId) continue;
        const { id: cardId, fileId: pictureId, reading } = side;
        const onSide = sources.filter((span) => span.side === sources[0]!.side);
        const areas = onSide.flatMap((span) => spanArea(reading, span) ?? []);
        if (areas.length > 0) items.push({ ...value, cardId, pictureId, cardWidth: reading.width, areas });
      }
      const found = new Set(items.map(keyOf));
      wanted = wanted.filter((value) => !found.has(keyOf(value)));
    }
    return { items };
  });
}

/** What was made of a card, or proposed where nobody touched it; places are those of its last reading. */
function draftAsFiled({ draft: kept, proposals, readingId }: Card): Draft {
  if (!kept) return draftOf(proposals);
  const content = kept as DraftContent;
  return content.readingId === readingId ? content.draft : withNewReading(content.draft, proposals);
}

const keyOf = ({ field, label, value }: Pick<PersonSources['items'][number], 'field' | 'label' | 'value'>): string =>
  [field, label, value].join('\n');
