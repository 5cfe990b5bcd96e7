import { hasStatus, problemText } from '@/lib/api';
import { Button } from './Button';
import { EmptyPage } from './EmptyState';
import { ToTray } from './ToTray';

interface Props {
  title: string;
  error: unknown;
  onRetry: () => unknown;
}

/** A page whose content could not be had: what happened, and how to go on. What is not here is not asked for again. */
export function CannotShow({ title, error, onRetry }: Props) {
  const isGone = hasStatus(error, 404) || hasStatus(error, 400);
  return (
    <EmptyPage
      title={title}
      action={
        <>
          {isGone ? null : <Button onPress={() => void onRetry()}>Try again</Button>}
          <ToTray />
        </>
      }
    >
      {problemText(error)}
    </EmptyPage>
  );
}
