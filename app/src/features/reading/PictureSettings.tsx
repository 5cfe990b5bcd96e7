import type { PictureSettings as Settings } from '@dossier/contract';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Notice, Select, Soft, Text } from '@/ui';
import { useChangePictureSettingsMutation } from './learnedApi';

const KEPT = [
  { value: 'photo', label: 'The whole photograph' },
  { value: 'card', label: 'Only the cut card' },
  { value: 'none', label: 'Nothing' },
] as const;
const DAYS = [
  { value: '', label: 'as long as the record' },
  { value: '30', label: '30 days' },
  { value: '90', label: '90 days' },
  { value: '365', label: 'a year' },
] as const;

/** What becomes of pictures once their card is filed. An occasion may say otherwise. */
export function PictureSettings({ keepPictures, keepDays }: Settings) {
  const [change, { error }] = useChangePictureSettingsMutation();
  const save = (settings: Partial<Settings>) => void change({ keepPictures, keepDays, ...settings });
  const days = String(keepDays ?? '');
  const known = DAYS.some((option) => option.value === days);
  const options = known ? DAYS : [...DAYS, { value: days, label: `${days} days` }];
  return (
    <View className="gap-4">
      <View className="items-start gap-1">
        <Text aria-hidden>Kept once a card is filed</Text>
        <Select
          label="Kept once a card is filed"
          options={KEPT}
          value={keepPictures}
          onChange={(kept) => save({ keepPictures: kept })}
        />
      </View>
      <View className="items-start gap-1">
        <Text aria-hidden>Kept for</Text>
        <Select
          label="Kept for"
          options={options as readonly { value: string; label: string }[]}
          value={days}
          onChange={(value) => save({ keepDays: value ? Number(value) : null })}
        />
      </View>
      <Soft>What is no longer kept is removed for good. What was read stays with the person.</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
