import { useState, type ReactNode } from 'react';
import { hasStatus, problemText } from '@/lib/api';
import { Button, LoadingLines } from '@/ui';
import { DoorPage } from './DoorPage';

/** What opens a link stands behind its #: it is sent nowhere but in the request that asks what is behind it. Empty where nothing stands there. */
export function useLinkToken(): string {
  const [token] = useState(() => globalThis.location?.hash.slice(1) ?? '');
  return token;
}

interface Props {
  token: string;
  /** Asking what is behind the link. */
  opening: { error?: unknown; isLoading: boolean; refetch: () => unknown };
  /** What there is to do where it has ended. */
  ended?: ReactNode;
}

/** The page behind a link as long as nobody knows what is behind it, and where it leads nowhere. */
export function LinkDoor({ token, opening: { error, isLoading, refetch }, ended = null }: Props) {
  if (isLoading)
    return (
      <DoorPage title="One moment" about="Looking at your link.">
        <LoadingLines lines={2} />
      </DoorPage>
    );
  const isOver = token === '' || hasStatus(error, 410) || hasStatus(error, 400);
  return (
    <DoorPage
      title={isOver ? 'This link has ended' : 'Dossier cannot be reached'}
      about={
        token === '' ? 'This link is not whole. Open it again as you got it, or ask for a new one.' : problemText(error)
      }
    >
      {isOver ? ended : <Button onPress={() => void refetch()}>Try again</Button>}
    </DoorPage>
  );
}
