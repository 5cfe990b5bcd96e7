import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Notice, TagField } from '@/ui';
import { useSessionQuery } from './api';
import { useSaveFilingSettingsMutation } from './settingsApi';
import { useMay } from './useMay';

/** The team's words for rating people; for those who may set them. */
export function RatingWords() {
  const { data: session } = useSessionQuery();
  const [save, { error }] = useSaveFilingSettingsMutation();
  const may = useMay();
  if (!session || !may('settle')) return null;
  const { filesItself, ratings, limits } = session.workspace;
  return (
    <View className="gap-2">
      <TagField
        label="Words for rating people"
        hint="From the best to the least."
        tags={ratings}
        onChange={(next) => void save({ filesItself, limits, ratings: next })}
      />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
