import { Slot, usePathname } from 'expo-router';
import { Suspense, useEffect, useState } from 'react';
import { View } from 'react-native';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Provider } from 'react-redux';
import { Portrait, SignInScreen, useSessionQuery } from '@/features/account';
import { useSending } from '@/features/capture';
import { FiledStrip } from '@/features/proof';
import { useTrayCount, WordStrip } from '@/features/reading';
import { hasStatus, problemText } from '@/lib/api';
import { preloadScreens } from '@/lib/lazyScreen';
import { useWide } from '@/lib/useWide';
import { BottomBar, MarginColumn } from '@/navigation';
import { useServiceWorker } from '@/lib/serviceWorker';
import { createStore } from '@/store';
import { Button, EmptyState, HiddenHeading, LoadingLines, Serif } from '@/ui';

/** The application: who is signed in decides between the sign-in page and the desk. */
export function RootScreen() {
  const [store] = useState(createStore);
  useServiceWorker();
  return (
    <Provider store={store}>
      <SafeAreaProvider style={{ flex: 1 }}>
        <View className="flex-1 bg-paper">
          <Gate />
        </View>
      </SafeAreaProvider>
    </Provider>
  );
}

function Gate() {
  const { data, error, refetch } = useSessionQuery();
  if (hasStatus(error, 401))
    return (
      <Suspense fallback={<View role="status" aria-label="Loading" />}>
        <SignInScreen />
      </Suspense>
    );
  if (data) return <Desk name={data.user.name} accountId={data.user.id} />;
  if (error) {
    return (
      <EmptyState title="Dossier cannot be reached" action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </EmptyState>
    );
  }
  return <View role="status" aria-label="Loading" />;
}

const Place = () => (
  <Suspense
    fallback={
      <View role="main">
        <HiddenHeading>Loading</HiddenHeading>
        <LoadingLines />
      </View>
    }
  >
    <Slot />
  </Suspense>
);

/** On the proof desk the bottom of a phone belongs to the desk's own buttons. */
const WITH_PORTRAIT = /^\/(tray|people|account|occasions|learned|clean)$/;
const WITHOUT_BOTTOM_BAR = /^\/(proof|file|photos)\//;

function Desk({ name, accountId }: { name: string; accountId: string }) {
  const wide = useWide();
  const path = usePathname();
  const trayCount = useTrayCount();
  useSending(accountId);
  useEffect(() => {
    const gone = new AbortController();
    void preloadScreens(gone.signal);
    return () => gone.abort();
  }, []);
  const portrait = <Portrait name={name} />;
  if (wide) {
    return (
      <View className="min-h-0 flex-1 flex-row">
        <MarginColumn path={path} trayCount={trayCount} portrait={portrait} />
        <View className="min-h-0 min-w-0 flex-1">
          <WordStrip accountId={accountId} />
          <Place />
          <FiledStrip />
        </View>
      </View>
    );
  }
  return (
    <View className="min-h-0 flex-1">
      {WITH_PORTRAIT.test(path) ? (
        <View role="banner" className="flex-row items-center justify-between border-b border-rule pl-4 pr-2">
          <Serif className="text-[18px] text-soft">Dossier</Serif>
          {portrait}
        </View>
      ) : null}
      <WordStrip accountId={accountId} />
      <View className="min-h-0 flex-1">
        <Place />
      </View>
      <FiledStrip />
      {WITHOUT_BOTTOM_BAR.test(path) ? null : <BottomBar path={path} trayCount={trayCount} />}
    </View>
  );
}
