import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { useSessionQuery } from '@/features/account';
import { Button, Heading, Notice, Page, Soft } from '@/ui';
import { keepPhoto } from './keepPhoto';
import { useOccasions } from './useOccasions';

/** A photograph of a made-up card, served beside the application. */
const SAMPLE = '/sample/card.jpg';

export function SampleScreen() {
  const { data: session } = useSessionQuery();
  return session ? <Sample accountId={session.user.id} /> : null;
}

/** A card for whoever has none at hand: to be photographed from this screen, or taken as it is. */
function Sample({ accountId }: { accountId: string }) {
  const router = useRouter();
  const dispatch = useDispatch();
  const { current } = useOccasions(accountId);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const take = async () => {
    setBusy(true);
    try {
      const response = await fetch(SAMPLE);
      if (!response.ok) throw new Error(response.statusText);
      const bytes = await response.blob();
      await keepPhoto(accountId, { bytes, name: 'Sample card', occasionId: current?.id ?? null })(dispatch);
      router.push('/tray');
    } catch {
      setProblem('The sample card could not be fetched. Check the connection and try again.');
      setBusy(false);
    }
  };
  return (
    <Page measure={640}>
      <View className="gap-4">
        <View className="gap-1">
          <Heading>A sample card</Heading>
          <Soft>
            Photograph it from this screen with your phone, or use it as it is. It goes the way of every card: it is
            read, waits in the tray, and is filed once you have proved it.
          </Soft>
        </View>
        <img
          src={SAMPLE}
          alt="A business card of a made-up person, lying on a table"
          width={1600}
          height={1200}
          style={{ width: '100%', height: 'auto', borderRadius: 4, boxShadow: '0 2px 10px rgb(0 0 0 / 0.25)' }}
        />
        {problem ? <Notice fault>{problem}</Notice> : null}
        <View className="flex-row flex-wrap gap-3">
          <Button look="ink" busy={busy} onPress={() => void take()}>
            Use this card
          </Button>
          <Button onPress={() => router.push('/photograph')}>Photograph it</Button>
        </View>
        <Soft>Nobody of that name exists. Delete the person afterwards as you would anybody else.</Soft>
      </View>
    </Page>
  );
}
