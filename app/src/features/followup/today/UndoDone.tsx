import { problemText } from '@/lib/api';
import { Button, Notice } from '@/ui';
import { useEndTaskMutation } from '../api';

export interface Undoable {
  id: string;
  text: string;
}

/** What was done last here, to be taken back. */
export function UndoDone({ last, onUndone }: { last: Undoable | undefined; onUndone: () => void }) {
  const [end, { error }] = useEndTaskMutation();
  if (!last) return null;
  const undo = async () => {
    const answer = await end({ id: last.id, to: 'open' });
    if (!answer.error) onUndone();
  };
  return (
    <Notice
      action={
        <Button look="bare" onPress={() => void undo()}>
          Undo
        </Button>
      }
    >
      {error ? problemText(error) : `Done: ${last.text}`}
    </Notice>
  );
}
