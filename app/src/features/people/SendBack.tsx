import type { Person } from '@dossier/contract';
import { isOnlyFiled } from '@dossier/core/people';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, Soft } from '@/ui';
import { useSendBackMutation } from './api';

/** While nothing else was done to somebody than filing one card: the way back to the tray, for as long as that holds. */
export function SendBack({ person }: { person: Person }) {
  const router = useRouter();
  const [sendBack, { isLoading, error }] = useSendBackMutation();
  const isOfCard = person.history.some(({ action, cardId }) => action.startsWith('filed') && cardId !== null);
  if (person.deletedAt || !isOfCard || !isOnlyFiled(person.history)) return null;
  const send = async () => {
    const answer = await sendBack(person.id);
    if (!answer.error) router.replace('/tray');
  };
  return (
    <View className="items-start gap-2">
      <Button busy={isLoading} onPress={() => void send()}>
        Send the card back to the tray
      </Button>
      <Soft>Undoes the filing. Possible until anything else is done to this record.</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
