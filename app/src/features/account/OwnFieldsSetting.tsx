import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Notice, TagField } from '@/ui';
import { useChangeOwnFieldsMutation } from './settingsApi';

/** Names of fields that the proof desk offers beside the usual ones. */
export function OwnFieldsSetting({ names }: { names: readonly string[] }) {
  const [change, { error }] = useChangeOwnFieldsMutation();
  return (
    <View className="gap-2">
      <TagField
        label="Fields of your own"
        hint="Offered on the proof desk. Separate them with commas."
        tags={[...names]}
        onChange={(next) => void change(next)}
      />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
