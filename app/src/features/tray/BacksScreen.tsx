import type { BacksOfPhoto } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, CannotShow, CardImage, cardPicture, Heading, LoadingLines, Notice, Select, Serif, Soft } from '@/ui';
import { useBacksOfPhotoQuery, useJoinBacksMutation } from './api';

/** Several fronts and their backs, paired by where they lie in their photographs; a person confirms or puts it right. */
export function BacksScreen({ photoId }: { photoId: string }) {
  const { data, error, refetch } = useBacksOfPhotoQuery(photoId, { refetchOnMountOrArgChange: true });
  if (error) {
    return <CannotShow title="There is nothing to match" error={error} onRetry={refetch} />;
  }
  if (!data) return <LoadingLines lines={4} />;
  return <Match key={photoId} photoId={photoId} sides={data} />;
}

const LAID_WORDS: Record<BacksOfPhoto['laid'], string> = {
  inPlace: 'Matched as cards that were turned over where they lie.',
  sideways: 'Matched as rows turned over from left to right.',
  endways: 'Matched as columns turned over from top to bottom.',
};

function Match({ photoId, sides }: { photoId: string; sides: BacksOfPhoto }) {
  const router = useRouter();
  const [backOf, setBackOf] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(sides.pairs.map(({ frontId, backId }) => [frontId, backId])),
  );
  const [join, { isLoading, error }] = useJoinBacksMutation();
  // A back given to another front leaves the one it was with.
  const give = (frontId: string, backId: string) =>
    setBackOf({
      ...Object.fromEntries(Object.entries(backOf).filter(([, b]) => b !== backId)),
      [frontId]: backId,
    });
  const pairs = Object.entries(backOf)
    .filter(([, backId]) => backId !== '')
    .map(([frontId, backId]) => ({ frontId, backId }));
  const alone = sides.backs.filter(({ id }) => !pairs.some((pair) => pair.backId === id));
  const save = async (confirmed: typeof pairs) => {
    const answer = await join({ photoId, pairs: confirmed });
    if (!answer.error) router.replace('/tray');
  };
  const options = [
    { value: '', label: 'No back' },
    ...sides.backs.map((back, i) => ({ value: back.id, label: `Back ${i + 1}${back.name ? `: ${back.name}` : ''}` })),
  ];
  return (
    <View role="main" className="min-h-0 w-full max-w-[820px] flex-1 self-center">
      <ScrollView className="min-h-0 flex-1" contentContainerStyle={{ padding: 16, gap: 12 }}>
        <Heading>Fronts and backs</Heading>
        <Soft>{LAID_WORDS[sides.laid]} Look at each pair, and change what does not belong together.</Soft>
        {sides.fronts.map((front, i) => {
          const backId = backOf[front.id] ?? '';
          const name = front.name ?? `Front ${i + 1}`;
          return (
            <View key={front.id} className="gap-2 border-b border-rule pb-3">
              <Serif numberOfLines={1}>{name}</Serif>
              <View className="flex-row gap-3">
                <View className="min-w-0 flex-1">
                  <CardImage src={cardPicture(front.id, 'thumbnail')} alt={`Front: ${name}`} width="100%" />
                </View>
                <View className="min-w-0 flex-1">
                  {backId ? (
                    <CardImage src={cardPicture(backId, 'thumbnail')} alt={`Its back`} width="100%" />
                  ) : (
                    <View
                      className="w-full items-center justify-center rounded-card border border-dashed border-rule"
                      style={{ aspectRatio: 1.7 }}
                    >
                      <Soft>no back</Soft>
                    </View>
                  )}
                </View>
              </View>
              <View className="self-end">
                <Select
                  label={`Back of ${name}`}
                  options={options}
                  value={backId}
                  onChange={(id) => give(front.id, id)}
                />
              </View>
            </View>
          );
        })}
        {alone.length > 0 ? (
          <View className="gap-2">
            <Soft>{alone.length === 1 ? 'This one stays a card of its own.' : 'These stay cards of their own.'}</Soft>
            <View className="flex-row flex-wrap gap-3">
              {alone.map(({ id, name }) => (
                <CardImage
                  key={id}
                  src={cardPicture(id, 'thumbnail')}
                  alt={name ?? 'A back without a front'}
                  width={140}
                />
              ))}
            </View>
          </View>
        ) : null}
      </ScrollView>
      <View className="gap-2 border-t border-rule bg-paper px-4 py-3">
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
        <View className="flex-row flex-wrap items-center justify-end gap-3">
          <Button look="bare" onPress={() => void save([])}>
            They are all cards of their own
          </Button>
          <Button look="ink" busy={isLoading} disabled={pairs.length === 0} onPress={() => void save(pairs)}>
            {pairs.length === 1 ? 'Join this pair' : `Join ${pairs.length} pairs`}
          </Button>
        </View>
      </View>
    </View>
  );
}
