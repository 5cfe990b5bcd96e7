import { View } from 'react-native';
import { OwnFieldsSetting } from './OwnFieldsSetting';
import { PictureSettings } from './PictureSettings';
import { ReadingSettings } from './ReadingSettings';
import { useSessionQuery } from './api';
import { Rule, Subheading } from '@/ui';

/** What the workspace expects of its cards and keeps of their pictures; for those in charge of it. */
export function WorkspaceSettings() {
  const { data: session } = useSessionQuery();
  if (!session) return null;
  const { country, languages, keepPictures, keepDays, clearAt } = session.workspace;
  return (
    <View className="gap-6">
      <View className="gap-3">
        <Subheading>Reading cards</Subheading>
        <ReadingSettings country={country} languages={languages} />
      </View>
      <Rule />
      <View className="gap-3">
        <Subheading>Pictures</Subheading>
        <PictureSettings keepPictures={keepPictures} keepDays={keepDays} clearAt={clearAt} />
      </View>
      <Rule />
      <OwnFieldsSetting names={session.workspace.ownFields} />
    </View>
  );
}
