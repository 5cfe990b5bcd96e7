import type { TrayItem } from '@dossier/contract';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { useDiscardPhotoMutation } from '@/features/capture';
import { API, problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, CardImage, cardPicture, Highlight, Serif, Soft } from '@/ui';

/** One card, or one photograph whose cards are not known yet. */
export const TrayRow = ({ item }: { item: TrayItem }) =>
  item.kind === 'card' ? (
    <Link href={`/proof/${item.id}`} aria-label={rowLabel(item)}>
      <View className="w-full border-b border-rule px-4 py-3 hover:bg-table">
        <RowBody item={item} />
      </View>
    </Link>
  ) : (
    <View className="border-b border-rule px-4 py-3">
      <RowBody item={item} />
      {item.state === 'unreadable' ? <UnreadableActions item={item} /> : null}
    </View>
  );

const rowLabel = (item: TrayItem): string =>
  [item.name ?? 'Unnamed card', item.company, stateWords(item)].filter(Boolean).join(', ');

function RowBody({ item }: { item: TrayItem }) {
  const src =
    item.kind === 'card' ? cardPicture(item.id, 'thumbnail') : `${API}/photos/${item.photoId}/picture?size=thumbnail`;
  return (
    <View className="flex-row items-center gap-4">
      <CardImage src={src} alt="" width={102} />
      <View className="min-w-0 flex-1 gap-[2px]">
        <Serif numberOfLines={2} className={item.name ? '' : 'text-soft'}>
          {item.name ?? (item.kind === 'photo' ? 'A new photograph' : (item.company ?? 'No name read'))}
        </Serif>
        {item.name && item.company ? <Soft numberOfLines={1}>{item.company}</Soft> : null}
        <View className="flex-row flex-wrap items-center gap-x-3 gap-y-1">
          {item.doubts > 0 ? <Highlight>{item.doubts === 1 ? '1 doubt' : `${item.doubts} doubts`}</Highlight> : null}
          <Soft>
            {item.doubts > 0 ? formatWhen(item.takenAt) : `${stateWords(item)} · ${formatWhen(item.takenAt)}`}
          </Soft>
        </View>
        {item.message ? <Soft className="text-ink">{item.message}</Soft> : null}
        {item.state === 'reading' ? <Progress share={item.progress ?? 0} /> : null}
      </View>
    </View>
  );
}

function stateWords(item: TrayItem): string {
  if (item.state === 'toProve') return item.doubts > 0 ? `${item.doubts} doubts` : 'nothing doubtful';
  return {
    waiting: 'waiting to be read',
    reading: 'being read',
    needsPerson: 'needs a person',
    unreadable: 'cannot be opened',
  }[item.state];
}

const Progress = ({ share }: { share: number }) => (
  <View
    role="progressbar"
    aria-label="Being read"
    aria-valuemin={0}
    aria-valuemax={100}
    aria-valuenow={Math.round(share * 100)}
    className="mt-1 h-[3px] w-full max-w-[260px] bg-table"
  >
    <View className="h-full bg-ink" style={{ width: `${Math.round(share * 100)}%` }} />
  </View>
);

function UnreadableActions({ item }: { item: TrayItem }) {
  const [discard, { isLoading, error }] = useDiscardPhotoMutation();
  return (
    <View className="flex-row flex-wrap items-center gap-2 pt-2">
      <Button look="brick" busy={isLoading} onPress={() => void discard(item.photoId)}>
        Remove from the tray
      </Button>
      {error ? <Soft role="alert">{problemText(error)}</Soft> : null}
    </View>
  );
}
