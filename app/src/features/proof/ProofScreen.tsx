import type { ProofCard } from '@dossier/contract';
import { useNavigation, useRouter } from 'expo-router';
import { memo, useCallback, useDeferredValue, useEffect, useState, type CSSProperties } from 'react';
import { useSelector } from 'react-redux';
import { Button, CannotShow, EmptyPage, LoadingLines, ToTray } from '@/ui';
import { useChangeCardsMutation } from '@/features/reading';
import { useCardQuery } from './api';
import { Desk } from './Desk';
import { selectDraft } from './slice';
import { useDraft } from './useDraft';
import { useRun, type Run } from './useRun';

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
  if (card.state === 'attached') return <IsBack frontCardId={card.frontCardId} />;
  if (card.state === 'filed' || card.state === 'discarded')
    return <NotInTray cardId={cardId} state={card.state} personId={card.personId} />;
  return <Desk card={card} cardDraft={cardDraft} run={run} onGo={onGo} />;
});

function IsBack({ frontCardId }: { frontCardId: string | null }) {
  const router = useRouter();
  return (
    <EmptyPage
      title="The back of another card"
      action={
        <Button onPress={() => router.replace(frontCardId ? `/proof/${frontCardId}` : '/tray')}>Open that card</Button>
      }
    >
      Both sides are proved together.
    </EmptyPage>
  );
}

interface NotInTrayProps extends Pick<ProofCard, 'personId'> {
  cardId: string;
  state: 'filed' | 'discarded';
}

function NotInTray({ cardId, state, personId }: NotInTrayProps) {
  const router = useRouter();
  const [change, { isLoading }] = useChangeCardsMutation();
  if (state === 'filed') {
    return (
      <EmptyPage
        title="This card is filed"
        action={
          <>
            {personId ? <Button onPress={() => router.replace(`/people/${personId}`)}>Open the person</Button> : null}
            <ToTray />
          </>
        }
      >
        Its person keeps the picture and the history.
      </EmptyPage>
    );
  }
  return (
    <EmptyPage
      title="Removed from the tray"
      action={
        <>
          <Button busy={isLoading} onPress={() => void change({ cardIds: [cardId], state: 'toProve' })}>
            Put it back
          </Button>
          <ToTray />
        </>
      }
    >
      The photograph is kept. You can put the card back.
    </EmptyPage>
  );
}
