import { Link } from 'expo-router';
import ImageIcon from 'lucide-react-native/icons/image-up';
import { useCallback, useEffect, useState, type DragEvent } from 'react';
import { Pressable, View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { Button, HiddenHeading, Notice, Serif, Soft, Text } from '@/ui';
import { CameraTrouble } from './CameraTrouble';
import { keepPhoto } from './keepPhoto';
import { selectWaitingPhotos } from './slice';
import { useCamera } from './useCamera';
import { usePickFiles } from './usePickFiles';

/** Live camera with a release, then retake or use; or picture files, picked or dropped. */
export function PhotographScreen({ accountId }: { accountId: string }) {
  const dispatch = useDispatch();
  const waiting = useSelector(selectWaitingPhotos);
  const [shot, setShot] = useState<{ blob: Blob; url: string }>();
  const [kept, setKept] = useState(0);
  const { video, state, takePicture, tryAgain } = useCamera(true);
  const onKept = useCallback((count: number) => setKept((n) => n + count), []);
  const { pick, take, complaints } = usePickFiles(accountId, onKept);

  useEffect(() => () => void (shot && URL.revokeObjectURL(shot.url)), [shot]);

  const release = async () => {
    const blob = await takePicture();
    if (blob) setShot({ blob, url: URL.createObjectURL(blob) });
  };
  const use = async () => {
    if (!shot) return;
    await keepPhoto(accountId, shot.blob)(dispatch);
    onKept(1);
    setShot(undefined);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    void take([...event.dataTransfer.files]);
  };
  const live = state === 'live';

  return (
    <div
      role="main"
      onDragOver={(event) => event.preventDefault()}
      onDrop={drop}
      style={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}
    >
      <HiddenHeading>Photograph</HiddenHeading>
      <View className="min-h-0 flex-1 items-center justify-center bg-table">
        <video
          ref={video}
          muted
          playsInline
          aria-label="What the camera sees"
          style={{ width: '100%', height: '100%', objectFit: 'contain', display: live && !shot ? 'block' : 'none' }}
        />
        {shot ? (
          <img
            src={shot.url}
            alt="The photograph just taken"
            style={{ width: '100%', height: '100%', objectFit: 'contain' }}
          />
        ) : null}
        {!live && !shot ? <CameraTrouble state={state} onTryAgain={tryAgain} onPick={pick} /> : null}
      </View>
      <View className="gap-3 border-t border-rule bg-paper px-4 py-3">
        {complaints.map((complaint) => (
          <Notice key={complaint} fault>
            {complaint}
          </Notice>
        ))}
        {kept > 0 ? <KeptNotice kept={kept} waiting={waiting.length} /> : null}
        {shot ? (
          <View className="flex-row justify-between gap-3">
            <Button className="flex-1" onPress={() => setShot(undefined)}>
              Retake
            </Button>
            <Button className="flex-1" look="ink" onPress={() => void use()}>
              Use this
            </Button>
          </View>
        ) : (
          <View className="flex-row items-center justify-between">
            <Button
              look="bare"
              icon={<ImageIcon size={20} color="rgb(var(--ink))" />}
              onPress={pick}
              className="-ml-4 w-[136px]"
            >
              Pick files
            </Button>
            {live ? <Release onPress={() => void release()} /> : null}
            <View className="w-[120px]">
              <Soft className="text-right">{live ? 'Lay the card flat, fill the frame.' : ''}</Soft>
            </View>
          </View>
        )}
      </View>
    </div>
  );
}

const Release = ({ onPress }: { onPress: () => void }) => (
  <Pressable
    role="button"
    aria-label="Take the photograph"
    onPress={onPress}
    className="h-[68px] w-[68px] items-center justify-center rounded-full border-2 border-ink active:opacity-60"
  >
    <View className="h-[54px] w-[54px] rounded-full bg-ink" />
  </Pressable>
);

function KeptNotice({ kept, waiting }: { kept: number; waiting: number }) {
  const words = kept === 1 ? 'Kept' : `${kept} kept`;
  const rest = waiting > 0 ? `${waiting} still on this device` : 'all with Dossier, being read';
  return (
    <View role="status" className="flex-row flex-wrap items-baseline justify-between gap-x-4">
      <View className="flex-row items-baseline gap-2">
        <Serif className="text-[18px]">{words}</Serif>
        <Soft>{rest}</Soft>
      </View>
      <Link href="/tray">
        <Text className="underline underline-offset-4">See the tray</Text>
      </Link>
    </View>
  );
}
