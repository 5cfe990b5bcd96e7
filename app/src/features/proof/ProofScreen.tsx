import type { ProofCard } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { EmptyState, Button, LoadingLines } from '@/ui';
import { useChangeCardsMutation } from '@/features/reading';
import { problemText } from '@/lib/api';
import { useCardQuery } from './api';
import { Desk } from './Desk';
import { useDraft } from './useDraft';

/** The proof desk: the card and its fields together. */
export function ProofScreen({ cardId }: { cardId: string }) {
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
  return <Desk card={card} cardDraft={cardDraft} />;
}

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
