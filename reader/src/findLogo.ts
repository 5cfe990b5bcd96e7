import type { Area } from '@dossier/core/proof';
import type { CardWithReading } from './logoOnCard';
import { onSideThread } from './sideThread';

/**
 * The place of a mark on a card in pixels of its reading, see `logoArea`; undefined when there is none.
 * @throws Error when the picture cannot be opened
 */
export const findLogo = onSideThread<CardWithReading, Area | undefined>('./logoOnCard.ts', 'logoOnCard');
