import { Slot, usePathname } from 'expo-router';
import { Suspense, useEffect, useState, type ComponentType, type CSSProperties } from 'react';
import { View } from 'react-native';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Provider } from 'react-redux';
import { BeginScreen, Portrait, SignInScreen, useSessionQuery } from '@/features/account';
import { useSending } from '@/features/capture';
import { SharedScreen, SystemsTrouble } from '@/features/exchange';
import { FiledStrip } from '@/features/filing';
import { useTodayCount } from '@/features/followup';
import { UnsavedStrip, ViewLinks } from '@/features/people';
import { JoinScreen } from '@/features/team';
import { useTrayCount, NewsStrip } from '@/features/tray';
import { hasStatus, problemCode, problemText } from '@/lib/api';
import { preloadScreens } from '@/lib/lazyScreen';
import { titleOfPath, usePageTitle } from '@/lib/pageTitle';
import { useServiceWorker } from '@/lib/serviceWorker';
import { useWide } from '@/lib/useWide';
import { BottomBar, MarginColumn } from '@/navigation';
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

const DOORS: Readonly<Record<string, ComponentType>> = { '/join': JoinScreen, '/shared': SharedScreen };

/** Pages for whoever is not in yet lie before the question of who is signed in. */
function Gate() {
  const path = usePathname();
  const Door = DOORS[path];
  usePageTitle(Door ? titleOfPath(path) : undefined);
  return Door ? (
    <Suspense fallback={<View role="status" aria-label="Loading" />}>
      <Door />
    </Suspense>
  ) : (
    <Inside />
  );
}

function Inside() {
  const { data, error, refetch } = useSessionQuery();
  const isOut = hasStatus(error, 401);
  const isNobodyHere = problemCode(error) === 'no-team-yet';
  usePageTitle(isNobodyHere ? 'Begin your team' : isOut ? 'Sign in' : undefined);
  if (isOut || data)
    return (
      <>
        {/* Under the sign-in page everything stays as it was, for whoever comes back. */}
        {data ? (
          <div style={isOut ? COVERED : OPEN} inert={isOut}>
            <Desk key={data.user.id} name={data.user.name} accountId={data.user.id} isOut={isOut} />
          </div>
        ) : null}
        {isOut ? (
          <Suspense fallback={<View role="status" aria-label="Loading" />}>
            {isNobodyHere ? <BeginScreen /> : <SignInScreen returning={data?.user} />}
          </Suspense>
        ) : null}
      </>
    );
  if (error) {
    return (
      <EmptyState title="Dossier cannot be reached" action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </EmptyState>
    );
  }
  return <View role="status" aria-label="Loading" />;
}

const OPEN: CSSProperties = { display: 'flex', flexDirection: 'column', flex: 1, minHeight: 0 };
/** Still laid out: what was scrolled stays so. */
const COVERED: CSSProperties = { ...OPEN, position: 'absolute', inset: 0, visibility: 'hidden' };

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
const WITH_PORTRAIT =
  /^\/(today|tray|people|companies|pipeline|pipeline\/leads|pipeline\/list|pipeline\/figures|clean|sample)$/;
/** Where one thing is done at a time, and where the trouble itself is in sight. */
const WITHOUT_TROUBLE = /^\/(proof|file|photos|photograph|settings\/systems)(\/|$)/;
const WITHOUT_BOTTOM_BAR = /^\/(proof|file|photos)\//;

function Desk({ name, accountId, isOut }: { name: string; accountId: string; isOut: boolean }) {
  const wide = useWide();
  const path = usePathname();
  const trayCount = useTrayCount();
  const todayCount = useTodayCount();
  usePageTitle(isOut ? undefined : titleOfPath(path));
  useSending(accountId);
  useEffect(() => {
    const gone = new AbortController();
    void preloadScreens(gone.signal);
    return () => gone.abort();
  }, []);
  const portrait = <Portrait name={name} />;
  const trouble = WITHOUT_TROUBLE.test(path) ? null : <SystemsTrouble />;
  if (wide) {
    return (
      <View className="min-h-0 flex-1 flex-row">
        <MarginColumn
          path={path}
          trayCount={trayCount}
          todayCount={todayCount}
          portrait={portrait}
          views={<ViewLinks />}
        />
        <View className="min-h-0 min-w-0 flex-1">
          <NewsStrip accountId={accountId} />
          {trouble}
          <UnsavedStrip />
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
      <NewsStrip accountId={accountId} />
      {trouble}
      <UnsavedStrip />
      <View className="min-h-0 flex-1">
        <Place />
      </View>
      <FiledStrip />
      {WITHOUT_BOTTOM_BAR.test(path) ? null : <BottomBar path={path} trayCount={trayCount} todayCount={todayCount} />}
    </View>
  );
}
