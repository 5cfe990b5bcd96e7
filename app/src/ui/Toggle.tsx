import { Pressable, View } from 'react-native';
import { Text } from './Text';

interface Props {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
}

/** Something that is so or not: a square that is inked when it is. */
export const Toggle = ({ label, on, onChange }: Props) => (
  <Pressable
    role="checkbox"
    aria-checked={on}
    aria-label={label}
    onPress={() => onChange(!on)}
    className="min-h-touch flex-row items-center gap-3 active:opacity-70"
  >
    <View className="h-[20px] w-[20px] items-center justify-center rounded-[3px] border border-ink">
      {on ? <View className="h-[12px] w-[12px] rounded-[1px] bg-ink" /> : null}
    </View>
    <Text className="min-w-0 flex-1">{label}</Text>
  </Pressable>
);
