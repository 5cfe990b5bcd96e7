import { Link } from 'expo-router';
import { View } from 'react-native';
import { useSessionQuery } from '@/features/account';
import { Rule, Subheading, Text } from '@/ui';
import { OwnFieldsSetting } from './OwnFieldsSetting';
import { NotificationSetting } from './NotificationSetting';
import { PictureSettings } from './PictureSettings';
import { ReadingSettings } from './ReadingSettings';

/** What the workspace expects of its cards, keeps of their pictures, and where they come from. */
export function WorkspaceSettings() {
  const { data: session } = useSessionQuery();
  if (!session) return null;
  const { country, languages, keepPictures, keepDays } = session.workspace;
  return (
    <View className="gap-6">
      <View className="gap-3">
        <Subheading>Reading cards</Subheading>
        <ReadingSettings country={country} languages={languages} />
      </View>
      <Rule />
      <View className="gap-3">
        <Subheading>Pictures</Subheading>
        <PictureSettings keepPictures={keepPictures} keepDays={keepDays} />
      </View>
      <Rule />
      <OwnFieldsSetting names={session.workspace.ownFields} />
      <Rule />
      <NotificationSetting />
      <Rule />
      <Link href="/occasions">
        <View className="min-h-touch justify-center">
          <Text className="underline underline-offset-4">Occasions</Text>
        </View>
      </Link>
    </View>
  );
}
