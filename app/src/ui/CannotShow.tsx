import type { ReactNode } from 'react';
import { isNotHere, problemText } from '@/lib/api';
import { Button } from './Button';
import { EmptyPage } from './EmptyState';
import { ToTray } from './ToTray';

interface Props {
  title: string;
  error: unknown;
  onRetry: () => unknown;
  /** The way on; to the tray without one. */
  onwards?: ReactNode;
}

/** A page whose content could not be had: what happened, and how to go on. What is not here is not asked for again. */
export function CannotShow({ title, error, onRetry, onwards = <ToTray /> }: Props) {
  const isGone = isNotHere(error);
  return (
    <EmptyPage
      title={title}
      action={
        <>
          {isGone ? null : <Button onPress={() => void onRetry()}>Try again</Button>}
          {onwards}
        </>
      }
    >
      {problemText(error)}
    </EmptyPage>
  );
}
