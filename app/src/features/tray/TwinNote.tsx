import type { TrayItem, TrayTwin } from '@dossier/contract';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { useNotSameMutation, useTrayTwinsQuery } from '@/features/matching';
import { problemText } from '@/lib/api';
import { Button, Soft, Text } from '@/ui';
import { useChangeCardsMutation } from './api';

/** Under a card of the tray: that another one there is of the same person, before either is filed. */
export function TwinNote({ item }: { item: TrayItem }) {
  const { data } = useTrayTwinsQuery();
  // The later of the two is the one to be asked about.
  const twin = data?.items.find(({ cardIds }) => cardIds[1] === item.id);
  return twin ? <Note item={item} twin={twin} /> : null;
}

function Note({ item, twin }: { item: TrayItem; twin: TrayTwin }) {
  const [keepApart, parting] = useNotSameMutation();
  const [change, removing] = useChangeCardsMutation();
  const problem = parting.error ?? removing.error;
  return (
    <View className="flex-row flex-wrap items-center gap-x-3 px-4 pb-2">
      <Text className="text-[15px]">
        {twin.sameCard ? 'The same card is here already.' : 'Another card here is of the same person.'}
      </Text>
      <Soft>{twin.words}</Soft>
      <Link href={`/proof/${twin.cardIds[0]}`}>
        <View className="min-h-touch justify-center">
          <Text className="text-[15px] underline underline-offset-4">See it</Text>
        </View>
      </Link>
      <Button
        look="bare"
        busy={removing.isLoading}
        label={`Take this card of ${item.name ?? 'nobody'} out of the tray`}
        onPress={() => void change({ cardIds: [item.id], state: 'discarded' })}
      >
        Remove this one
      </Button>
      <Button
        look="bare"
        busy={parting.isLoading}
        label={`${item.name ?? 'This card'} is somebody else`}
        onPress={() => void keepApart({ ids: twin.cardIds })}
      >
        Two different people
      </Button>
      {problem ? <Soft role="alert">{problemText(problem)}</Soft> : null}
    </View>
  );
}
