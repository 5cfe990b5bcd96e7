import type { PhotoOutlines } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useReducer, useState } from 'react';
import { View } from 'react-native';
import { API, problemText } from '@/lib/api';
import { Button, CannotShow, EmptyPage, Heading, LoadingLines, Notice, Soft, ToTray } from '@/ui';
import { useChangeOutlinesMutation, useNothingMissedMutation, usePhotoOutlinesQuery } from './api';
import { BorderDrawing } from './BorderDrawing';
import {
  type BorderAct,
  type Borders,
  bordersOf,
  changeBorders,
  changeOf,
  complaintsAbout,
  isChanged,
  selectedBorder,
  toBeRead,
  withMissed,
} from './borders';

/** A photograph's borders, set right by hand; only what changed is read again. */
export function BordersScreen({ photoId }: { photoId: string }) {
  const { data, error, refetch } = usePhotoOutlinesQuery(photoId, { refetchOnMountOrArgChange: true });
  if (error) return <CannotShow title="This photograph cannot be shown" error={error} onRetry={refetch} />;
  if (!data) return <LoadingLines lines={4} />;
  if (data.reading)
    return (
      <EmptyPage title="Being read" action={<Button onPress={() => void refetch()}>Look again</Button>}>
        Its borders can be changed when that is done.
      </EmptyPage>
    );
  if (!data.picture || !data.width)
    return (
      <EmptyPage title="The photograph is no longer kept" action={<ToTray />}>
        Its cards are in the tray as they were cut out; their borders stay.
      </EmptyPage>
    );
  return <SetBorders key={photoId} photoId={photoId} outlines={data} />;
}

/** Borders that somebody changed and left unsaved, by photograph: they are as they were left when that is opened again. */
const unfinished = new Map<string, Borders>();

function SetBorders({ photoId, outlines }: { photoId: string; outlines: PhotoOutlines }) {
  const router = useRouter();
  const before = useMemo(() => bordersOf(outlines), [outlines]);
  const [borders, dispatch] = useReducer(changeBorders, before, (begun) => unfinished.get(photoId) ?? withMissed(begun, outlines.perhaps)); // prettier-ignore
  useEffect(() => {
    if (isChanged(borders, before)) unfinished.set(photoId, borders);
    else unfinished.delete(photoId);
  }, [borders, before, photoId]);
  const [joining, setJoining] = useState(false);
  const [save, { isLoading, error }] = useChangeOutlinesMutation();
  const complaints = complaintsAbout(borders);
  const anew = toBeRead(borders, before);
  const [sayNone, { isLoading: isSaying, error: notSaid }] = useNothingMissedMutation();
  // What was perhaps missed was taken away, and nothing else done.
  const isNone = outlines.perhaps.length > 0 && !isChanged(borders, before);

  const act = (next: BorderAct) => {
    // While two borders are being joined, the next one touched is the other.
    if (joining && next.kind === 'select' && next.key && next.key !== borders.selected) {
      dispatch({ kind: 'join', other: next.key });
      setJoining(false);
    } else if (!(joining && next.kind === 'begin')) dispatch(next);
  };
  const done = async () => {
    const answer = isNone ? await sayNone(photoId) : await save({ photoId, ...changeOf(borders) });
    if (answer.error) return;
    unfinished.delete(photoId);
    router.replace('/tray');
  };

  return (
    <View role="main" className="min-h-0 flex-1">
      <View className="flex-row items-center justify-between gap-3 border-b border-rule px-4 py-2">
        <Heading className="text-[21px] leading-[27px]">Borders</Heading>
        <Button look="bare" className="-mr-4" onPress={() => router.back()}>
          Close
        </Button>
      </View>
      <View className="min-h-0 flex-1 bg-table p-3">
        <BorderDrawing
          src={`${API}/photos/${photoId}/picture?size=display`}
          borders={borders}
          complaints={complaints}
          dispatch={act}
        />
      </View>
      <View className="gap-2 border-t border-rule bg-paper px-4 py-2">
        <Hint borders={borders} complaints={complaints} joining={joining} />
        <Acts borders={borders} joining={joining} onJoin={() => setJoining(!joining)} act={dispatch} />
        {(error ?? notSaid) ? <Notice fault>{problemText(error ?? notSaid)}</Notice> : null}
        <View className="flex-row items-center justify-between gap-3 pb-1">
          <Button
            look="bare"
            className="-ml-4"
            disabled={borders.past.length === 0}
            onPress={() => dispatch({ kind: 'undo' })}
          >
            Undo
          </Button>
          <Button
            look="ink"
            busy={isLoading || isSaying}
            disabled={complaints.size > 0 || !(isNone || isChanged(borders, before))}
            onPress={() => void done()}
          >
            {isNone
              ? 'No card is missing'
              : anew === 0
                ? 'Save the borders'
                : anew === 1
                  ? 'Save and read 1 card'
                  : `Save and read ${anew} cards`}
          </Button>
        </View>
      </View>
    </View>
  );
}

function Hint({
  borders,
  complaints,
  joining,
}: {
  borders: Borders;
  complaints: ReadonlyMap<string, string>;
  joining: boolean;
}) {
  const [complaint] = complaints.values();
  if (complaint) return <Notice fault>{complaint}</Notice>;
  const selected = selectedBorder(borders);
  const words = joining
    ? 'Touch the other part of the card.'
    : selected?.fixed
      ? 'This card is filed: its border stays.'
      : selected?.perhaps
        ? 'Perhaps a card that was missed. Set its border, or remove it.'
        : selected
          ? 'Drag the corners, or the card as a whole.'
          : borders.list.length > 0
            ? 'Touch a border to change it.'
            : 'No card was found. Add a border and drag it around the card.';
  return <Soft role="status">{words}</Soft>;
}

interface ActsProps {
  borders: Borders;
  joining: boolean;
  onJoin: () => void;
  act: (act: BorderAct) => void;
}

const Acts = ({ borders, joining, onJoin, act }: ActsProps) => {
  const selected = selectedBorder(borders);
  const off = !selected || selected.fixed;
  return (
    <View className="flex-row flex-wrap gap-2">
      <Button onPress={() => act({ kind: 'add' })}>Add a border</Button>
      <Button disabled={off} onPress={() => act({ kind: 'turn' })}>
        Turn
      </Button>
      <Button disabled={off} onPress={() => act({ kind: 'split' })}>
        Split in two
      </Button>
      <Button look={joining ? 'ink' : 'plain'} disabled={off || borders.list.length < 2} onPress={onJoin}>
        Join with another
      </Button>
      <Button look="brick" disabled={off} onPress={() => act({ kind: 'remove' })}>
        Remove
      </Button>
    </View>
  );
};
