import FlashlightIcon from 'lucide-react-native/icons/flashlight';
import FlashlightOffIcon from 'lucide-react-native/icons/flashlight-off';
import TurnIcon from 'lucide-react-native/icons/switch-camera';
import SoundIcon from 'lucide-react-native/icons/volume-2';
import SoundOffIcon from 'lucide-react-native/icons/volume-x';
import { Pressable, View } from 'react-native';
import { IconButton, Text, Toggle } from '@/ui';
import type { CameraAbilities } from './useCamera';
import type { LastShot } from './useShots';

const INK = 'rgb(var(--ink))';

interface OptionsProps {
  byItself: boolean;
  onByItself: (on: boolean) => void;
  sound: boolean;
  onSound: (on: boolean) => void;
  abilities: CameraAbilities;
  torch: boolean;
  onTorch: (on: boolean) => void;
  onTurn: () => void;
}

/** How the camera works, remembered on this device. */
export const CameraOptions = (props: OptionsProps) => (
  <View className="flex-row items-center justify-between gap-2">
    <View className="min-w-0 flex-1">
      <Toggle label="Release by itself" on={props.byItself} onChange={props.onByItself} />
    </View>
    {props.abilities.torch ? (
      <IconButton label={props.torch ? 'Torch off' : 'Torch on'} onPress={() => props.onTorch(!props.torch)}>
        {props.torch ? <FlashlightOffIcon size={22} color={INK} /> : <FlashlightIcon size={22} color={INK} />}
      </IconButton>
    ) : null}
    {props.abilities.turn ? (
      <IconButton label="Use the other camera" onPress={props.onTurn}>
        <TurnIcon size={22} color={INK} />
      </IconButton>
    ) : null}
    <IconButton label={props.sound ? 'Sound off' : 'Sound on'} onPress={() => props.onSound(!props.sound)}>
      {props.sound ? <SoundIcon size={22} color={INK} /> : <SoundOffIcon size={22} color={INK} />}
    </IconButton>
  </View>
);

export const Release = ({ onPress, busy }: { onPress: () => void; busy: boolean }) => (
  <Pressable
    role="button"
    aria-label="Take the photograph"
    aria-disabled={busy}
    disabled={busy}
    onPress={onPress}
    className={`h-[72px] w-[72px] items-center justify-center rounded-full border-2 border-ink active:opacity-60 ${busy ? 'opacity-50' : ''}`}
  >
    <View className="h-[58px] w-[58px] rounded-full bg-ink" />
  </Pressable>
);

/** The picture taken last and how many there are; pressing it opens what can be done with it. */
export const LastPicture = ({
  last,
  count,
  onPress,
}: {
  last: LastShot | undefined;
  count: number;
  onPress: () => void;
}) =>
  last ? (
    <Pressable
      role="button"
      aria-label={`The last picture, ${count} taken`}
      onPress={onPress}
      className="flex-row items-center gap-2 active:opacity-70"
    >
      <div
        style={{ width: 72, height: 54, borderRadius: 4, overflow: 'hidden', boxShadow: '0 0 0 1px rgb(var(--rule))' }}
      >
        <img src={last.thumbnail} alt="" style={{ width: '100%', height: '100%', objectFit: 'cover' }} />
      </div>
      <Text className="tabular min-w-[20px]">{String(count)}</Text>
    </Pressable>
  ) : (
    <View className="w-[100px]">{count > 0 ? <Text className="tabular">{String(count)}</Text> : null}</View>
  );
