import type { PhotoOnTheWay } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { useSelector } from 'react-redux';
import { Soft } from '@/ui';
import { usePhotosOnTheWayQuery } from './api';
import { selectSending, selectWaitingPhotos, type Shot } from './slice';

/** The last pictures, the latest first: where each one is, and the way to its card once it is read. */
export function LastShots({ shots, onLast }: { shots: readonly Shot[]; onLast: () => void }) {
  const router = useRouter();
  const waiting = useSelector(selectWaitingPhotos);
  const sending = useSelector(selectSending);
  const here = new Map(waiting.map((photo) => [photo.id, photo.refusal]));
  const sent = shots.filter(({ id }) => !here.has(id)).map(({ id }) => id);
  const { data } = usePhotosOnTheWayQuery(sent.join(), { skip: sent.length === 0 });
  const known = new Map(data?.items.map((photo) => [photo.id, photo]));
  if (shots.length === 0) return null;
  return (
    <div role="list" aria-label="The last pictures" style={{ display: 'flex', gap: 8, overflowX: 'auto' }}>
      {shots.toReversed().map((shot, i) => {
        const photo = known.get(shot.id);
        const words = here.has(shot.id)
          ? here.get(shot.id)
            ? 'not accepted'
            : sending?.id === shot.id
              ? 'being sent'
              : 'on this device'
          : wordsOf(photo);
        const cardId = photo?.cards.find((card) => !card.filed)?.id ?? photo?.cards[0]?.id;
        const open = cardId ? () => router.push(`/proof/${cardId}`) : i === 0 ? onLast : () => router.push('/tray');
        return (
          <View key={shot.id} role="listitem">
            <Pressable
              role="button"
              aria-label={`Picture ${shots.length - i}${shot.isBack ? ', a back' : ''}: ${words}`}
              onPress={open}
              className="w-[108px] gap-[2px] active:opacity-70"
            >
              <div
                style={{
                  width: 108,
                  height: 58,
                  borderRadius: 4,
                  overflow: 'hidden',
                  boxShadow: '0 0 0 1px rgb(var(--rule))',
                }}
              >
                <img src={shot.thumbnail} alt="" style={{ width: '100%', height: '100%', objectFit: 'cover' }} />
              </div>
              <Soft numberOfLines={1} className="text-[15px] leading-[20px]">
                {words}
              </Soft>
            </Pressable>
          </View>
        );
      })}
    </div>
  );
}

function wordsOf(photo: PhotoOnTheWay | undefined): string {
  if (!photo) return 'sent';
  switch (photo.state) {
    case 'waiting':
      return 'waiting';
    case 'reading':
      return 'being read';
    case 'unreadable':
      return 'cannot be read';
    case 'read':
      return photo.cards.every(({ filed }) => filed) && photo.cards.length > 0
        ? 'filed'
        : photo.cards.length > 1
          ? `${photo.cards.length} cards`
          : 'read: prove it';
  }
}
