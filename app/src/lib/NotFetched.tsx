import { Button } from '@/ui/Button';
import { EmptyState } from '@/ui/EmptyState';

/** In place of a screen whose code could not be had: the network is away, or the server is. */
export const NotFetched = () => (
  <EmptyState
    title="This part could not be fetched"
    action={<Button onPress={() => globalThis.location.reload()}>Try again</Button>}
  >
    Check the connection and try again. What is kept on this device stays.
  </EmptyState>
);
