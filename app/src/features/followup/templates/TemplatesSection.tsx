import { Link, useRouter } from 'expo-router';
import { View } from 'react-native';
import { SettingsSection } from '@/features/account';
import { problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Serif, Soft, Text } from '@/ui';
import { useTemplatesQuery } from '../api';
import { languageName } from './languageName';

/** Texts that are filled in for each person. */
export function TemplatesSection() {
  const router = useRouter();
  return (
    <SettingsSection title="Templates">
      <Text>Words you send again and again. Names, firms and what was said are put in for each person.</Text>
      <View className="flex-row">
        <Button look="ink" onPress={() => router.push('/settings/templates/new')}>
          Write a template
        </Button>
      </View>
      <Templates />
    </SettingsSection>
  );
}

function Templates() {
  const { data, error, refetch } = useTemplatesQuery();
  if (error && !data)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines lines={3} />;
  if (data.items.length === 0) return <Soft>There is none yet.</Soft>;
  return (
    <View role="list" aria-label="Templates" className="border-t border-rule">
      {data.items.map(({ id, name, kind, texts, usedIn }) => (
        <View key={id} role="listitem" className="border-b border-rule">
          <Link href={`/settings/templates/${id}`} aria-label={name}>
            <View className="w-full gap-1 py-3 hover:bg-table">
              <Serif className="[overflow-wrap:anywhere]">{name}</Serif>
              <Soft>
                {[kind === 'letter' ? 'Letter' : 'E-mail', Object.keys(texts).map(languageName).join(', ')].join(' · ')}
              </Soft>
              {usedIn.length > 0 ? (
                <Soft className="[overflow-wrap:anywhere]">{`Used in ${usedIn.join(', ')}`}</Soft>
              ) : null}
            </View>
          </Link>
        </View>
      ))}
    </View>
  );
}
