import { Link } from 'expo-router';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { counted } from '@/lib/counted';
import { Text } from '@/ui';
import { useSystemsQuery } from './api';

const LOOK_MS = 60_000;

/** Tells whoever sets other systems up that one has stopped, or that something waits for them. */
export function SystemsTrouble() {
  const may = useMay();
  const { data } = useSystemsQuery(undefined, { pollingInterval: LOOK_MS, skip: !may('connect') });
  const stopped = data?.items.find(({ pausedWhy }) => pausedWhy);
  const waiting = data?.items.find(({ held }) => held > 0);
  const system = stopped ?? waiting;
  if (!system) return null;
  return (
    <View role="status" className="border-b border-rule px-4">
      <Link href={`/settings/systems/${system.id}`}>
        <View className="min-h-touch justify-center">
          <Text className="text-brick underline underline-offset-4 [overflow-wrap:anywhere]">
            {stopped
              ? `${system.name} has stopped: ${system.pausedWhy}`
              : `${system.name}: ${counted(system.held, 'sending')} ${system.held === 1 ? 'waits' : 'wait'} for somebody`}
          </Text>
        </View>
      </Link>
    </View>
  );
}
