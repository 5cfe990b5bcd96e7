import type { ProofCard } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { useChangeCardsMutation } from '@/features/tray';
import { Button, EmptyPage, ToTray } from '@/ui';

/** Whether a card has left the tray, or lies there with another. */
export const isOutOfTray = ({ state }: ProofCard): boolean => ['attached', 'filed', 'discarded'].includes(state);

/** What became of a card that cannot be worked on, and the way to where it is. */
export function OutOfTray({ card: { id, state, personId, frontCardId } }: { card: ProofCard }) {
  const router = useRouter();
  const [change, { isLoading }] = useChangeCardsMutation();
  if (state === 'attached')
    return (
      <EmptyPage
        title="The back of another card"
        action={
          <Button onPress={() => router.replace(frontCardId ? `/proof/${frontCardId}` : '/tray')}>
            Open that card
          </Button>
        }
      >
        Both sides are proved together.
      </EmptyPage>
    );
  if (state === 'filed')
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
  return (
    <EmptyPage
      title="Removed from the tray"
      action={
        <>
          <Button busy={isLoading} onPress={() => void change({ cardIds: [id], state: 'toProve' })}>
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
