import type { ChosenPeople } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { problemText } from '@/lib/api';
import { Button } from '@/ui';
import { useDirectorySettingsQuery, useLookUpMutation } from './api';

interface Props {
  who: ChosenPeople;
  disabled: boolean;
  /** What is wrong, in words. */
  onProblem: (words: string | undefined) => void;
}

/** Asks the directory about those who were chosen, and leads to what it says; nothing where none is set up. */
export function AskDirectory({ who, disabled, onProblem }: Props) {
  const router = useRouter();
  const { data } = useDirectorySettingsQuery();
  const [ask, { isLoading }] = useLookUpMutation();
  if (!data?.address) return null;
  const go = async () => {
    onProblem(undefined);
    const answer = await ask(who);
    if (answer.data) router.push('/found');
    else onProblem(problemText(answer.error));
  };
  return (
    <Button disabled={disabled} busy={isLoading} onPress={() => void go()}>
      Ask the directory
    </Button>
  );
}
