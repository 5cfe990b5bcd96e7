import { View } from 'react-native';
import { useSuggestionsQuery } from '@/features/people';
import { useSettled } from '@/lib/useSettled';
import { Button, TextField } from '@/ui';

const PAUSE_MS = 150;
const MOST_OFFERED = 4;

/** The name of a firm, with those offered that begin so. */
export function FirmField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (name: string) => void;
}) {
  const q = useSettled(value.trim(), PAUSE_MS);
  const { data } = useSuggestionsQuery({ field: 'company', q }, { skip: q === '' });
  const offered = q === '' ? [] : (data?.items ?? []).filter((name) => name !== value).slice(0, MOST_OFFERED);
  return (
    <View className="gap-1">
      <TextField label={label} value={value} onChangeText={onChange} maxLength={240} autoComplete="off" />
      {offered.length > 0 ? (
        <View role="group" aria-label="Firms that begin so" className="flex-row flex-wrap gap-2">
          {offered.map((name) => (
            <Button key={name} look="bare" className="px-2" onPress={() => onChange(name)}>
              {name}
            </Button>
          ))}
        </View>
      ) : null}
    </View>
  );
}
