import { Link } from 'expo-router';
import { View } from 'react-native';
import { useSessionQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { Notice, Soft, Subheading, TagField, Text, Toggle } from '@/ui';
import { useSaveFilingSettingsMutation } from './api';

/** Whether cards are filed without a person, the words for rating, and where tags are kept. */
export function FilingSettings() {
  const { data: session } = useSessionQuery();
  const [save, { error }] = useSaveFilingSettingsMutation();
  if (!session) return null;
  const { filesItself, ratings } = session.workspace;
  return (
    <View className="gap-4">
      <Subheading>Filing</Subheading>
      <View className="gap-1">
        <Toggle
          label="File cards without any doubt by itself"
          on={filesItself}
          onChange={(on) => void save({ filesItself: on, ratings })}
        />
        <Soft>
          Only cards on which nothing is doubtful and whose person nobody here is like. They are gathered for a glance,
          and each can be taken back.
        </Soft>
      </View>
      <TagField
        label="Words for rating people"
        hint="From the best to the least."
        tags={ratings}
        onChange={(next) => void save({ filesItself, ratings: next })}
      />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <Link href="/tags">
        <View className="min-h-touch justify-center">
          <Text className="underline underline-offset-4">Tags</Text>
        </View>
      </Link>
    </View>
  );
}
