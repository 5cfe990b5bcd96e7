import { Link } from 'expo-router';
import UndoIcon from 'lucide-react-native/icons/undo-2';
import { View } from 'react-native';
import { counted } from '@/lib/counted';
import { Button, Highlight, IconButton, Raw, Serif, Soft, Text } from '@/ui';
import { type DeskAct, keyOf } from './deskKeys';

type Acts = Readonly<Partial<Record<DeskAct, () => void>>>;

/** Where one is in the run, with the ways to the cards before and behind. */
export const DeskHead = ({ position, of, acts }: { position: number; of: number; acts: Acts }) => (
  <View className="flex-row items-center justify-between gap-2 px-4">
    <Link href="/tray" aria-label="Back to the tray">
      <View className="min-h-touch justify-center">
        <Text className="underline underline-offset-4">Tray</Text>
      </View>
    </Link>
    {/* On the narrowest screens the three ways on are all there is room for. */}
    <View className="flex-row items-baseline gap-2 max-[300px]:absolute max-[300px]:opacity-0">
      <Serif role="heading" aria-level={1} className="text-[19px] leading-[25px]">
        Proof
      </Serif>
      {position > 0 ? <Soft className="tabular">{`${position} of ${of}`}</Soft> : null}
    </View>
    <View className="-mr-3 flex-row">
      <Button
        look="bare"
        className="px-2"
        disabled={!acts.previous}
        label="Back to the card before"
        onPress={() => acts.previous?.()}
      >
        Back
      </Button>
      <Button
        look="bare"
        className="px-2"
        disabled={!acts.next}
        label="Skip to the next card"
        onPress={() => acts.next?.()}
      >
        Skip
      </Button>
    </View>
  </View>
);

interface StageBarProps {
  picking: boolean;
  onPicking: (picking: boolean) => void;
  otherSide: boolean;
}

/** Whether a finger on the picture moves it or picks text from it. */
export const StageBar = ({ picking, onPicking, otherSide }: StageBarProps) => (
  <View className="flex-row items-center justify-between gap-2 border-b border-rule bg-table px-4">
    <Soft className="min-w-0 flex-1 max-[300px]:hidden">
      {picking
        ? 'Draw over the text, or touch a word.'
        : otherSide
          ? 'The back of the card'
          : 'Touch a word to find its field.'}
    </Soft>
    <Button look="bare" className="-mr-3 px-3" onPress={() => onPicking(!picking)}>
      {picking ? 'Move the picture' : 'Pick text'}
    </Button>
  </View>
);

interface DeskBarProps {
  acts: Acts;
  wide: boolean;
  doubts: number;
  fileWords: string;
}

/** Doubts first; when there are none left, filing is the only loud thing. */
export const DeskBar = ({ acts, wide, doubts, fileWords }: DeskBarProps) => (
  <View className="flex-row flex-wrap items-center justify-end gap-x-1 gap-y-2 border-t border-rule bg-paper px-3 py-2">
    <View role="status" className="min-w-[30px] flex-1 flex-row items-center">
      {doubts > 0 ? (
        <Highlight>{counted(doubts, 'doubt')}</Highlight>
      ) : (
        <Soft className="max-[300px]:hidden">No doubts left</Soft>
      )}
    </View>
    <IconButton label="Undo" disabled={!acts.undo} onPress={() => acts.undo?.()}>
      <UndoIcon size={20} color="rgb(var(--ink))" />
    </IconButton>
    {doubts > 0 ? (
      <Keyed act="nextDoubt" wide={wide}>
        <Button look="ink" className="px-3" onPress={() => acts.nextDoubt?.()}>
          Next doubt
        </Button>
      </Keyed>
    ) : null}
    <Keyed act="file" wide={wide}>
      <Button look={doubts > 0 ? 'plain' : 'ink'} className="px-3" disabled={!acts.file} onPress={() => acts.file?.()}>
        {fileWords}
      </Button>
    </Keyed>
  </View>
);

/** A button with its key beside it where there is a keyboard. */
const Keyed = ({ act, wide, children }: { act: DeskAct; wide: boolean; children: React.ReactNode }) =>
  wide ? (
    <View className="flex-row items-center gap-2">
      {children}
      <Raw aria-hidden className="text-soft">
        {keyOf(act).replace('Enter', '↵')}
      </Raw>
    </View>
  ) : (
    children
  );

interface MoreActsProps {
  acts: Acts;
  wide: boolean;
  photoId: string | null;
  onRemove: () => void;
}

/** What is needed now and then. */
export const MoreActs = ({ acts, wide, photoId, onRemove }: MoreActsProps) => (
  <View className="gap-1 px-4 pt-8">
    <View className="-ml-4 flex-row flex-wrap">
      <Button look="bare" disabled={!acts.details} onPress={() => acts.details?.()}>
        Go on to file
      </Button>
      <Button look="bare" onPress={() => acts.setAside?.()}>
        Set aside
      </Button>
      <Button look="bare" onPress={() => acts.secondLook?.()}>
        Second look
      </Button>
      <Button look="bare" onPress={() => acts.saw?.()}>
        What the machine saw
      </Button>
      <Button look="bare" disabled={!acts.redo} label="Do the undone again" onPress={() => acts.redo?.()}>
        Redo
      </Button>
      {wide ? (
        <Button look="bare" onPress={() => acts.palette?.()}>
          All keys
        </Button>
      ) : null}
      <Button look="brick" onPress={onRemove}>
        Remove this card from the tray
      </Button>
    </View>
    {photoId ? (
      <View className="items-start">
        <Link href={`/photos/${photoId}`}>
          <View className="min-h-touch justify-center">
            <Text className="underline underline-offset-4">Set the borders by hand</Text>
          </View>
        </Link>
      </View>
    ) : null}
  </View>
);
