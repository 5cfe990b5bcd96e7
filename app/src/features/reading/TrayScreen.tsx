import type { TrayItem } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { FlatList, View } from 'react-native';
import { useSelector } from 'react-redux';
import { selectWaitingPhotos } from '@/features/capture';
import { problemText } from '@/lib/api';
import { Button, EmptyState, Heading, LoadingLines, Notice, Soft } from '@/ui';
import { useTrayInfiniteQuery } from './api';
import { TrayRow } from './TrayRow';
import { WaitingRow } from './WaitingRow';

export function TrayScreen() {
  const router = useRouter();
  const { data, error, isLoading, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useTrayInfiniteQuery();
  const waiting = useSelector(selectWaitingPhotos);
  const items = data?.pages.flatMap((page) => page.items) ?? [];
  const next = items.find((item) => item.kind === 'card');
  const header = (
    <View className="gap-3 px-4 pb-3 pt-4">
      <View className="flex-row flex-wrap items-center justify-between gap-3">
        <Heading>Tray</Heading>
        {next ? (
          <Button look="ink" onPress={() => router.push(`/proof/${next.id}`)}>
            Prove the first
          </Button>
        ) : null}
      </View>
      {items.length + waiting.length > 0 ? <Soft>{countWords(data?.pages[0]?.total ?? 0, waiting.length)}</Soft> : null}
      {error ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      {waiting.map((photo) => (
        <WaitingRow key={photo.id} photo={photo} />
      ))}
    </View>
  );
  return (
    <View role="main" className="w-full max-w-[820px] flex-1 self-center">
      <FlatList<TrayItem>
        data={items}
        keyExtractor={(item) => item.id}
        renderItem={({ item }) => <TrayRow item={item} />}
        ListHeaderComponent={header}
        ListEmptyComponent={
          isLoading ? (
            <LoadingLines />
          ) : waiting.length === 0 && !error ? (
            <EmptyState
              title="The tray is empty"
              action={
                <Button look="ink" onPress={() => router.push('/photograph')}>
                  Photograph cards
                </Button>
              }
            >
              Photograph the cards you were given. They are read here, and wait for you to prove them.
            </EmptyState>
          ) : null
        }
        onEndReached={() => hasNextPage && !isFetchingNextPage && void fetchNextPage()}
        onEndReachedThreshold={0.6}
        contentContainerStyle={{ paddingBottom: 32 }}
      />
    </View>
  );
}

function countWords(inTray: number, onDevice: number): string {
  const cards = inTray === 1 ? '1 card not filed yet' : `${inTray} cards not filed yet`;
  return onDevice > 0 ? `${cards} · ${onDevice} still on this device` : cards;
}
