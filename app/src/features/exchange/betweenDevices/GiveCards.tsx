import type { TrayItem } from '@dossier/contract';
import { Button } from '@/ui';
import { packCards } from './pack';
import { useGiving } from './useGiving';

interface Props {
  items: readonly TrayItem[];
  /** What is wrong, in words; the toolbar has the room to say it. */
  onProblem: (words: string | undefined) => void;
}

/** Cards of the tray for another device. */
export function GiveCards({ items, onProblem }: Props) {
  const { busy, give } = useGiving(onProblem);
  return (
    <Button disabled={items.length === 0} busy={busy} onPress={() => void give((id) => packCards(id, items))}>
      To a device
    </Button>
  );
}
