import type { ProofCard } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { Activity, memo, useCallback, useDeferredValue, useEffect, useRef, useState } from 'react';
import { EmptyState, Button, LoadingLines } from '@/ui';
import { useChangeCardsMutation } from '@/features/reading';
import { problemText } from '@/lib/api';
import { useCardQuery } from './api';
import { Desk } from './Desk';
import { useDraft } from './useDraft';
import { useRun, type Run } from './useRun';

/** The proof desk: the card and its fields together. The desk of the next card is made ready out of sight. */
export function ProofScreen({ cardId }: { cardId: string }) {
  const { current, go } = useCurrentCard(cardId);
  const runOf = useRun(current);
  // At first only what is shown changes; the desk before goes, and the one behind is made, when there is time.
  const before = useDeferredValue(current);
  const ids = new Set([before, runOf(before).next ?? current, current]);
  return [...ids].map((id) => (
    <Activity key={id} mode={id === current ? 'visible' : 'hidden'}>
      <CardDesk cardId={id} {...runOf(id)} onGo={go} />
    </Activity>
  ));
}

/** The card on the desk: another one is there at once, and the address follows when it is painted, which takes the router longer. */
function useCurrentCard(cardId: string) {
  const router = useRouter();
  const [ahead, setAhead] = useState<string>();
  const frame = useRef(0);
  useEffect(() => setAhead((id) => (id === cardId ? undefined : id)), [cardId]);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const go = useCallback(
    (id: string | undefined) => {
      cancelAnimationFrame(frame.current);
      if (!id) return router.replace('/tray');
      setAhead(id);
      frame.current = requestAnimationFrame(() => {
        frame.current = requestAnimationFrame(() => router.replace(`/proof/${id}`));
      });
    },
    [router],
  );
  return { current: ahead ?? cardId, go };
}

interface CardDeskProps extends Run {
  cardId: string;
  onGo: (cardId: string | undefined) => void;
}

/** Told apart by what it is given: the next card's desk stays as it was made when its turn comes. */
const CardDesk = memo(function CardDesk({ cardId, onGo, ...run }: CardDeskProps) {
  const { data: card, error, refetch } = useCardQuery(cardId);
  const cardDraft = useDraft(card);
  if (error) {
    return (
      <EmptyState title="This card cannot be shown" action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </EmptyState>
    );
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
    <EmptyState
      title="The back of another card"
      action={
        <Button onPress={() => router.replace(frontCardId ? `/proof/${frontCardId}` : '/tray')}>Open that card</Button>
      }
    >
      Both sides are proved together.
    </EmptyState>
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
      <EmptyState
        title="This card is filed"
        action={
          personId ? <Button onPress={() => router.replace(`/people/${personId}`)}>Open the person</Button> : undefined
        }
      >
        Its person keeps the picture and the history.
      </EmptyState>
    );
  }
  return (
    <EmptyState
      title="Removed from the tray"
      action={
        <>
          <Button busy={isLoading} onPress={() => void change({ cardIds: [cardId], state: 'toProve' })}>
            Put it back
          </Button>
          <Button look="ink" onPress={() => router.replace('/tray')}>
            Go to the tray
          </Button>
        </>
      }
    >
      The photograph is kept. You can put the card back.
    </EmptyState>
  );
}
