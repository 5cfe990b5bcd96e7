import type { ChosenPeople } from '@dossier/contract';
import { Button } from '@/ui';
import { packPeople } from './pack';
import { useGiving } from './useGiving';

interface Props {
  who: ChosenPeople;
  /** What is wrong, in words. */
  onProblem: (words: string | undefined) => void;
}

/** People for another device, with everything about them. */
export function GivePeople({ who, onProblem }: Props) {
  const { busy, give } = useGiving(onProblem);
  return (
    <Button busy={busy} onPress={() => void give((id) => packPeople(id, who))}>
      To another device
    </Button>
  );
}
