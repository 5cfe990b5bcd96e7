import type { PictureSettings as Settings } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Select, Soft, Text } from '@/ui';
import {
  useChangePictureSettingsMutation,
  useKeepPastPicturesMutation,
  usePreviewPictureSettingsMutation,
} from './settingsApi';

const KEPT = [
  { value: 'photo', label: 'The whole photograph' },
  { value: 'card', label: 'Only the card, cut out' },
  { value: 'none', label: 'No picture' },
] as const;
const DAYS = [
  { value: '', label: 'as long as the record' },
  { value: '30', label: '30 days' },
  { value: '90', label: '90 days' },
  { value: '365', label: 'a year' },
] as const;

type Kept = Pick<Settings, 'keepPictures' | 'keepDays'>;

interface Props extends Kept {
  /** When pictures of what was filed before are removed; null when they are not. */
  clearAt: string | null;
}

/**
 * What becomes of pictures once their card is filed. An occasion may say otherwise. It holds for what is filed from now on; what it
 * would remove of the past is said first, and removed only when somebody says so, a day later.
 */
export function PictureSettings({ keepPictures, keepDays, clearAt }: Props) {
  const [change, { error, isLoading }] = useChangePictureSettingsMutation();
  const [preview, { data: past, error: previewError }] = usePreviewPictureSettingsMutation();
  const [keepPast, { error: keepError }] = useKeepPastPicturesMutation();
  const [asked, setAsked] = useState<Kept>();
  const shown = asked ?? { keepPictures, keepDays };
  const save = async (settings: Kept, alsoPast: boolean) => {
    const result = await change({ ...settings, past: alsoPast });
    if (!result.error) setAsked(undefined);
  };
  const choose = async (settings: Partial<Kept>) => {
    const next = { ...shown, ...settings };
    setAsked(next);
    const { data } = await preview({ ...next, past: false });
    if (data && data.cards + data.photos === 0) await save(next, false);
  };
  const days = String(shown.keepDays ?? '');
  const known = DAYS.some((option) => option.value === days);
  const options = known ? DAYS : [...DAYS, { value: days, label: `${days} days` }];
  const problem = error ?? previewError ?? keepError;
  return (
    <View className="gap-4">
      <View className="items-start gap-1">
        <Text aria-hidden>When a card is filed, keep</Text>
        <Select
          label="When a card is filed, keep"
          options={KEPT}
          value={shown.keepPictures}
          onChange={(kept) => void choose({ keepPictures: kept })}
        />
      </View>
      <View className="items-start gap-1">
        <Text aria-hidden>Keep it for</Text>
        <Select
          label="Keep it for"
          options={options as readonly { value: string; label: string }[]}
          value={days}
          onChange={(value) => void choose({ keepDays: value ? Number(value) : null })}
        />
      </View>
      {asked && past ? (
        <View role="group" aria-label="What was filed before" className="gap-3 border-l-[3px] border-ink pl-4">
          <Text role="status">
            {`This holds for cards filed from now on. Of those filed before, it would remove ${picturesOf(past)} for good.`}
          </Text>
          <View className="flex-row flex-wrap gap-3">
            <Button look="ink" busy={isLoading} onPress={() => void save(asked, false)}>
              From now on only
            </Button>
            <Button look="brick" onPress={() => void save(asked, true)}>
              Remove those too, in a day
            </Button>
            <Button look="bare" onPress={() => setAsked(undefined)}>
              Change nothing
            </Button>
          </View>
        </View>
      ) : null}
      {clearAt ? (
        <Notice action={<Button onPress={() => void keepPast()}>Keep them</Button>}>
          {`Pictures of cards filed before are removed ${formatWhen(clearAt)}.`}
        </Notice>
      ) : null}
      <Soft>What was read stays with the person, whatever becomes of the picture.</Soft>
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
    </View>
  );
}

const picturesOf = ({ cards, photos }: { cards: number; photos: number }): string =>
  [cards > 0 ? `the pictures of ${counted(cards, 'card')}` : '', photos > 0 ? counted(photos, 'whole photograph') : '']
    .filter(Boolean)
    .join(' and ');
