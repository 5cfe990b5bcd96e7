import FlashlightIcon from 'lucide-react-native/icons/flashlight';
import FlashlightOffIcon from 'lucide-react-native/icons/flashlight-off';
import TurnIcon from 'lucide-react-native/icons/switch-camera';
import SoundIcon from 'lucide-react-native/icons/volume-2';
import SoundOffIcon from 'lucide-react-native/icons/volume-x';
import { Pressable, View } from 'react-native';
import { IconButton, Toggle } from '@/ui';
import type { CameraAbilities } from './useCamera';

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
      <Toggle label="Take it for me when it is sharp" on={props.byItself} onChange={props.onByItself} />
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
