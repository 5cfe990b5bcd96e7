import type { TrayItem } from '@dossier/contract';
import { Link } from 'expo-router';
import { memo, useEffect, useState, type ComponentType } from 'react';
import { View } from 'react-native';
import { useDiscardPhotoMutation } from '@/features/capture';
import { API, problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhenShort } from '@/lib/formatDate';
import { Button, CardImage, cardPicture, ChooseRow, Highlight, HoldToChoose, Serif, Soft } from '@/ui';
import { leftToRead } from './soonRead';
import { TwinNote } from './TwinNote';

export interface RowParts {
  /** Something to do with a card, at the end of its row: lent by the room that does it. */
  RowAct: ComponentType<{ item: TrayItem }>;
}

/** What other rooms lend to the tray. */
export interface TrayParts extends RowParts {
  /** Makes several ready for another device. */
  Give: ComponentType<{ items: readonly TrayItem[]; onProblem: (words: string | undefined) => void }>;
}

interface Props extends RowParts {
  item: TrayItem;
  /** Undefined while rows open instead of being chosen. */
  chosen: boolean | undefined;
  /** @param run everything since the row chosen before as well */
  onChoose: (cardId: string, run: boolean) => void;
}

/** One card, or one photograph whose cards are not known yet. Others may change without it. */
export const TrayRow = memo(function TrayRow(props: Props) {
  return props.item.kind === 'photo' ? <PhotoRow item={props.item} /> : <CardRow {...props} />;
});

/** A card opens on the desk; held, or with shift, or while rows are being chosen, it is chosen instead. */
function CardRow({ item, chosen, onChoose, RowAct }: Props) {
  const label = rowLabel(item);
  const choose = (run: boolean) => onChoose(item.id, run);
  if (chosen !== undefined) {
    return (
      <ChooseRow label={label} chosen={chosen} onChoose={choose}>
        <View className="w-full py-2 pl-[13px] pr-4">
          <RowBody item={item} />
        </View>
      </ChooseRow>
    );
  }
  return (
    <View className="border-b border-rule hover:bg-table">
      <View className="flex-row items-center">
        <HoldToChoose onChoose={choose}>
          <Link href={`/proof/${item.id}`} aria-label={label}>
            <View className="w-full px-4 py-2">
              <RowBody item={item} />
            </View>
          </Link>
        </HoldToChoose>
        <View className="pr-4">
          <RowAct item={item} />
        </View>
      </View>
      <TwinNote item={item} />
    </View>
  );
}

const PhotoRow = ({ item }: { item: TrayItem }) => (
  <View className="border-b border-rule px-4 py-2">
    <RowBody item={item} />
    {item.state === 'unreadable' ? <UnreadableActions photoId={item.id} /> : null}
  </View>
);

const rowLabel = (item: TrayItem): string =>
  [item.name ?? 'Unnamed card', item.company, stateWords(item)].filter(Boolean).join(', ');

function RowBody({ item }: { item: TrayItem }) {
  const where = [formatWhenShort(item.takenAt), item.occasion?.name].filter(Boolean).join(' · ');
  const state = item.doubts > 0 ? '' : `${stateWords(item)} · `;
  return (
    <View className="flex-row items-center gap-4">
      {!item.picture ? (
        <NoPicture />
      ) : item.kind === 'card' ? (
        <CardImage src={cardPicture(item.id, 'thumbnail', item.pictureId)} alt="" width={88} />
      ) : (
        <PhotoPicture item={item} />
      )}
      <View className="min-w-0 flex-1 gap-[2px]">
        <Serif numberOfLines={2} className={item.name ? '' : 'text-soft'}>
          {item.name ?? (item.kind === 'photo' ? 'A new photograph' : (item.company ?? 'No name read'))}
        </Serif>
        {item.name && item.company ? <Soft numberOfLines={1}>{item.company}</Soft> : null}
        <View className="flex-row items-center gap-2">
          {item.doubts > 0 ? <Highlight>{doubtWords(item.doubts)}</Highlight> : null}
          <Soft numberOfLines={1} className="min-w-0 flex-1">
            {item.secondLook ? secondLookWords(item.secondLook) : `${state}${where}`}
          </Soft>
        </View>
        {item.message ? <Soft className="text-ink">{item.message}</Soft> : null}
        {item.state === 'reading' ? <Progress share={item.progress ?? 0} /> : null}
      </View>
    </View>
  );
}

const secondLookWords = ({ askedBy, askedOf, message }: NonNullable<TrayItem['secondLook']>): string =>
  `${askedBy.name} asks ${askedOf.name}${message ? `: “${message}”` : ' to look'}`;

/** Most photographs are read before a small picture of them would be made: it is asked for where that takes longer. */
function PhotoPicture({ item }: { item: TrayItem }) {
  const [left, setLeft] = useState(() => leftToRead(item));
  useEffect(() => {
    const timer = setTimeout(() => setLeft(0), left);
    return () => clearTimeout(timer);
  }, [left]);
  if (left > 0) return <View className="h-[52px] w-[88px] rounded-card bg-table" />;
  return <CardImage src={`${API}/photos/${item.photoId}/picture?size=thumbnail`} alt="" width={88} />;
}

/** In place of a picture that there is not. */
const NoPicture = () => (
  <View className="h-[52px] w-[88px] items-center justify-center rounded-card border border-dashed border-rule">
    <Soft>no picture</Soft>
  </View>
);

const doubtWords = (doubts: number): string => counted(doubts, 'doubt');

function stateWords(item: TrayItem): string {
  if (item.state === 'toProve')
    return item.doubts > 0 ? doubtWords(item.doubts) : item.rereading ? 'no doubt so far' : 'no doubt';
  return {
    waiting: 'waiting to be read',
    reading: 'being read',
    needsPerson: 'to type in',
    setAside: 'set aside',
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

function UnreadableActions({ photoId }: { photoId: string }) {
  const [discard, { isLoading, error }] = useDiscardPhotoMutation();
  return (
    <View className="flex-row flex-wrap items-center gap-2 pt-2">
      <Button look="brick" busy={isLoading} onPress={() => void discard(photoId)}>
        Remove from the tray
      </Button>
      {error ? <Soft role="alert">{problemText(error)}</Soft> : null}
    </View>
  );
}
