import { Link, useRouter } from 'expo-router';
import { View } from 'react-native';
import { SettingsSection } from '@/features/account';
import { problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Serif, Soft, Text } from '@/ui';
import { useSystemsQuery } from './api';
import { standingOf, whenWords, whereOf } from './words';

const LOOK_MS = 5_000;

/** Other systems that people are handed over to, and how that stands. */
export function SystemsSection() {
  const router = useRouter();
  return (
    <SettingsSection title="Other systems">
      <Text>
        Where the team keeps its customers already: people go there from here, with their notes, next steps, pictures
        and business, and what changes here follows.
      </Text>
      <View className="flex-row">
        <Button look="ink" onPress={() => router.push('/settings/systems/new')}>
          Set a system up
        </Button>
      </View>
      <Systems />
    </SettingsSection>
  );
}

function Systems() {
  const { data, error, refetch } = useSystemsQuery(undefined, { pollingInterval: LOOK_MS });
  if (error && !data)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines />;
  if (data.items.length === 0) return <Soft>Nobody is handed over to anywhere.</Soft>;
  return (
    <View role="list" aria-label="Other systems" className="border-t border-rule">
      {data.items.map((system) => (
        <View key={system.id} role="listitem" className="border-b border-rule">
          <Link href={`/settings/systems/${system.id}`} aria-label={system.name}>
            <View className="w-full gap-1 py-3 hover:bg-table">
              <Serif className="[overflow-wrap:anywhere]">{system.name}</Serif>
              <Soft className="[overflow-wrap:anywhere]">{whereOf(system)}</Soft>
              <Soft>{whenWords(system)}</Soft>
              <Soft className={system.held > 0 || system.pausedWhy ? 'text-brick' : ''}>{standingOf(system)}</Soft>
            </View>
          </Link>
        </View>
      ))}
    </View>
  );
}
