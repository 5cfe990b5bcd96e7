import type { Person } from '@dossier/contract';
import { useEffect, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button, CardImage, cardPicture, Soft } from '@/ui';

/** So many cards are shown; the history has each beside what came from it. */
const MOST = 4;

interface Picture {
  cardId: string;
  words: string;
}

/** Cards of somebody, front and back, the latest large; each opens as large as the screen. */
export function CardPictures({ person: { cardIds, backs, fullName } }: { person: Person }) {
  const [open, setOpen] = useState<number>();
  const pictures = cardIds.slice(0, MOST).flatMap((cardId, i): Picture[] => {
    const words = i === 0 ? `The card of ${fullName}` : 'An earlier card';
    const back = backs[cardId];
    return [{ cardId, words }, ...(back ? [{ cardId: back, words: `${words}, the back` }] : [])];
  });
  return (
    <View className="flex-row flex-wrap items-start gap-4">
      {pictures.map(({ cardId, words }, i) => (
        <Pressable
          key={cardId}
          role="button"
          aria-label={`${words}: open it large`}
          onPress={() => setOpen(i)}
          style={{ maxWidth: '100%' }}
        >
          <CardImage
            src={cardPicture(cardId)}
            alt={words}
            width={i === 0 ? 320 : cardIds[0] && backs[cardIds[0]] === cardId ? 220 : 140}
            natural
            lifted={i === 0}
          />
        </Pressable>
      ))}
      {open !== undefined && pictures[open] ? (
        <Large pictures={pictures} at={open} onMove={setOpen} onClose={() => setOpen(undefined)} />
      ) : null}
    </View>
  );
}

/** One picture over everything; arrows lead to the next, Escape and a touch beside it close it. */
function Large({
  pictures,
  at,
  onMove,
  onClose,
}: {
  pictures: readonly Picture[];
  at: number;
  onMove: (to: number) => void;
  onClose: () => void;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const element = dialog.current;
    element?.showModal?.();
    return () => element?.close?.();
  }, []);
  const { cardId, words } = pictures[at]!;
  const go = (by: -1 | 1) => onMove((at + by + pictures.length) % pictures.length);
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- what is pressed or typed anywhere in it
    <dialog
      ref={dialog}
      aria-label={words}
      onCancel={onClose}
      onClick={(event) => event.target === dialog.current && onClose()}
      onKeyDown={(event) => {
        if (event.key === 'ArrowRight') go(1);
        if (event.key === 'ArrowLeft') go(-1);
      }}
      className="bg-paper"
      style={{ border: 0, padding: 16, maxWidth: '96vw', maxHeight: '96vh', color: 'rgb(var(--ink))' }}
    >
      <img
        src={cardPicture(cardId)}
        alt={words}
        style={{ display: 'block', maxWidth: '100%', maxHeight: '76vh', borderRadius: 4, margin: '0 auto' }}
      />
      <View className="flex-row flex-wrap items-center gap-2 pt-3">
        <Soft className="min-w-0 flex-1">{words}</Soft>
        {pictures.length > 1 ? (
          <Button look="bare" className="px-2" onPress={() => go(1)}>
            Next picture
          </Button>
        ) : null}
        <Button onPress={onClose}>Close</Button>
      </View>
    </dialog>
  );
}
