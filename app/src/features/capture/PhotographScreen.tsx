import { Link } from 'expo-router';
import { lazy, Suspense, useCallback, useRef, useState, type DragEvent } from 'react';
import { Pressable, View } from 'react-native';
import { useSelector } from 'react-redux';
import { useDeviceSetting } from '@/lib/deviceSetting';
import { Button, HiddenHeading, Notice, Serif, Soft, Text } from '@/ui';
import { CameraOptions, Release } from './CameraBar';
import { CameraTrouble } from './CameraTrouble';
import { LastShots } from './LastShots';
import { LiveOverlay } from './LiveOverlay';
import { OccasionChooser } from './OccasionChooser';
import { soundSafe } from './safeSound';
import { selectWaitingPhotos, type Shot } from './slice';
import { type Facing, useCamera } from './useCamera';
import { useLive } from './useLive';
import { useOccasions } from './useOccasions';
import { usePickFiles } from './usePickFiles';
import { useShots } from './useShots';
import { useStorageLeft } from './useStorageLeft';
import { WithoutPicture } from './WithoutPicture';

/** Knows web addresses by their endings: heavy, and few people read codes. */
const CodePanel = lazy(() => import('./CodePanel'));

type Panel = 'occasion' | 'text' | 'last' | 'code';

/** The live picture with the card outlined and advice; card after card without waiting. Or files, or text. */
export function PhotographScreen({ accountId }: { accountId: string }) {
  const { current } = useOccasions(accountId);
  const occasionId = current?.id ?? null;
  const [panel, setPanel] = useState<Panel>();
  const [facing, setFacing] = useDeviceSetting<Facing>('camera.facing', 'environment');
  const [byItself, setByItself] = useDeviceSetting('camera.byItself', false);
  const [sound, setSound] = useDeviceSetting('camera.sound', true);
  const [busy, setBusy] = useState(false);
  const shots = useShots(accountId, occasionId);
  const { pick, drop, stop, progress, complaints } = usePickFiles(accountId, occasionId, shots.kept);
  const room = useStorageLeft(shots.count);
  const watching = panel !== 'occasion' && panel !== 'text';
  const camera = useCamera(watching, facing);
  const live = camera.state === 'live';

  const { takePicture } = camera;
  const { keep } = shots;
  // One press after the other, however fast they come: a state is set only with the next rendering.
  const releasing = useRef(false);
  const release = useCallback(async () => {
    if (releasing.current) return;
    releasing.current = true;
    setBusy(true);
    try {
      const shot = await takePicture();
      if (shot && (await keep(shot.bytes, shot.thumbnail)) && sound) soundSafe();
    } finally {
      // Whatever went wrong with this one, the next can be taken.
      setBusy(false);
      releasing.current = false;
    }
  }, [keep, sound, takePicture]);
  const { sight, taken, again } = useLive(camera.video, live && watching && panel !== 'code', () => {
    if (!byItself || panel) return false;
    void release();
    return true;
  });

  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    void drop(event.dataTransfer);
  };

  return (
    <div
      role="main"
      onDragOver={(event) => event.preventDefault()}
      onDrop={onDrop}
      style={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}
    >
      <HiddenHeading>Photograph</HiddenHeading>
      {panel === 'occasion' ? (
        <OccasionChooser accountId={accountId} onDone={() => setPanel(undefined)} />
      ) : panel === 'text' ? (
        <WithoutPicture accountId={accountId} occasionId={occasionId} onDone={() => setPanel(undefined)} />
      ) : (
        <>
          <OccasionBar name={current?.name} onPress={() => setPanel('occasion')} />
          <View className="min-h-0 flex-1 items-center justify-center bg-table">
            <video
              ref={camera.video}
              muted
              playsInline
              aria-label="What the camera sees"
              style={{ width: '100%', height: '100%', objectFit: 'contain', display: live ? 'block' : 'none' }}
            />
            {live ? <LiveOverlay sight={sight} size={camera.size} /> : null}
            {live ? null : <CameraTrouble state={camera.state} onTryAgain={camera.tryAgain} onPick={() => pick()} />}
          </View>
          <View className="gap-2 border-t border-rule bg-paper px-4 py-2">
            {[...complaints, shots.problem, room].map((words) =>
              words ? (
                <Notice key={words} fault>
                  {words}
                </Notice>
              ) : null,
            )}
            {progress ? (
              <Notice action={<Button onPress={stop}>Stop</Button>}>
                {`Taking in ${progress.done + 1} of ${progress.of}: ${progress.name}`}
              </Notice>
            ) : null}
            {panel === 'code' ? (
              <Suspense fallback={<Soft>One moment …</Soft>}>
                <CodePanel
                  accountId={accountId}
                  occasionId={occasionId}
                  video={camera.video}
                  live={live}
                  onDone={() => setPanel(undefined)}
                />
              </Suspense>
            ) : null}
            {panel === 'last' && shots.last ? (
              <LastShotPanel
                last={shots.last}
                backNext={shots.backNext}
                onBackNext={() => {
                  shots.setBackNext(!shots.backNext);
                  setPanel(undefined);
                }}
                onRetake={() => {
                  again();
                  void shots.retake().then(() => setPanel(undefined));
                }}
                onClose={() => setPanel(undefined)}
              />
            ) : null}
            {shots.count > 0 && panel !== 'code' ? <KeptLine count={shots.count} backNext={shots.backNext} /> : null}
            {panel === 'code' ? null : <LastShots shots={shots.shots} onLast={() => setPanel('last')} />}
            {live && panel !== 'code' ? (
              <>
                <View className="flex-row items-center justify-between">
                  <View className="w-[120px]">
                    {shots.last ? (
                      <Button
                        look="bare"
                        className="-ml-4"
                        label="What to do with the last picture"
                        onPress={() => setPanel(panel === 'last' ? undefined : 'last')}
                      >
                        Last picture
                      </Button>
                    ) : null}
                  </View>
                  <Release
                    busy={busy}
                    onPress={() => {
                      taken();
                      void release();
                    }}
                  />
                  <View className="w-[120px] items-end">
                    {shots.last && !shots.last.isBack ? (
                      <Button
                        look={shots.backNext ? 'ink' : 'plain'}
                        label="Now the back: the next picture is the back of this card"
                        onPress={() => shots.setBackNext(!shots.backNext)}
                      >
                        Now the back
                      </Button>
                    ) : null}
                  </View>
                </View>
                <CameraOptions
                  byItself={byItself}
                  onByItself={(on) => {
                    // What lies there was taken by hand already.
                    if (on && shots.count > 0) taken();
                    setByItself(on);
                  }}
                  sound={sound}
                  onSound={setSound}
                  abilities={camera.abilities}
                  torch={camera.torch}
                  onTorch={(on) => void camera.setTorch(on)}
                  onTurn={() => setFacing(facing === 'user' ? 'environment' : 'user')}
                />
              </>
            ) : null}
            {panel === 'code' ? null : (
              <OtherWays
                onFiles={() => pick()}
                onFolder={() => pick(true)}
                onCode={() => setPanel('code')}
                onText={() => setPanel('text')}
              />
            )}
          </View>
        </>
      )}
    </div>
  );
}

const OccasionBar = ({ name, onPress }: { name: string | undefined; onPress: () => void }) => (
  <Pressable
    role="button"
    aria-label={name ? `Occasion: ${name}. Change it` : 'Set the occasion'}
    onPress={onPress}
    className="min-h-[48px] flex-row items-center justify-between gap-3 border-b border-rule bg-paper px-4 py-2 hover:bg-table"
  >
    <Serif numberOfLines={1} className={`min-w-0 flex-1 text-[18px] leading-[24px] ${name ? '' : 'text-soft'}`}>
      {name ?? 'No occasion set'}
    </Serif>
    <Text className="underline underline-offset-4">{name ? 'Change' : 'Set'}</Text>
  </Pressable>
);

const OtherWays = ({
  onFiles,
  onFolder,
  onCode,
  onText,
}: {
  onFiles: () => void;
  onFolder: () => void;
  onCode: () => void;
  onText: () => void;
}) => (
  <View className="-mx-2 flex-row flex-wrap justify-between border-t border-rule">
    <Button look="bare" className="px-2" onPress={onFiles}>
      Pick files
    </Button>
    <Button look="bare" className="px-2" onPress={onFolder}>
      Pick a folder
    </Button>
    <Button look="bare" className="px-2" onPress={onCode}>
      Scan a QR code
    </Button>
    <Button look="bare" className="px-2" onPress={onText}>
      Paste or type
    </Button>
  </View>
);

interface LastShotPanelProps {
  last: Shot;
  backNext: boolean;
  onBackNext: () => void;
  onRetake: () => void;
  onClose: () => void;
}

/** What can be done with the picture just taken. */
const LastShotPanel = ({ last, backNext, onBackNext, onRetake, onClose }: LastShotPanelProps) => (
  <View className="gap-3">
    <img
      src={last.thumbnail}
      alt="Taken last"
      style={{ maxHeight: 180, maxWidth: '100%', alignSelf: 'flex-start', borderRadius: 4 }}
    />
    <View className="flex-row flex-wrap gap-3">
      <Button look="brick" onPress={onRetake}>
        Retake
      </Button>
      {last.isBack ? null : <Button onPress={onBackNext}>{backNext ? 'Not the back' : 'Now the back'}</Button>}
      <Button onPress={onClose}>Close</Button>
    </View>
  </View>
);

function KeptLine({ count, backNext }: { count: number; backNext: boolean }) {
  const waiting = useSelector(selectWaitingPhotos).length;
  const rest = waiting > 0 ? `${waiting} still on this device` : 'all with Dossier, being read';
  return (
    <View role="status" className="flex-row flex-wrap items-baseline justify-between gap-x-4">
      <View className="flex-row items-baseline gap-2">
        <Serif className="text-[18px]">
          {backNext ? 'Now the back' : count === 1 ? 'Picture safe' : `${count} pictures safe`}
        </Serif>
        <Soft>{rest}</Soft>
      </View>
      <Link href="/tray">
        <Text className="underline underline-offset-4">See the tray</Text>
      </Link>
    </View>
  );
}
