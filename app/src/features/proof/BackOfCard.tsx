import type { ProofCard, TrayItem } from '@dossier/contract';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useTrayInfiniteQuery } from '@/features/tray';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, CardImage, cardPicture, Notice, Soft, Subheading, Text } from '@/ui';
import { useJoinBackMutation, useTakeBackOffMutation } from './api';

/** Cards offered as a back: those photographed nearest in time. */
const OFFERED = 6;

/** The back that is read with this card as one: joined from the tray, or taken off again. */
export function BackOfCard({ card }: { card: ProofCard }) {
  return card.back ? <JoinedBack card={card} /> : <JoinBack card={card} />;
}

function JoinedBack({ card }: { card: ProofCard }) {
  const [takeOff, { isLoading, error }] = useTakeBackOffMutation();
  return (
    <View className="items-start gap-2 px-4 pt-8">
      <Subheading>Back of this card</Subheading>
      {card.back!.picture ? (
        <CardImage
          src={cardPicture(card.back!.cardId, 'full', card.back!.pictureId)}
          alt="The back of the card"
          width={260}
          natural
          aspect={card.back!.reading.width / card.back!.reading.height}
        />
      ) : null}
      <Button look="bare" className="-ml-4" busy={isLoading} onPress={() => void takeOff(card.id)}>
        Take the back off
      </Button>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

function JoinBack({ card }: { card: ProofCard }) {
  const [open, setOpen] = useState(false);
  return (
    <View className="items-start gap-2 px-4 pt-8">
      <Button look="bare" className="-ml-4" onPress={() => setOpen(!open)}>
        {open ? 'Close' : 'Join the back of this card'}
      </Button>
      {open ? <Backs card={card} /> : null}
    </View>
  );
}

function Backs({ card }: { card: ProofCard }) {
  const { data, error } = useTrayInfiniteQuery({});
  const [join, { isLoading, error: refused }] = useJoinBackMutation();
  const distance = (item: TrayItem) => Math.abs(Date.parse(item.takenAt) - Date.parse(card.takenAt));
  const others = (data?.pages ?? [])
    .flatMap((page) => page.items)
    .filter((item) => item.kind === 'card' && item.picture && item.id !== card.id)
    .sort((a, b) => distance(a) - distance(b))
    .slice(0, OFFERED);
  if (error) return <Notice fault>{problemText(error)}</Notice>;
  if (data && others.length === 0) return <Soft>There is no other card in the tray. Photograph the back first.</Soft>;
  return (
    <View className="w-full gap-1">
      <Soft>Which of these is its back? The two are then read as one.</Soft>
      {others.map((item) => {
        const name = item.name ?? item.company ?? 'No name read';
        return (
          <Pressable
            key={item.id}
            role="button"
            disabled={isLoading}
            aria-label={`${name}, photographed ${formatWhen(item.takenAt)}, is the back`}
            onPress={() => void join({ id: card.id, cardId: item.id })}
            className="min-h-touch flex-row items-center gap-3 border-b border-rule py-2 hover:bg-table"
          >
            <CardImage src={cardPicture(item.id, 'thumbnail', item.pictureId)} alt="" width={84} />
            <View className="min-w-0 flex-1">
              <Text numberOfLines={1}>{name}</Text>
              <Soft>{formatWhen(item.takenAt)}</Soft>
            </View>
          </Pressable>
        );
      })}
      {refused ? <Notice fault>{problemText(refused)}</Notice> : null}
    </View>
  );
}
