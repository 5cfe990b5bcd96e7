import { useNavigation, useRouter } from 'expo-router';
import { memo, useCallback, useDeferredValue, useEffect, useState, type CSSProperties } from 'react';
import { useSelector } from 'react-redux';
import { CannotShow, LoadingLines } from '@/ui';
import { useCardQuery } from './api';
import { Desk } from './Desk';
import { isOutOfTray, OutOfTray } from './OutOfTray';
import { selectDraft } from './slice';
import { useDraft } from './useDraft';
import { type Run, useRun } from './useRun';

/** The proof desk: the card and its fields together. The desk of the next card is made ready out of sight. */
export function ProofScreen({ cardId }: { cardId: string }) {
  const router = useRouter();
  const navigation = useNavigation<{ setParams: (params: { cardId: string }) => void }>();
  // The card on the desk. Another one is there at once; the router, which takes longer, learns of it later.
  const [current, setCurrent] = useState(cardId);
  useEffect(() => setCurrent(cardId), [cardId]);
  const go = useCallback((id: string | undefined) => (id ? setCurrent(id) : router.replace('/tray')), [router]);

  // At first only what is in sight changes; the desk before goes, and the next one is made, once it stands and there is time.
  const stands = useStands(current);
  const before = useDeferredValue(stands ? current : undefined, undefined);
  const runOf = useRun(before ?? current);
  const ids = new Set(before ? [before, runOf(before).next ?? current, current] : [current]);
  const settled = before === current;
  useEffect(() => {
    // Before that, the router would have everything made in one go.
    if (settled) navigation.setParams({ cardId: current });
  }, [settled, current, navigation]);
  return (
    <div style={{ position: 'relative', flex: 1, isolation: 'isolate' }}>
      {[...ids].map((id) => (
        <div key={id} style={id === current ? ON_TOP : READY}>
          <CardDesk cardId={id} {...runOf(id)} onGo={go} />
        </div>
      ))}
    </div>
  );
}

/** Whether the desk of a card, or what is said in its place, is there. */
function useStands(cardId: string): boolean {
  const { isError } = useCardQuery(cardId);
  const isOpened = useSelector((state: Parameters<ReturnType<typeof selectDraft>>[0]) =>
    Boolean(selectDraft(cardId)(state)),
  );
  return isError || isOpened;
}

const ON_TOP: CSSProperties = {
  position: 'absolute',
  inset: 0,
  display: 'flex',
  flexDirection: 'column',
  contain: 'strict',
  zIndex: 1,
};
/**
 * Connected and laid out as if it were seen, and it keeps its style when shown. Neither focus nor screen readers get there;
 * it lies below, for it would take touches otherwise.
 */
const READY: CSSProperties = { ...ON_TOP, contentVisibility: 'hidden', zIndex: 0 };

interface CardDeskProps extends Run {
  cardId: string;
  onGo: (cardId: string | undefined) => void;
}

/** Told apart by what it is given: the next card's desk stays as it was made when its turn comes. */
const CardDesk = memo(function CardDesk({ cardId, onGo, ...run }: CardDeskProps) {
  const { data: card, error, refetch } = useCardQuery(cardId);
  const cardDraft = useDraft(card);
  if (error) {
    return <CannotShow title="This card cannot be shown" error={error} onRetry={refetch} />;
  }
  if (!card || !cardDraft) return <LoadingLines lines={6} />;
  if (isOutOfTray(card)) return <OutOfTray card={card} />;
  return <Desk card={card} cardDraft={cardDraft} run={run} onGo={onGo} />;
});
