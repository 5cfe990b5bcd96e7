import { useLocalSearchParams } from 'expo-router';
import { SystemScreen } from '@/features/exchange';

export default function OneSystem() {
  const { systemId } = useLocalSearchParams<{ systemId: string }>();
  return <SystemScreen key={systemId} systemId={systemId} />;
}
